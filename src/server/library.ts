import type { RequestHandler } from 'express';
import { z } from 'zod';
import { readLibrary, type CardFile, type LibraryEntry } from '../core/known/hosts/library.ts';
import { guardedFetch, Refused, type Guard, type Limits } from './guard.ts';
import { sendProblem } from './problems.ts';

const asked = z.strictObject({ url: z.url({ protocol: /^https?$/ }).max(4000) });

const JSON_FILE: Limits = { types: ['application/json', 'text/json', 'text/plain'], size: 1_000_000, time: 8000 };
/** Cards that are asked for at the same time, and bytes of all of them together. */
const AT_ONCE = 4;
const TOGETHER = 20_000_000;

/** What a card library holds, as it is there: the list, and the file of each card or why there is none. */
export interface LibraryAnswer {
  list: string;
  files: Record<string, CardFile>;
}

/** `POST /api/library`: a list of cards at an address, and the cards that it names, all of one origin. */
export function libraryRoute(guard: Guard): RequestHandler {
  return async (incoming, response) => {
    const body = asked.safeParse(incoming.body);
    if (!body.success) return sendProblem(response, 400, { code: 'badRequest', detail: 'Send { "url": "https://…" }.' });
    try {
      response.json(await fetchLibrary(body.data.url, guard));
    } catch (error) {
      const code = error instanceof Refused ? error.code : 'noAnswer';
      sendProblem(response, 502, { code, detail: 'The list could not be fetched.' });
    }
  };
}

async function fetchLibrary(url: string, guard: Guard): Promise<LibraryAnswer> {
  const fetched = await guardedFetch(url, guard, JSON_FILE);
  if (fetched.status !== 200) throw new Refused('noAnswer', String(fetched.status));
  const list = String(fetched.body);
  const read = readLibrary(list);
  const files = new Map<string, CardFile>();
  if ('refusal' in read) return { list, files: {} };
  const waiting = [...read.library.cards];
  let bytes = 0;
  const work = async (): Promise<void> => {
    for (let entry = waiting.shift(); entry; entry = waiting.shift()) {
      const file: CardFile = bytes > TOGETHER ? { why: 'tooLarge' } : await fetchCard(entry, fetched.url, guard);
      if ('text' in file) bytes += file.text.length;
      files.set(entry.id, file);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
  return { list, files: Object.fromEntries(files) };
}

async function fetchCard({ at }: LibraryEntry, list: URL, guard: Guard): Promise<CardFile> {
  if (!URL.canParse(at, list)) return { why: 'noAnswer' };
  const address = new URL(at, list);
  if (address.origin !== list.origin) return { why: 'otherOrigin' };
  try {
    const { status, body } = await guardedFetch(address.href, guard, JSON_FILE);
    return status === 200 ? { text: String(body) } : { why: 'noAnswer' };
  } catch (error) {
    return { why: error instanceof Refused ? error.code : 'noAnswer' };
  }
}
