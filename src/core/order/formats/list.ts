import type { Found } from '../order.ts';
import { csv } from './csv.ts';
import { FEEDS } from './feeds.ts';
import type { OrderFormat } from './format.ts';
import { m3u } from './m3u.ts';
import { xspf } from './xspf.ts';

/** The open formats, in the order in which a text is held against them. */
export const FORMATS: readonly OrderFormat[] = [...FEEDS, xspf, m3u, csv];

/** What a text in one of the formats holds; null where it is of none, or cannot be read. */
export function readOrder(text: string, base?: string): (Found & { format: string }) | null {
  const format = FORMATS.find(({ is }) => is(text));
  const found = format?.read(text, base);
  return found && format ? { ...found, format: format.id } : null;
}
