import { join } from 'node:path';
import { parse, TYPE, type MessageFormatElement } from '@formatjs/icu-messageformat-parser';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { config } from 'zod';
import english from 'zod/v4/locales/en.js';
import { sentences } from '../../scripts/sentences.ts';
import { GERMAN } from './de/german.ts';
import { bestLanguage } from './language.ts';
import type * as words from './t.ts';

const SAID = sentences(join(import.meta.dirname, '../..'));

/** Names of values and tags in a sentence. */
function namesIn(elements: readonly MessageFormatElement[]): Set<string> {
  const names = new Set<string>();
  for (const element of elements) {
    if (element.type === TYPE.literal || element.type === TYPE.pound) continue;
    names.add(element.value);
    if (element.type === TYPE.tag) namesIn(element.children).forEach((name) => names.add(name));
    if (element.type === TYPE.plural || element.type === TYPE.select)
      for (const option of Object.values(element.options)) namesIn(option.value).forEach((name) => names.add(name));
  }
  return names;
}
const namesOf = (sentence: string, ignoreTag: boolean): string[] => [...namesIn(parse(sentence, { ignoreTag }))].sort();

describe('German', () => {
  test('has every sentence, and none that nobody says', () => {
    const english = new Set(SAID.map((one) => one.english));
    expect([...english].filter((one) => !GERMAN[one])).toEqual([]);
    expect(Object.keys(GERMAN).filter((one) => !english.has(one))).toEqual([]);
  });

  test('names the same values as the English, which are those that it is given', () => {
    const wrong = SAID.flatMap(({ english, values, call }) => {
      if (values === null) return [];
      const [own, german] = [english, GERMAN[english]!].map((one) => namesOf(one, call === 't'));
      const given = [...values].sort();
      return own!.join() === german!.join() && (given.join() === own!.join() || call === 'rich')
        ? []
        : [{ english, given, own, german }];
    });
    expect(wrong).toEqual([]);
  });

  test('begins and ends with the same spaces, so that what is joined stays apart', () => {
    const edges = (text: string): string => `${/^\s*/.exec(text)![0].length} ${/\s*$/.exec(text)![0].length}`;
    expect(Object.entries(GERMAN).filter(([english, german]) => edges(english) !== edges(german))).toEqual([]);
  });
});

describe('sentences in the language of the reader', () => {
  // Modules are shared by the tests of all files: none may keep its German tables.
  afterEach(() => {
    vi.resetModules();
    config(english());
  });
  const speaking = async (language: 'en' | 'de'): Promise<typeof words> => {
    await (await import('./language.ts')).speak(language);
    return import('./t.ts');
  };

  test('are chosen by number, and names stand in their places', async () => {
    const english = '{count, plural, one {# embed} other {# embeds}}';
    const en = await speaking('en');
    expect([1, 2, 1200].map((count) => en.t(english, { count }))).toEqual(['1 embed', '2 embeds', '1,200 embeds']);
    vi.resetModules();
    const de = await speaking('de');
    expect([1, 2, 1200].map((count) => de.t(english, { count }))).toEqual([
      '1 Einbettung',
      '2 Einbettungen',
      '1.200 Einbettungen',
    ]);
    expect(de.t('Remove {name}', { name: '{mill} <b>' })).toBe('{mill} <b> entfernen');
  });

  test('reach tables that are made when their module is', async () => {
    await speaking('de');
    const { KIND_WORDS } = await import('./kinds.ts');
    const { sayFinding } = await import('./findings.ts');
    expect(KIND_WORDS.booklet).toBe('ein Heft');
    expect(sayFinding({ code: 'titleMissing', severity: 'warning' } as never)).toBe(
      'Der Frame hat keinen Titel. Screenreader sagen dann seine Adresse, oder nichts.',
    );
  });

  test('write dates, numbers and lists as its readers do', async () => {
    const { showDay, showList, showNumber, within } = await speaking('de');
    expect([showDay(new Date(2026, 9, 12)), showNumber(1234.5), showList(['a', 'b', 'c']), within('Startzeit')]).toEqual([
      '12.10.2026',
      '1.234,5',
      'a, b und c',
      'Startzeit',
    ]);
  });

  test('say what is wrong with a card, by its own schema and by Zod', async () => {
    await speaking('de');
    const { sayProblem } = await import('./problems.ts');
    const { loadCards } = await import('../core/known/hosts/loadCards.ts');
    const card = {
      ...{ format: 'refenestra-host-card/2', id: 'tin horn', name: '', updated: '2026-01-01', origins: { share: ['ftp://x'] } },
      ...{ identifiers: {}, targets: {}, said: {} },
      links: [{ id: 'page', name: 'page', target: 'song', on: ['share'], path: '/t', examples: ['https://x.example'] }],
    };
    const of = (text: string): string[] =>
      loadCards([{ name: 'x', text }]).problems.map(({ place, message }) => `${place}: ${sayProblem(message)}`);
    expect(of(JSON.stringify(card))).toEqual([
      'id: ein Name besteht aus Buchstaben, Ziffern, - und _',
      'name: Zu klein: erwartet, dass string >=1 Zeichen hat',
      'origins.share[0]: ein Ursprung besteht aus Schema und Host, etwa https://media.example oder https://*.media.example',
      'links[0].target: kein Ziel heißt „song“',
    ]);
    expect(of('[')).toEqual([': es ist kein JSON']);
    expect(of('['.repeat(300))).toEqual([': es ist tiefer als 200 Ebenen verschachtelt']);
  });

  test('what has no translation is said in English', async () => {
    const { t } = await speaking('de');
    expect(t('Nobody has translated this.')).toBe('Nobody has translated this.');
  });
});

test.each([
  [['de-AT', 'en'], 'de'],
  [['fr', 'de_DE.UTF-8'], 'de'],
  [['fr-CA'], 'en'],
  [['C'], 'en'],
  [['constructor'], 'en'],
  [[], 'en'],
])('of the languages %j, %s is spoken', (read, spoken) => expect(bestLanguage(read)).toBe(spoken));
