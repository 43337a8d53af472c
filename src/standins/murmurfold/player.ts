import { clockText, onRequest, pageData, part, playPassage, report, tryToStart } from '../shared/player.ts';
import type { MurmurfoldData } from './routes.ts';

const data = pageData<MurmurfoldData>();
const asked = new URLSearchParams(location.search);
const sound = part<HTMLAudioElement>('sound');
let playing = 0;

function tell(now: string): void {
  report(
    JSON.stringify({
      murmur: {
        now,
        ms: Math.round(sound.currentTime * 1000),
        total: Number.isFinite(sound.duration) ? Math.round(sound.duration * 1000) : null,
        silent: sound.muted,
        track: data.tracks[playing]!.title,
        look: asked.get('look') === 'slim' ? 'slim' : 'wide',
        tint: getComputedStyle(document.documentElement).getPropertyValue('--tint').trim(),
        art: !part('art').hidden,
      },
    }),
  );
}

function load(index: number): void {
  playing = index;
  const track = data.tracks[index]!;
  sound.src = track.media;
  part<HTMLImageElement>('art').src = track.cover;
  part('track').textContent = track.title;
  part('names').textContent = track.author;
  [...part('tracks').children].forEach((row, i) => row.toggleAttribute('data-now', i === index));
}

function over(): void {
  if (playing < data.tracks.length - 1) {
    load(playing + 1);
    tryToStart(sound);
  } else tell('finished');
}

function dress(): void {
  const tint = asked.get('tint');
  if (tint && /^#[0-9a-f]{6}$/i.test(tint)) document.documentElement.style.setProperty('--tint', tint.toLowerCase());
  document.body.classList.toggle('slim', asked.get('look') === 'slim');
  part('art').hidden = asked.get('art') === 'false';
  part('names').hidden = asked.get('names') === 'false';
  if (data.tracks.length > 1)
    part('tracks').replaceChildren(
      ...data.tracks.map(({ title }) => Object.assign(document.createElement('li'), { textContent: title })),
    );
}

function wire(): void {
  part('press').onclick = () => (sound.paused ? void sound.play() : sound.pause());
  part('silent').onclick = () => (sound.muted = !sound.muted);
  const show = (): void => {
    part('press').textContent = sound.paused ? 'Play' : 'Pause';
    part('silent').textContent = sound.muted ? 'Unmute' : 'Mute';
    part('clock').textContent = `${clockText(sound.currentTime)} of ${clockText(sound.duration || 0)}`;
    part<HTMLProgressElement>('bar').value = sound.duration ? sound.currentTime / sound.duration : 0;
  };
  for (const event of ['play', 'pause', 'timeupdate', 'volumechange', 'loadedmetadata']) sound.addEventListener(event, show);
  sound.addEventListener('loadedmetadata', () => tell('open'));
  sound.addEventListener('playing', () => tell('sounding'));
  sound.addEventListener('pause', () => tell('still'));
  sound.addEventListener('timeupdate', () => tell('moved'));
}

onRequest((message) => {
  const { murmur } = (message ?? {}) as { murmur?: { please?: string; s?: number } };
  if (murmur?.please === 'sound') tryToStart(sound);
  if (murmur?.please === 'still') sound.pause();
  if (murmur?.please === 'move') sound.currentTime = Number(murmur.s);
});

if (data.tracks.length > 0) {
  dress();
  wire();
  load(0);
  playPassage(sound, { from: 0, until: Infinity }, over);
  if (asked.get('auto') === 'true') tryToStart(sound);
} else part('track').textContent = document.title;
