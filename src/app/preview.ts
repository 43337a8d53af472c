import type { Site } from '../core/model/site.ts';
import type { Looks } from '../preview/messages.ts';

/** Origin of the page in which embeds are shown. */
export const PREVIEW =
  globalThis.document?.querySelector<HTMLMetaElement>('meta[name=preview]')?.content ?? 'http://preview.localhost';

/** How a site's page looks to visitors by day, or by night where it follows them. */
export function looksOf(site: Site, night: boolean): Looks {
  const { language, column, margin, typeface, sample, followsTheme } = site;
  return {
    language,
    column,
    margin,
    family: typeface.family,
    size: typeface.size,
    ...(night && followsTheme ? site.dark : site.light),
    sample,
  };
}
