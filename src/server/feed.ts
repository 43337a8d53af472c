import type { RequestHandler } from 'express';
import { z } from 'zod';
import { answerText } from './answerText.ts';
import { guardedFetch, Refused, type Guard, type Limits } from './guard.ts';
import { sendProblem } from './problems.ts';

const asked = z.strictObject({ url: z.url({ protocol: /^https?$/ }).max(4000) });

/** Feeds, playlists, transcripts and chapters come under any type of text, and under those of what no server knows. */
const TEXT: Limits = {
  types: ['application/', 'text/', 'binary/', 'audio/mpegurl', 'audio/x-mpegurl'],
  size: 10_000_000,
  time: 10_000,
};

/** What stands at an address, as text, and the address at which it was found in the end. */
export interface FeedAnswer {
  text: string;
  address: string;
}

/** `POST /api/feed`: a feed or a playlist, as it is there; it is read by whoever asked. */
export function feedRoute(guard: Guard): RequestHandler {
  return async (incoming, response) => {
    const body = asked.safeParse(incoming.body);
    if (!body.success) return sendProblem(response, 400, { code: 'badRequest', detail: 'Send { "url": "https://…" }.' });
    try {
      const fetched = await guardedFetch(body.data.url, guard, TEXT);
      if (fetched.status !== 200) throw new Refused('noAnswer', String(fetched.status));
      response.json({ text: answerText(fetched), address: fetched.url.href } satisfies FeedAnswer);
    } catch (error) {
      const code = error instanceof Refused ? error.code : 'noAnswer';
      sendProblem(response, 502, { code, detail: 'The feed could not be fetched.' });
    }
  };
}
