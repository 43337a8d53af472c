import { XMLParser } from 'fast-xml-parser';
import { Parser } from 'htmlparser2';

/** What a page says of its own player, in the three standards that pages use. Texts, never markup of ours. */
export interface PageData {
  oembed: { json: string | null; xml: string | null };
  /** Open Graph, by property; the first of each. */
  openGraph: Readonly<Record<string, string>>;
  /** JSON-LD blocks, parsed. */
  jsonLd: readonly unknown[];
}

/** Reads the head data of a page: oEmbed discovery (oEmbed 1.0, section 4), Open Graph, JSON-LD (schema.org). */
export function readPageData(html: string): PageData {
  const oembed: { json: string | null; xml: string | null } = { json: null, xml: null };
  const openGraph: Record<string, string> = {};
  const jsonLd: unknown[] = [];
  let block: string | null = null;
  const parser = new Parser({
    onopentag(name, { rel, type, href, property, content }) {
      if (name === 'link' && rel?.toLowerCase().split(/\s+/).includes('alternate') && href) {
        if (type === 'application/json+oembed') oembed.json ??= href;
        if (type === 'text/xml+oembed' || type === 'application/xml+oembed') oembed.xml ??= href;
      }
      if (name === 'meta' && property?.startsWith('og:') && content !== undefined && !Object.hasOwn(openGraph, property))
        openGraph[property] = content;
      if (name === 'script') block = type === 'application/ld+json' ? '' : null;
    },
    ontext(text) {
      if (block !== null) block += text;
    },
    onclosetag(name) {
      if (name === 'script' && block) jsonLd.push(...parseJson(block));
      if (name === 'script') block = null;
    },
  });
  parser.end(html);
  return { oembed, openGraph, jsonLd };
}

function parseJson(text: string): unknown[] {
  try {
    return [JSON.parse(text) as unknown];
  } catch {
    return [];
  }
}

/** An oEmbed answer in XML (oEmbed 1.0, section 2.3.4.2): one element, its fields as children. */
export function parseOEmbedXml(text: string): unknown {
  // No entities beyond the five of XML: an answer has no business with others.
  const parsed = new XMLParser({ processEntities: true, htmlEntities: true, ignoreAttributes: true, parseTagValue: true }).parse(
    text.replace(/<!DOCTYPE[^>]*>/gi, ''),
  ) as {
    oembed?: unknown;
  };
  return parsed.oembed ?? null;
}
