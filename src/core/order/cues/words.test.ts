import { describe, expect, test } from 'vitest';
import { entryOf, type Cue, type Entry } from '../order.ts';
import { writeChapters } from './chapters.ts';
import { writeVtt } from './cues.ts';
import { frequentWords } from './frequent.ts';
import { fetchWords, withWords } from './named.ts';
import { paragraphsOf } from './paragraphs.ts';

const line = (text: string, i: number, who?: string): Cue => ({ from: i, until: i + 1, text, ...(who && { who }) });

describe('words that are said most', () => {
  const said = [
    'The wheel turns with the tide.',
    'The Wheel, again!',
    'and the tide turned; the wheel did not',
    'Because of 2027',
  ];
  const most = (language: string, lines = said) =>
    frequentWords(
      lines.map((text, i) => line(text, i)),
      { language, most: 3 },
    );

  test('are counted whatever case they have, with where they are said first, without those of every text', () => {
    expect(most('en')).toEqual([
      { word: 'wheel', count: 3, first: 0 },
      { word: 'tide', count: 2, first: 0 },
    ]);
  });

  test('are told apart in languages without spaces, and by the stop words of the language', () => {
    expect(most('de', ['Das Wasserrad dreht sich nicht', 'nicht das Wasserrad'])).toEqual([
      { word: 'Wasserrad', count: 2, first: 0 },
    ]);
    expect(most('ja', ['オーケストラです。', 'オーケストラ'])).toEqual([{ word: 'オーケストラ', count: 2, first: 0 }]);
    expect(most('xx', [])).toEqual([]);
  });
});

describe('what a feed names', () => {
  const entry = (id: string, given: Partial<Entry> = {}): Entry =>
    entryOf({ id, address: `https://pod.example/${id}.mp3`, ...given })!;
  const cues = [line('Hello', 1, 'Ann')];
  const chapters = [{ at: 3, title: 'Two' }];
  const pages = new Map([
    ['https://pod.example/t.vtt', writeVtt(cues)],
    ['https://pod.example/c.json', writeChapters(chapters)],
    ['https://pod.example/page', '<!doctype html><p>Not found'],
  ]);

  test('is fetched where it is not there yet, three at once at most, and what cannot be read changes nothing', async () => {
    const asked: string[] = [];
    let now = 0;
    let most = 0;
    const entries = [
      entry('both', { transcriptAt: 'https://pod.example/t.vtt', chaptersAt: 'https://pod.example/c.json' }),
      entry('there', { transcriptAt: 'https://pod.example/t.vtt', transcript: cues }),
      entry('wrong', { transcriptAt: 'https://pod.example/page', chaptersAt: 'https://pod.example/none' }),
      entry('nothing'),
      ...Array.from({ length: 7 }, (_, i) => entry(`${i}`, { chaptersAt: 'https://pod.example/c.json' })),
    ];
    const found = await fetchWords(entries, async (address) => {
      asked.push(address);
      most = Math.max(most, ++now);
      await new Promise((done) => setTimeout(done, 1));
      now--;
      return pages.get(address) ?? null;
    });
    expect(most).toBe(3);
    expect(asked).not.toContain('https://pod.example/nothing');
    const after = withWords(entries, found);
    expect(after[0]).toEqual({ ...entries[0], transcript: cues, chapters });
    expect(after.slice(1, 4)).toEqual(entries.slice(1, 4));
    expect(after.slice(4).every((one) => one.chapters.length === 1)).toBe(true);
  });
});

test('a paragraph ends where another speaks, and before it is long', () => {
  const cues = [...Array.from({ length: 30 }, (_, i) => line(`${i}`, i, 'Ann')), line('x', 40, 'Ben'), line('y', 41)];
  const paragraphs = paragraphsOf(cues);
  expect(paragraphs.map(({ who, cues: own }) => [who, own.length])).toEqual([
    ['Ann', 12],
    ['Ann', 12],
    ['Ann', 6],
    ['Ben', 1],
    [undefined, 1],
  ]);
  expect(paragraphs.flatMap(({ cues: own }) => own)).toEqual(cues);
});
