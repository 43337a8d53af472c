import type { RequestHandler } from 'express';
import { z } from 'zod';
import { accessOf } from '../core/known/hosts/access.ts';
import type { HostBook } from '../core/known/hosts/book.ts';
import { bringIn } from '../core/pipeline.ts';
import { judge, type Reached } from '../core/proof/reach/reached.ts';
import { sendProblem } from './problems.ts';
import type { Known } from './known.ts';
import { type Answers, secondsOf, type Fresh } from './answers.ts';
import { guardedFetch, Refused, type Fetched, type Guard } from './guard.ts';

const asked = z.strictObject({
  /** The frame address. */
  url: z.url({ protocol: /^https?$/ }).max(4000),
  /** An address of the site's pages. */
  site: z.url({ protocol: /^https?$/ }).max(4000),
});

const LIMITS = { types: [], size: 0, time: 10_000 };

interface ReachParts {
  known: () => Known;
  guard: Guard;
  answers: Answers<{ reached: Reached[] }>;
  limit: readonly RequestHandler[];
}

/** `POST /api/reach`: what a visitor of the site who is signed in nowhere gets at a frame address. */
export function reachRoute({ known, guard, answers, limit }: ReachParts): RequestHandler[] {
  const ask: RequestHandler = async (incoming, response) => {
    const body = asked.safeParse(incoming.body);
    if (!body.success)
      return sendProblem(response, 400, { code: 'badRequest', detail: 'Send { "url": "https://…", "site": "https://…" }.' });
    response.json(await answers.ask(body.data, () => reach(body.data, known().book, guard)));
  };
  return [answers.known, ...limit, ask];
}

async function reach({ url, site }: z.infer<typeof asked>, book: HostBook, guard: Guard): Promise<Fresh<{ reached: Reached[] }>> {
  const item = bringIn(url, book)[0]?.item;
  const access = item ? accessOf(item, book) : [];
  const httpOnly = access.find(({ needs }) => needs === 'http');
  const known: Reached[] = httpOnly ? [{ code: 'httpOnly', words: `${httpOnly.words} ${httpOnly.remedy}` }] : [];
  try {
    const fetched = await guardedFetch(url, guard, LIMITS);
    const judged = judge(answerOf(fetched, new URL(url)), new URL(site), access);
    const reached = known.length > 0 ? [...known, ...judged.filter(({ code }) => code !== 'reachable')] : judged;
    return { answer: { reached }, seconds: secondsOf(fetched) };
  } catch (error) {
    const why = error instanceof Refused ? error.code : 'noAnswer';
    if (why === 'noAnswer' && url.startsWith('https:') && (await answersOverHttp(url, guard)))
      return { answer: { reached: [{ code: 'httpOnly', words: '' }] }, seconds: 0 };
    return { answer: { reached: [...known, { code: 'noAnswer', why }] }, seconds: 0 };
  }
}

const answersOverHttp = (url: string, guard: Guard): Promise<boolean> =>
  guardedFetch(url.replace(/^https:/, 'http:'), guard, LIMITS).then(
    ({ status }) => status < 400,
    () => false,
  );

function answerOf({ status, url, headers, redirects, seconds }: Fetched, wanted: URL): Parameters<typeof judge>[0] {
  const all = (name: string): string[] => [headers[name] ?? []].flat();
  return {
    status,
    asked: wanted,
    final: url,
    movedForGood: redirects.length > 0 && redirects.every((code) => code === 301 || code === 308),
    framing: { policies: all('content-security-policy'), frameOptions: all('x-frame-options').join(', ') || null },
    retryAfter: all('retry-after')[0] ?? null,
    seconds,
  };
}
