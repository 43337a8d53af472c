import type { RequestHandler } from 'express';
import { z } from 'zod';
import { sendProblem } from './problems.ts';
import { guardedFetch, Refused, type Guard } from './guard.ts';

const asked = z.strictObject({ url: z.url({ protocol: /^https?$/ }).max(4000) });
const TYPES = ['image/webp', 'image/jpeg', 'image/png', 'image/avif'] as const;
const LIMITS = { types: TYPES, size: 8_000_000, time: 10_000 };

/** `POST /api/picture`: a picture of a host, to be made a cover of; nothing else is handed on. */
export function pictureRoute(guard: Guard): RequestHandler {
  return async (incoming, response) => {
    const body = asked.safeParse(incoming.body);
    if (!body.success) return sendProblem(response, 400, { code: 'badRequest', detail: 'Send { "url": "https://…" }.' });
    try {
      const { status, type, body: bytes } = await guardedFetch(body.data.url, guard, LIMITS);
      if (status >= 400 || !TYPES.some((wanted) => wanted === type))
        return sendProblem(response, 502, { code: 'noPicture', detail: 'There is no picture at this address.' });
      response.set({ 'Content-Type': type, 'Cache-Control': 'no-store' }).send(bytes);
    } catch (error) {
      sendProblem(response, 502, { code: error instanceof Refused ? error.code : 'noAnswer' });
    }
  };
}
