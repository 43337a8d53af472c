import type { RequestHandler } from 'express';
import { parseTemplate } from 'url-template';
import { z } from 'zod';
import { endpointFor } from '../core/known/hosts/providers.ts';
import type { Facts } from '../core/model/item.ts';
import { bringIn } from '../core/pipeline.ts';
import { answerText } from './answerText.ts';
import { factsFrom } from './facts.ts';
import type { Known } from './known.ts';
import { type Answers, secondsOf, type Fresh } from './answers.ts';
import { guardedFetch, Refused, type Fetched, type Guard, type Limits } from './guard.ts';
import { sendProblem } from './problems.ts';
import { parseOEmbedXml, readPageData, type PageData } from './pageData.ts';

const asked = z.strictObject({
  url: z.url({ protocol: /^https?$/ }).max(4000),
  /** Endpoint of an imported provider list, for a link of no card. */
  endpoint: z
    .url({ protocol: /^https?$/ })
    .max(4000)
    .optional(),
  /** Width of the site's column, in pixels. */
  maxwidth: z.number().int().min(50).max(4000).optional(),
});
type Asked = z.infer<typeof asked>;

interface ResolveParts {
  known: () => Known;
  guard: Guard;
  answers: Answers<Resolved>;
  limit: readonly RequestHandler[];
}

/** What was found out about a link: facts, and the player that its page names. */
export interface Resolved {
  facts: Facts;
  /** Embed code or address, as text, to be read like anything that is pasted. */
  found: { by: 'oembed' | 'openGraph' | 'jsonLd'; text: string } | null;
  /** Why there is no more, where asking failed. */
  refused: string | null;
}

const PAGE: Limits = { types: ['text/html', 'application/xhtml+xml'], size: 2_000_000, time: 8000 };
const JSON_ANSWER: Limits = { types: ['application/json', 'text/json'], size: 256 * 1024, time: 5000 };
const XML_ANSWER: Limits = { types: ['text/xml', 'application/xml'], size: 256 * 1024, time: 5000 };
/** Code longer than this embeds nothing in earnest. */
const LONGEST_CODE = 20_000;

/**
 * `POST /api/resolve`: what is known of a link. First the oEmbed endpoint of its card; for a link of no card
 * the endpoint of the provider list, then what its page declares: oEmbed, Open Graph video, JSON-LD.
 */
export function resolveRoute({ known, guard, answers, limit }: ResolveParts): RequestHandler[] {
  const ask: RequestHandler = async (incoming, response) => {
    const body = asked.safeParse(incoming.body);
    if (!body.success) return sendProblem(response, 400, { code: 'badRequest', detail: 'Send { "url": "https://…" }.' });
    try {
      response.json(await answers.ask(body.data, () => resolve(body.data, known(), guard)));
    } catch (error) {
      const refused = error instanceof Refused ? error.code : 'noAnswer';
      incoming.log.warn({ error, url: body.data.url }, 'nothing was found out');
      response.json({ facts: {}, found: null, refused } satisfies Resolved);
    }
  };
  return [answers.known, ...limit, ask];
}

const NOTHING: Fresh<Resolved> = { answer: { facts: {}, found: null, refused: null }, seconds: 0 };

/** Asks for one link; throws `Refused` where its host is not heard. */
export async function resolve(wanted: Asked, { book, team }: Known, guard: Guard): Promise<Fresh<Resolved>> {
  const item = bringIn(wanted.url, book)[0]?.item;
  const card = item?.host ? book.byId.get(item.host)?.card : undefined;
  if (item && card) {
    if (!card.oembed) return NOTHING;
    const values = { url: item.canonical, ...(wanted.maxwidth && { maxwidth: wanted.maxwidth }) };
    const endpoint = parseTemplate(card.oembed.endpoint).expand(values);
    const fetched = await guardedFetch(endpoint, guard, JSON_ANSWER);
    const data = JSON.parse(answerText(fetched)) as unknown;
    return {
      answer: { facts: factsFrom(data, card.oembed), found: null, refused: null },
      seconds: secondsFor(data, fetched),
    };
  }
  const endpoint = wanted.endpoint ?? endpointFor(wanted.url, team.providers);
  if (endpoint !== undefined && URL.canParse(endpoint)) {
    const found = await askEndpoint(withParameters(endpoint, wanted), 'json', guard).catch(() => null);
    if (found?.answer.found) return found;
  }
  return resolvePage(wanted, guard);
}

