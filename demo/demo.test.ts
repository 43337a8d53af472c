import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { sayCardProblem } from '../src/messages/library.ts';
import { inLanguage, wordsOf } from '../src/core/known/hosts/inLanguage.ts';
import { loadCards } from '../src/core/known/hosts/loadCards.ts';
import { atOrigin, readCardFiles, readItems, readSites, WRITTEN_ORIGIN } from '../src/standins/world.ts';

const items = readItems(WRITTEN_ORIGIN);
const here = import.meta.dirname;
const PLAYING = ['video', 'audio', 'podcast', 'live', 'loop', 'recording'];
const fileOf = (id: string): string => id.replace('/', '.');

describe('the sample world', () => {
  test('has cards without a fault', () => {
    const { cards, problems } = loadCards(readCardFiles(WRITTEN_ORIGIN));
    expect(problems.map(sayCardProblem)).toEqual([]);
    expect(new Set(items.map((item) => item.host))).toEqual(new Set(cards.map((card) => card.id)));
  });

  test('says in German all that its cards say in words', () => {
    const { cards } = loadCards(readCardFiles(WRITTEN_ORIGIN));
    for (const card of cards) {
      expect(Object.keys(card.said.de ?? {}), card.id).toEqual(wordsOf(card));
      const { said, ...told } = inLanguage(card, 'de');
      expect(JSON.stringify(told)).not.toBe(JSON.stringify({ ...card, said: undefined }));
      expect(wordsOf({ ...told, said })).toEqual([...new Set(Object.values(card.said.de!))]);
      expect(inLanguage(card, 'fr')).toBe(card);
    }
  });

  test('has three sites of different columns', () => {
    const columns = readSites(WRITTEN_ORIGIN).map((site) => site.column);
    expect(new Set(columns).size).toBe(3);
  });

  test('names every item once, with a title, and a length where it has one', () => {
    expect(new Set(items.map((item) => `${item.host} ${item.id}`)).size).toBe(items.length);
    for (const { title, kind, scope, duration, pages, outline } of items) {
      expect(title.length).toBeGreaterThan(5);
      if (scope === 'item' && (kind === 'video' || kind === 'audio')) expect(duration, title).toBeGreaterThan(20);
      if (kind === 'document') expect(pages, title).toBe(outline.length);
    }
  });

  test('has the members of its collections', () => {
    for (const { host, members } of items)
      for (const member of members) expect(items.some((item) => item.host === host && item.id === member)).toBe(true);
  });

  test('has a cover for each item, and media for each that plays, all of it under six megabytes', () => {
    for (const { id, kind, scope, scene } of items) {
      expect(existsSync(join(here, 'covers', `${fileOf(id)}.webp`)), id).toBe(true);
      const plays = scene && scope === 'item' && PLAYING.includes(kind);
      if (plays)
        expect(
          ['ogg', 'webm'].some((type) => existsSync(join(here, 'media/files', `${fileOf(id)}.${type}`))),
          id,
        ).toBe(true);
    }
    const weight = (folder: string): number =>
      readdirSync(join(here, folder)).reduce((sum, file) => sum + statSync(join(here, folder, file)).size, 0);
    expect(weight('media/files') + weight('covers')).toBeLessThan(6_000_000);
  });

  test.each([
    ['http://localhost:4711', 'http://a.localhost:4711/x?u=http%3A%2F%2Fb.localhost%3A4711'],
    ['https://refenestra.test', 'https://a.refenestra.test/x?u=https%3A%2F%2Fb.refenestra.test'],
    ['https://refenestra.test:8443', 'https://a.refenestra.test:8443/x?u=https%3A%2F%2Fb.refenestra.test%3A8443'],
  ])('follows %s, in plain and in encoded addresses', (origin, placed) => {
    expect(atOrigin('http://a.localhost:4600/x?u=http%3A%2F%2Fb.localhost%3A4600', origin)).toBe(placed);
    const texts = [...readCardFiles(origin).map(({ text }) => text), JSON.stringify([readItems(origin), readSites(origin)])];
    expect(texts.join()).not.toContain('4600');
  });
});
