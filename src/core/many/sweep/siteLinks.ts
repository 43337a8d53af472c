import { decodeHTML, decodeXML } from 'entities';

/** Addresses of the same site that a page links to, without fragments, each once; rel="nofollow" is left out. */
export function linksIn(page: string, address: string): string[] {
  const base = new URL(address);
  const links = new Set<string>();
  for (const [tag] of page.matchAll(/<a\s[^<>]{1,4000}>/gi)) {
    const [, double, single, bare] = /\bhref\s*=\s*(?:"([^"]*)"|'([^']*)'|([^\s"'>]+))/i.exec(tag) ?? [];
    const written = double ?? single ?? bare;
    if (written === undefined || /\brel\s*=\s*["']?[^"'>]*\bnofollow\b/i.test(tag)) continue;
    const link = pageOf(decodeHTML(written.trim()), base);
    if (link) links.add(link);
  }
  return [...links];
}

/** What a sitemap names (Sitemaps 0.90): pages, and further sitemaps; a text has one address a line. */
export function sitemapIn(text: string): { pages: string[]; maps: string[] } {
  if (/<(?:urlset|sitemapindex)\b/i.test(text)) {
    const found = { pages: [] as string[], maps: [] as string[] };
    let within: 'pages' | 'maps' | null = null;
    for (const [, element, loc] of text.matchAll(/<(url|sitemap)\b[^<>]*>|<loc>([^<]*)<\/loc>/gi)) {
      if (element !== undefined) within = element.toLowerCase() === 'url' ? 'pages' : 'maps';
      else if (within) {
        found[within].push(decodeXML(loc!.trim()));
        within = null;
      }
    }
    return found;
  }
  return { pages: text.split(/\s+/).filter((line) => /^https?:\/\//i.test(line)), maps: [] };
}

/** Files that hold no page. */
const NO_PAGE =
  /\.(?:jpe?g|png|gif|webp|avif|svg|ico|pdf|zip|gz|mp[34]|m4[av]|webm|og[gv]|wav|css|js|mjs|json|xml|txt|woff2?|docx?|xlsx?|pptx?|epub|ics|vtt|srt)$/i;

/** The address of a page of the same site, without its fragment; null for anything else. */
export function pageOf(link: string, base: URL): string | null {
  if (!URL.canParse(link, base)) return null;
  const url = new URL(link, base);
  if (url.host !== base.host || !/^https?:$/.test(url.protocol) || url.username !== '' || NO_PAGE.test(url.pathname)) return null;
  url.hash = '';
  return url.href;
}

/** What addresses have in common that differ by numbers alone, such as days of a calendar. */
export const shapeOf = (address: string): string => address.replace(/\d+/g, '0');
