import type { RequestHandler } from 'express';
import { z } from 'zod';
import { readDescription, readResults, searchAddress, type SearchResult } from '../core/many/search/openSearch.ts';
import { type Answers, secondsOf, type Fresh } from './answers.ts';
import { answerText } from './answerText.ts';
import { guardedFetch, Refused, type Guard, type Limits } from './guard.ts';
import { sendProblem } from './problems.ts';

const asked = z.strictObject({
  /** An OpenSearch description document. */
  description: z.url({ protocol: /^https?$/ }).max(4000),
  words: z.string().trim().min(1).max(200),
});

const DESCRIPTION: Limits = {
  types: ['application/opensearchdescription+xml', 'application/xml', 'text/xml'],
  size: 128 * 1024,
  time: 5000,
};
const RESULTS: Limits = {
  types: [
    'application/rss+xml',
    'application/atom+xml',
    'application/xml',
    'text/xml',
    'application/x-suggestions+json',
    'application/json',
  ],
  size: 1_000_000,
  time: 8000,
};

/** What a host found, or why it could not be asked. */
export interface SearchAnswer {
  results: SearchResult[];
  refused: string | null;
}

/** `POST /api/search`: what a host finds for some words, by its OpenSearch description. */
export function searchRoute(guard: Guard, answers: Answers<SearchAnswer>, limit: readonly RequestHandler[]): RequestHandler[] {
  const ask: RequestHandler = async (incoming, response) => {
    const body = asked.safeParse(incoming.body);
    if (!body.success)
      return sendProblem(response, 400, { code: 'badRequest', detail: 'Send { "description": "https://…", "words": "…" }.' });
    try {
      response.json(await answers.ask(body.data, () => search(body.data, guard)));
    } catch (error) {
      const refused = error instanceof Refused ? error.code : 'noAnswer';
      response.json({ results: [], refused } satisfies SearchAnswer);
    }
  };
  return [answers.known, ...limit, ask];
}

async function search({ description, words }: z.infer<typeof asked>, guard: Guard): Promise<Fresh<SearchAnswer>> {
  const told = await guardedFetch(description, guard, DESCRIPTION);
  const url = readDescription(answerText(told));
  const address = url && searchAddress(url.template, words);
  if (!url || !address || !URL.canParse(address, told.url)) throw new Refused('wrongType');
  const found = await guardedFetch(new URL(address, told.url).href, guard, RESULTS);
  if (found.status !== 200) throw new Refused('noAnswer', String(found.status));
  return { answer: { results: readResults(answerText(found), url), refused: null }, seconds: Math.min(60, secondsOf(found)) };
}
