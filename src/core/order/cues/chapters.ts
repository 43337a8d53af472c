import { z } from 'zod';
import { readJson } from '../../model/json.ts';
import type { Chapter } from '../order.ts';

const VERSION = '1.2.0';
const file = z.looseObject({
  version: z.string(),
  chapters: z
    .array(
      z.looseObject({
        startTime: z.number().min(0).max(360_000),
        title: z.string().max(300).optional(),
        toc: z.boolean().optional(),
      }),
    )
    .max(2000),
});

/** Chapters as podcasts have them (JSON chapters 1.2), in the order of their time; null where it is no such file. */
export function readChapters(text: string): Chapter[] | null {
  const data = readJson(text);
  const read = 'wrong' in data ? undefined : file.safeParse(data.value).data;
  if (!read) return null;
  return read.chapters
    .filter(({ title, toc }) => title !== undefined && title.trim() !== '' && toc !== false)
    .map(({ startTime, title }) => ({ at: startTime, title: title!.trim() }))
    .sort((a, b) => a.at - b.at);
}

/** Chapters as the JSON of the podcast namespace, version 1.2. */
export const writeChapters = (chapters: readonly Chapter[]): string =>
  JSON.stringify({ version: VERSION, chapters: chapters.map(({ at, title }) => ({ startTime: at, title })) }, null, 2);
