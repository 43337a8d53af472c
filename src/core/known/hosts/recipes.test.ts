import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from 'vitest';
import { frameOf } from '../../teach/reproduce.ts';
import { bringIn } from '../../pipeline.ts';
import type { Settings } from '../settings/list.ts';
import { makeBook } from './book.ts';
import { cardSchema } from './card.ts';

const text = readFileSync(join(import.meta.dirname, '../../../../docs/formats/host-card-recipes.md'), 'utf8');
const blocks = [...text.matchAll(/```json\n([^]*?)```/g)].map(([, json]) => JSON.parse(json!) as object);
const claims = [...text.matchAll(/^`(\{.*\})` of `(.*)` gives `(.*)`\.$/gm)].map(([, asked, link, address]) => ({
  asked: JSON.parse(asked!) as Settings,
  link: link!,
  address: address!,
}));
const titles = [...text.matchAll(/^## (.*)$/gm)].map(([, title]) => title!);

test.each(titles.map((title, i) => [title, blocks[i + 1]!, claims[i]!] as const))('%s', (_, recipe, { asked, link, address }) => {
  const book = makeBook([cardSchema.parse({ ...blocks[0], ...recipe })]);
  expect(frameOf(link, asked, book)).toBe(address);
  // What it writes it reads.
  const [read] = bringIn(`<iframe src="${address.replaceAll('&', '&amp;')}"></iframe>`, book);
  expect(read?.item).toMatchObject({ host: 'media', captures: { id: 'k7a' }, settings: asked, unknown: [] });
});
