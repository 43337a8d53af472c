import { parseTextStream } from 'media-captions';
import { wordsOfMarkup } from '../../model/markup/wordsOfMarkup.ts';
import { MOST_CUES, type Cue } from '../order.ts';

/** To the thousandth of a second, which is what the formats have. */
const exact = (seconds: number): number => Math.round(seconds * 1000) / 1000;
const VOICE = /^\s*<v(?:\.[^\s>]*)?\s+([^>]{1,120})>/;

/**
 * Reads a transcript: WebVTT (with its notes, styles and regions), or SubRip, with points or commas in its times. Cues that
 * end before they begin are left out, the others stand in the order of their time. Null where there is none.
 */
export async function readCues(source: string): Promise<Cue[] | null> {
  const text = source.replace(/^\uFEFF/, '').replace(/\r\n?/g, '\n');
  const vtt = /^WEBVTT(?:[ \t\n]|$)/.test(text);
  if (!vtt && !/^\s*\d+\n\d{1,2}:\d{2}:\d{2}[.,]\d{1,3}\s*-->/.test(text)) return null;
  const lines = (vtt ? text : text.replace(/(\d{2}:\d{2}:\d{2})\.(\d{1,3})(?=\s*(?:-->|$))/gm, '$1,$2')).split('\n');
  const { cues } = await parseTextStream(oneByOne(lines), { type: vtt ? 'vtt' : 'srt' });
  return cues
    .filter(({ startTime, endTime }) => startTime >= 0 && endTime > startTime && endTime < 360_000)
    .sort((a, b) => a.startTime - b.startTime)
    .slice(0, MOST_CUES)
    .flatMap(({ startTime, endTime, text: held }): Cue[] => {
      const who = VOICE.exec(held)?.[1]?.trim();
      const words = wordsOfMarkup(held).replace(/\s+/g, ' ').trim().slice(0, 2000);
      return words === '' ? [] : [{ from: exact(startTime), until: exact(endTime), text: words, ...(who && { who }) }];
    });
}

/** Lines as they are asked for: where all wait in a row, some engines move the whole row at each. */
function oneByOne(lines: readonly string[]): ReadableStream<string> {
  let at = 0;
  return new ReadableStream({
    pull: (controller) => (at < lines.length ? controller.enqueue(lines[at++]!) : controller.close()),
  });
}

const clock = (seconds: number, point: string): string => {
  const ms = Math.round(seconds * 1000);
  const two = (n: number): string => String(n).padStart(2, '0');
  return `${two(Math.floor(ms / 3_600_000))}:${two(Math.floor(ms / 60_000) % 60)}:${two(Math.floor(ms / 1000) % 60)}${point}${String(ms % 1000).padStart(3, '0')}`;
};
const safe = (text: string): string => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');

/** WebVTT (W3C), with who speaks as its voice. */
export const writeVtt = (cues: readonly Cue[]): string =>
  `WEBVTT\n\n${cues
    .map(
      ({ from, until, text, who }) =>
        `${clock(from, '.')} --> ${clock(until, '.')}\n${who ? `<v ${safe(who)}>` : ''}${safe(text)}\n`,
    )
    .join('\n')}`;

/** SubRip, which knows nobody who speaks. */
export const writeSrt = (cues: readonly Cue[]): string =>
  cues.map(({ from, until, text }, i) => `${i + 1}\n${clock(from, ',')} --> ${clock(until, ',')}\n${text}\n`).join('\n');
