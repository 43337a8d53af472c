import { entryOf, type Entry } from '../order.ts';
import type { OrderFormat } from './format.ts';
import { lengthOf, whole } from './whole.ts';

const line = (text: string): string => text.replace(/\s+/g, ' ').trim();

/** M3U with its extended lines, in UTF-8: `#EXTINF:seconds,title` before each address (also RFC 8216, section 4.3.2.1). */
export const m3u: OrderFormat = {
  id: 'm3u',
  label: 'M3U',
  extension: 'm3u8',
  // What tells its segments is a stream, and no list of items.
  is: (source) => /^\s*#EXTM3U/.test(source) && !/^#EXT-X-(?:TARGETDURATION|STREAM-INF)/m.test(source),
  read: (source, base) => {
    const entries: Entry[] = [];
    const left: number[] = [];
    let told = { seconds: NaN, title: '' };
    let name = '';
    for (const one of source.split(/\r\n|\r|\n/)) {
      const text = one.trim();
      const [, seconds, title] = /^#EXTINF:\s*(-?[\d.]+)[^,]*,(.*)$/.exec(text) ?? [];
      if (seconds !== undefined) told = { seconds: Number(seconds), title: line(title ?? '') };
      else if (text.startsWith('#PLAYLIST:')) name = line(text.slice(10));
      else if (text !== '' && !text.startsWith('#')) {
        const address = whole(text, base);
        const found = entryOf({
          id: address,
          address,
          title: told.title,
          seconds: lengthOf(told.seconds),
        });
        if (found && entries.length < 5000) entries.push({ ...found, id: `${found.id} ${entries.length}`.slice(-400) });
        else left.push(entries.length + left.length);
        told = { seconds: NaN, title: '' };
      }
    }
    return { name: name.slice(0, 300), words: '', links: [], entries, left };
  },
  write: ({ name, entries }) =>
    [
      '#EXTM3U',
      ...(name === '' ? [] : [`#PLAYLIST:${line(name)}`]),
      ...entries.flatMap(({ seconds, title, address }) => [
        `#EXTINF:${seconds === undefined ? -1 : Math.round(seconds)},${line(title)}`,
        address,
      ]),
      '',
    ].join('\n'),
};
