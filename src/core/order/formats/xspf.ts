import { XMLBuilder, XMLParser } from 'fast-xml-parser';
import { z } from 'zod';
import { entryOf, type Entry } from '../order.ts';
import type { OrderFormat } from './format.ts';
import { lengthOf, whole } from './whole.ts';

const words = z.union([z.string(), z.looseObject({ '#text': z.string() }).transform((held) => held['#text'])]).catch('');
const many = <Schema extends z.ZodType>(schema: Schema) =>
  z.preprocess((v: unknown): unknown[] => (v === undefined ? [] : Array.isArray(v) ? v : [v]), z.array(schema));
const track = z.looseObject({
  location: many(words).catch([]),
  identifier: many(words).catch([]),
  title: words.default(''),
  creator: words.default(''),
  annotation: words.default(''),
  info: words.default(''),
  duration: words.default(''),
});
const playlist = z.looseObject({
  playlist: z.looseObject({
    title: words.default(''),
    annotation: words.default(''),
    info: words.default(''),
    image: words.default(''),
    trackList: z.union([z.looseObject({ track: many(track).catch([]) }), z.literal('').transform(() => ({ track: [] }))]),
  }),
});

/** XSPF, version 1: `location` is what is played, durations are milliseconds. */
export const xspf: OrderFormat = {
  id: 'xspf',
  label: 'XSPF',
  extension: 'xspf',
  is: (source) => /<playlist[\s>]/i.test(source.slice(0, 4000)),
  read: (source, base) => {
    let data: unknown;
    try {
      data = new XMLParser({
        ignoreAttributes: true,
        parseTagValue: false,
        processEntities: { enabled: true, maxTotalExpansions: 1_000_000 },
      }).parse(source.replace(/<!DOCTYPE[^>[]*(?:\[[^\]]*\])?[^>]*>/i, ''));
    } catch {
      return null;
    }
    const held = playlist.safeParse(data).data?.playlist;
    if (!held) return null;
    const home = whole(held.info, base);
    const left: number[] = [];
    const entries = held.trackList.track.slice(0, 5000).flatMap((one, i): Entry[] => {
      const address = one.location.map((location) => whole(location, base)).find((found) => found !== undefined);
      const page = whole(one.info, base);
      const found = entryOf({
        id: one.identifier[0] ?? address ?? page,
        address: address ?? page,
        page: address === undefined || address === page ? undefined : page,
        title: one.title,
        words: one.annotation,
        author: one.creator,
        seconds: lengthOf(Number(one.duration) / 1000),
      });
      if (!found) left.push(i);
      return found ? [found] : [];
    });
    return {
      name: held.title.slice(0, 300),
      words: held.annotation.slice(0, 5000),
      links: home === undefined ? [] : [{ words: held.title.slice(0, 80) || 'Home', address: home }],
      coverAt: whole(held.image, base),
      entries,
      left,
    };
  },
  write: ({ name, words: told, links, coverAt, entries }) =>
    `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLBuilder({
      ignoreAttributes: false,
      attributeNamePrefix: '@',
      format: true,
      suppressEmptyNode: true,
    }).build({
      playlist: {
        '@version': '1',
        '@xmlns': 'http://xspf.org/ns/0/',
        title: name,
        ...(told && { annotation: told }),
        ...(links[0] && { info: links[0].address }),
        ...(coverAt !== undefined && { image: coverAt }),
        trackList: {
          track: entries.map((one) => ({
            location: one.address,
            identifier: one.id,
            title: one.title,
            ...(one.author && { creator: one.author }),
            ...(one.words && { annotation: one.words }),
            ...(one.page !== undefined && { info: one.page }),
            ...(one.seconds !== undefined && { duration: String(Math.round(one.seconds * 1000)) }),
          })),
        },
      },
    })}`,
};
