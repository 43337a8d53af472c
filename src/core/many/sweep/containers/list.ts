import type { Container } from './container.ts';
import { csv } from './csv.ts';
import { html } from './html.ts';
import { json } from './json.ts';
import { markdown } from './markdown.ts';
import { xml } from './xml.ts';

/** The kinds of file that a sweep looks into; all others are left alone, and counted. */
export const CONTAINERS: readonly Container[] = [html, markdown, xml, csv, json];

/** The kind of a file by its name, or undefined where it is none of them; what stands at an address is a page. */
export function containerOf(name: string): Container | undefined {
  if (/^https?:\/\//i.test(name)) return html;
  const ending = /\.([a-z]+)$/i.exec(name)?.[1]?.toLowerCase() ?? '';
  return CONTAINERS.find(({ endings }) => endings.includes(ending));
}
