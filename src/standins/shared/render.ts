import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import mustache from 'mustache';

/** A page template of a stand-in; every value is escaped by the template library. */
export function template(folder: string, name: string): (view: object) => string {
  const source = readFileSync(join(folder, name), 'utf8');
  mustache.parse(source);
  return (view) => mustache.render(source, view);
}

/** Data for a script in the page. `<` is written so that no text of it can end the script element. */
export const asJson = (data: unknown): string => JSON.stringify(data).replaceAll('<', '\\u003c');