const aged = z.looseObject({ cache_age: z.coerce.number().min(0) });

/** Seconds for which an oEmbed answer holds: what it suggests itself (oEmbed 1.0, section 2.3.4), or what its headers say. */
const secondsFor = (data: unknown, fetched: Fetched): number => aged.safeParse(data).data?.cache_age ?? secondsOf(fetched);

function withParameters(endpoint: string, { url, maxwidth }: Asked): string {
  const address = new URL(endpoint);
  if (!address.searchParams.has('url')) address.searchParams.set('url', url);
  if (maxwidth) address.searchParams.set('maxwidth', String(maxwidth));
  return address.href;
}

async function resolvePage(wanted: Asked, guard: Guard): Promise<Fresh<Resolved>> {
  const page = await guardedFetch(wanted.url, guard, PAGE);
  const data = readPageData(answerText(page));
  const { json, xml } = data.oembed;
  for (const [link, format] of [
    [json, 'json'],
    [xml, 'xml'],
  ] as const) {
    if (!link || !URL.canParse(link, page.url)) continue;
    const found = await askEndpoint(withParameters(new URL(link, page.url).href, wanted), format, guard).catch(() => null);
    if (found?.answer.found) return { ...found, seconds: Math.min(found.seconds, secondsOf(page)) };
  }
  return { answer: fromOpenGraph(data) ?? fromJsonLd(data) ?? NOTHING.answer, seconds: secondsOf(page) };
}

const codeAnswer = z.looseObject({ html: z.string().max(LONGEST_CODE).optional().catch(undefined) });

/** Asks an oEmbed endpoint; its code is handed on as text, for the reader. */
async function askEndpoint(address: string, format: 'json' | 'xml', guard: Guard): Promise<Fresh<Resolved>> {
  const fetched = await guardedFetch(address, guard, format === 'json' ? JSON_ANSWER : XML_ANSWER);
  const text = answerText(fetched);
  const data = format === 'json' ? (JSON.parse(text) as unknown) : parseOEmbedXml(text);
  const html = codeAnswer.safeParse(data).data?.html;
  const facts = factsFrom(data, { endpoint: address, duration: { at: 'duration', unit: 's' } });
  return {
    answer: { facts, found: html ? { by: 'oembed', text: html } : null, refused: null },
    seconds: secondsFor(data, fetched),
  };
}

const webAddress = z.url({ protocol: /^https?$/ }).max(4000);
const short = z.string().max(300).optional().catch(undefined);

/** Open Graph: the address of a player, where its type is that of a page. */
function fromOpenGraph({ openGraph }: PageData): Resolved | null {
  const player = openGraph['og:video:secure_url'] ?? openGraph['og:video:url'] ?? openGraph['og:video'];
  const type = openGraph['og:video:type'] ?? 'text/html';
  const address = webAddress.safeParse(player).data;
  if (!address || !/^(?:text\/html|video\/)/.test(type)) return null;
  return { facts: { title: short.parse(openGraph['og:title']) }, found: { by: 'openGraph', text: address }, refused: null };
}

/** schema.org: `embedUrl` of a VideoObject, an AudioObject or their kin, wherever it stands. */
function fromJsonLd({ jsonLd }: PageData): Resolved | null {
  const queue = [...jsonLd];
  for (let looked = 0; queue.length > 0 && looked < 2000; looked++) {
    const node = queue.shift();
    if (typeof node !== 'object' || node === null) continue;
    const { embedUrl, name } = node as Record<string, unknown>;
    const address = webAddress.safeParse(embedUrl).data;
    if (address) return { facts: { title: short.parse(name) }, found: { by: 'jsonLd', text: address }, refused: null };
    queue.push(...(Object.values(node) as unknown[]));
  }
  return null;
}
