/**
 * Makes the media of the sample world: videos, sounds and covers, from `demo/items.json` alone.
 * Needs Chromium (canvas) and ffmpeg. Run once by `npm run media`; the results are kept in the repository.
 */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { launchBrowser } from '../../e2e/browser.ts';
import { makeSound, SAMPLE_RATE } from './sound.ts';

interface Scene {
  subject: string;
  hue: number;
}
interface DemoItem {
  id: string;
  kind: string;
  title: string;
  duration?: number;
  ratio?: string;
  scene?: Scene;
}

const here = import.meta.dirname;
const files = join(here, 'files');
const { items } = JSON.parse(readFileSync(join(here, '../items.json'), 'utf8')) as { items: DemoItem[] };
const LIVE_SECONDS = 30;

const nameOf = (item: DemoItem): string => item.id.replace('/', '.');
/** Frame sizes by ratio; even numbers, as the encoder needs them. */
const SIZES: Record<string, [number, number]> = {
  '9:16': [180, 320],
  '2.35:1': [320, 136],
  '4:3': [240, 180],
  '1:1': [200, 200],
};
const sizeOf = (item: DemoItem): [number, number] => SIZES[item.ratio ?? ''] ?? [320, 180];
const isHeard = (item: DemoItem): boolean =>
  ['audio', 'podcast', 'recording'].includes(item.kind) || (item.kind === 'live' && item.scene?.subject === 'sound');
const isMoving = (item: DemoItem): boolean => ['video', 'live', 'loop'].includes(item.kind) && !isHeard(item);

/** Long lectures move slowly, so that the files stay small. */
const frameRate = (seconds: number): number => (seconds > 600 ? 1 : 4);

async function makeVideo(page: Page, item: DemoItem): Promise<void> {
  const seconds = item.duration ?? LIVE_SECONDS;
  const rate = frameRate(seconds);
  const sound = join(files, `${nameOf(item)}.raw`);
  writeFileSync(sound, makeSound(seconds, item.scene!.hue));
  const out = join(files, `${nameOf(item)}.webm`);
  const pictures = `-f image2pipe -framerate ${rate} -c:v mjpeg -i -`;
  const video = `-c:v libvpx-vp9 -pix_fmt yuv420p -b:v 0 -crf 50 -g ${rate * 6} -deadline good -cpu-used 4 -row-mt 1`;
  const audio = item.kind === 'loop' ? '-an' : `-c:a libopus -b:a 6k -application voip`;
  const args = `-y -loglevel error ${pictures} -f s16le -ar ${SAMPLE_RATE} -ac 1 -i ${sound} ${video} ${audio} -shortest ${out}`;
  const encoder = spawn('ffmpeg', args.split(' '), { stdio: ['pipe', 'inherit', 'inherit'] });
  const [width, height] = sizeOf(item);
  for (let first = 0; first < seconds * rate; first += 40) {
    const count = Math.min(40, seconds * rate - first);
    const frames = await page.evaluate(
      'paintFrames(' + JSON.stringify({ ...item.scene, width, height, seconds, rate, first, count }) + ')',
    );
    for (const frame of frames as string[])
      if (!encoder.stdin.write(Buffer.from(frame, 'base64'))) await once(encoder.stdin, 'drain');
  }
  encoder.stdin.end();
  const [status] = (await once(encoder, 'close')) as [number];
  if (status !== 0) throw new Error(`ffmpeg ended with ${status} for ${item.id}`);
  rmSync(sound);
}

async function makeAudio(item: DemoItem): Promise<void> {
  const sound = join(files, `${nameOf(item)}.raw`);
  writeFileSync(sound, makeSound(item.duration ?? LIVE_SECONDS, item.scene!.hue));
  const out = join(files, `${nameOf(item)}.ogg`);
  const args = `-y -loglevel error -f s16le -ar ${SAMPLE_RATE} -ac 1 -i ${sound} -c:a libopus -b:a 10k ${out}`;
  const [status] = (await once(spawn('ffmpeg', args.split(' '), { stdio: 'inherit' }), 'close')) as [number];
  if (status !== 0) throw new Error(`ffmpeg ended with ${status} for ${item.id}`);
  rmSync(sound);
}

/** Four pieces of six seconds under a manifest (RFC 8216), of a video that is there already. */
async function makeStream(of: string): Promise<void> {
  const folder = join(files, 'mill-stream');
  mkdirSync(folder, { recursive: true });
  const picture = '-c:v libx264 -profile:v baseline -pix_fmt yuv420p -crf 40 -g 24 -r 4 -c:a aac -b:a 16k -ac 1';
  const pieces = '-f hls -hls_time 6 -hls_playlist_type vod -hls_segment_type fmp4 -hls_fmp4_init_filename start.mp4';
  const args = `-y -loglevel error -i ${join(files, of)} -t 24 ${picture} ${pieces} -hls_segment_filename part%d.m4s stream.m3u8`;
  const [status] = (await once(spawn('ffmpeg', args.split(' '), { stdio: 'inherit', cwd: folder }), 'close')) as [number];
  if (status !== 0) throw new Error(`ffmpeg ended with ${status} for the stream`);
}

async function makeCover(page: Page, item: DemoItem): Promise<void> {
  const [width, height] =
    item.kind === 'audio' || item.kind === 'podcast' || item.kind === 'loop'
      ? [400, 400]
      : item.kind === 'document' || item.kind === 'booklet'
        ? [300, 400]
        : sizeOf(item).map((n) => n * 2);
  const heard = item.kind === 'audio' || item.kind === 'podcast';
  const scene = item.scene ?? { subject: heard ? 'sound' : 'leaf', hue: (item.title.length * 37) % 360 };
  const picture = (await page.evaluate(
    'paintCover(' + JSON.stringify({ ...scene, width, height, title: item.title }) + ')',
  )) as string;
  writeFileSync(join(here, '../covers', `${nameOf(item)}.webp`), Buffer.from(picture, 'base64'));
}

mkdirSync(files, { recursive: true });
const browser = await launchBrowser();
try {
  const page = await browser.newPage();
  await page.addScriptTag({ path: join(here, 'scenes.js') });
  // Ids as arguments make only those anew.
  const wanted = process.argv.slice(2);
  for (const item of items.filter(({ id }) => wanted.length === 0 || wanted.includes(id))) {
    await makeCover(page, item);
    if (item.scene && isHeard(item)) await makeAudio(item);
    else if (item.scene && isMoving(item)) await makeVideo(page, item);
    const made = ['webm', 'ogg'].map(
      (type) => statSync(join(files, `${nameOf(item)}.${type}`), { throwIfNoEntry: false })?.size ?? 0,
    );
    console.log(`${item.id}: ${Math.round(Math.max(...made) / 1024)} kB`);
  }
  if (wanted.length === 0 || wanted.includes('mill-stream')) await makeStream('sluice-camera.webm');
} finally {
  await browser.close();
}
