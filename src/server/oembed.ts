import type { RequestHandler } from 'express';
import { XMLBuilder } from 'fast-xml-parser';
import { escapeAttribute } from 'entities';
import { z } from 'zod';
import type { Settings } from '../core/known/settings/list.ts';
import type { Box } from '../core/model/plan.ts';
import { ratioOf } from '../core/model/values.ts';
import { bringIn, makeEmbed } from '../core/pipeline.ts';
import { styleFor } from '../core/known/styles/style.ts';
import type { Known } from './known.ts';
import { styleIn } from './programs.ts';
import { sendProblem } from './problems.ts';

const pixels = z.coerce.number().int().min(50).max(4000).optional();
const asked = z.object({
  url: z.string().min(1).max(4000),
  maxwidth: pixels,
  maxheight: pixels,
  format: z.string().default('json'),
  site: z.string().max(40).optional(),
});

/** Seconds for which an answer may be kept. */
const LIFETIME = 3600;

/**
 * `GET /oembed`: the code for a link that the book knows, for page editors that turn links into players by themselves
 * (oEmbed 1.0, section 2). `site` names a site that this server knows.
 */
export function oembedRoute(known: () => Known): RequestHandler {
  return ({ query }, response) => {
    const { book, sites, team } = known();
    // Any page may ask, and read why it is answered nothing.
    response.set('Access-Control-Allow-Origin', '*');
    const { data, error } = asked.safeParse(query);
    if (!data)
      return sendProblem(response, 400, {
        code: 'badRequest',
        detail: `${error.issues[0]!.path.join('.')}: ${error.issues[0]!.message}`,
      });
    // oEmbed 1.0, section 2.3.4.
    if (data.format !== 'json' && data.format !== 'xml')
      return sendProblem(response, 501, { code: 'noSuchFormat', detail: 'Answers are given as json and as xml.' });
    const site = data.site === undefined ? null : sites.find(({ id }) => id === data.site);
    if (site === undefined)
      return sendProblem(response, 404, { code: 'noSuchSite', detail: 'This server knows no site of that id.' });
    const found = bringIn(data.url, book);
    const item = found.length === 1 ? found[0]!.item : undefined;
    if (!item || item.host === null || item.frame === null)
      return sendProblem(response, 404, {
        code: 'noSuchItem',
        detail: 'No host card knows this link, or it cannot be embedded.',
      });
    const context = { book, site, facts: {} };
    const own = { ...styleFor(styleIn(null, site, team.styles), item.kind), ...item.settings };
    const { box } = makeEmbed(item, own, { ...context, form: 'responsive' }).plan;
    const settings = { ...own, ...within(box, data) };
    const answer = {
      ...(JSON.parse(makeEmbed(item, settings, { ...context, form: 'oembed' }).code.text) as object),
      provider_name: book.byId.get(item.host)!.card.name,
      cache_age: LIFETIME,
    };
    response.set('Cache-Control', `public, max-age=${LIFETIME}`);
    if (data.format === 'json') return void response.json(answer);
    const xml = new XMLBuilder({ format: true }).build({ oembed: answer });
    response.type('text/xml').send(`<?xml version="1.0" encoding="utf-8" standalone="yes"?>\n${xml}`);
  };
}

/** By this a page that hands on a link says who answers for it (oEmbed 1.0, section 4). */
export const oembedLink = (link: string, origin: string): string =>
  (['json', 'xml'] as const)
    .map((format) => {
      const address = `${origin}/oembed?${new URLSearchParams({ url: link, format }).toString()}`;
      const type = format === 'json' ? 'application/json+oembed' : 'text/xml+oembed';
      return `<link rel="alternate" type="${type}" href="${escapeAttribute(address)}">`;
    })
    .join('');

/** The box no wider and no higher than the page that asks has room for (oEmbed 1.0, section 2.2). */
function within({ width, height }: Box, { maxwidth = Infinity, maxheight = Infinity }: z.infer<typeof asked>): Settings {
  if (height.by === 'number') {
    return {
      ...(width > maxwidth && { widthMode: 'atMost', width: maxwidth }),
      ...(height.pixels > maxheight && { height: maxheight }),
    };
  }
  const most = Math.min(maxwidth, Math.floor(maxheight * ratioOf(height.ratio)));
  return width > most ? { widthMode: 'atMost', width: Math.max(50, most) } : {};
}
