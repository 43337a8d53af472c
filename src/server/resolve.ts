import type { RequestHandler } from 'express';
import { lookup as systemLookup } from 'node:dns';
import { Agent, request } from 'undici';
import { parseTemplate } from 'url-template';
import { z } from 'zod';
import type { HostBook } from '../core/hosts/book.ts';
import type { Facts } from '../core/model/item.ts';
import { bringIn } from '../core/pipeline.ts';
import { factsFrom } from './facts.ts';

const asked = z.strictObject({ url: z.url({ protocol: /^https?$/ }).max(4000) });

const LONGEST_ANSWER = 256 * 1024;
const LONGEST_WAIT = 5_000;

/** Node does not resolve `*.localhost`, browsers do (RFC 6761, section 6.3). */
const agent = new Agent({
  connect: {
    lookup: (name, options, done) =>
      name === 'localhost' || name.endsWith('.localhost')
        ? options.all
          ? done(null, [{ address: '127.0.0.1', family: 4 }])
          : done(null, '127.0.0.1', 4)
        : systemLookup(name, options, done),
  },
});

/**
 * `POST /api/resolve` with `{ "url": … }`: what the host's oEmbed endpoint says of a link, as facts.
 * Only endpoints of loaded cards are asked, and only on the origins given.
 */
export function resolveRoute(book: HostBook, origins: ReadonlySet<string>): RequestHandler {
  return async (incoming, response) => {
    const body = asked.safeParse(incoming.body);
    if (!body.success) return void response.status(400).json({ error: 'badRequest', message: 'Send { "url": "https://…" }.' });
    const [found] = bringIn(body.data.url, book);
    const card = found?.item?.host ? book.byId.get(found.item.host)?.card : undefined;
    if (!found?.item || !card?.oembed) return void response.json({ facts: {} });
    const endpoint = parseTemplate(card.oembed.endpoint).expand({ url: found.item.canonical });
    if (!origins.has(new URL(endpoint).origin)) return void response.json({ facts: {} });
    try {
      response.json({ facts: factsFrom(await askJson(endpoint), card.oembed) satisfies Facts });
    } catch (error) {
      incoming.log.warn({ error, endpoint }, 'oEmbed did not answer');
      response.json({ facts: {} });
    }
  };
}

async function askJson(endpoint: string): Promise<unknown> {
  const answer = await request(endpoint, { dispatcher: agent, headersTimeout: LONGEST_WAIT, bodyTimeout: LONGEST_WAIT });
  const tooLong = Number(answer.headers['content-length'] ?? 0) > LONGEST_ANSWER;
  if (answer.statusCode !== 200 || tooLong || !String(answer.headers['content-type']).includes('json')) {
    await answer.body.dump();
    throw new Error(`answered ${answer.statusCode}`);
  }
  let text = '';
  for await (const chunk of answer.body) {
    text += String(chunk);
    if (text.length > LONGEST_ANSWER) throw new Error('the answer is too long');
  }
  return JSON.parse(text);
}
