import fc from 'fast-check';
import { expect, test } from 'vitest';
import { runs } from '../../laws/world.ts';
import { entryOf, type Entry } from './order.ts';
import { hasParts, headingsIn, intoChapters } from './split.ts';

const SECONDS = 600;
const lecture: fc.Arbitrary<Entry> = fc
  .record({
    from: fc.option(fc.nat(SECONDS / 2), { nil: undefined }),
    until: fc.option(fc.integer({ min: SECONDS / 2 + 1, max: SECONDS }), { nil: undefined }),
    chapters: fc.uniqueArray(fc.record({ at: fc.nat(SECONDS), title: fc.constantFrom('A', 'B', 'C') }), {
      selector: ({ at }) => at,
      maxLength: 12,
    }),
    lines: fc.uniqueArray(fc.nat(SECONDS), { maxLength: 30 }),
  })
  .map(({ lines, chapters, ...rest }) =>
    entryOf({
      ...rest,
      id: 'lecture',
      address: 'https://media.example/a.mp3',
      title: 'A lecture',
      seconds: SECONDS,
      chapters: [...chapters].sort((a, b) => a.at - b.at),
      transcript: lines.sort((a, b) => a - b).map((from) => ({ from, until: from + 1, text: `line ${from}` })),
    })!,
  );

test('a lecture in its chapters is as long as it was, without a gap, and no moment is in two', () =>
  fc.assert(
    fc.property(lecture, (whole) => {
      const parts = intoChapters(whole);
      expect(parts.length > 1).toBe(hasParts(whole));
      expect(parts[0]!.from ?? 0).toBe(whole.from ?? 0);
      expect(parts.at(-1)!.until).toBe(whole.until);
      parts.slice(1).forEach((part, i) => expect(part.from).toBe(parts[i]!.until));
      for (const { from = 0, until = Infinity } of parts) expect(until).toBeGreaterThan(from);
      expect(new Set(parts.map(({ id }) => id)).size).toBe(parts.length);
      // Every line that is heard is read with the part in which it is heard.
      const heard = whole.transcript.filter((line) => line.from < (whole.until ?? Infinity) && line.until > (whole.from ?? 0));
      expect(new Set(parts.flatMap(({ transcript }) => transcript.map(({ text }) => text)))).toEqual(
        new Set(heard.map(({ text }) => text)),
      );
    }),
    runs(300),
  ));

test('the title of each part is that of its chapter, and what stands before the first keeps that of the whole', () => {
  const whole = entryOf({
    id: 'l',
    address: 'https://media.example/a.mp3',
    title: 'A lecture',
    chapters: [
      { at: 60, title: 'The pond' },
      { at: 90, title: 'The wheel' },
    ],
  })!;
  expect(intoChapters(whole).map(({ title, from, until }) => [title, from, until])).toEqual([
    ['A lecture', undefined, 60],
    ['The pond', 60, 90],
    ['The wheel', 90, undefined],
  ]);
  expect(intoChapters({ ...whole, from: 70, until: 80 }).map(({ title, from, until }) => [title, from, until])).toEqual([
    ['The pond', 70, 80],
  ]);
});

test('headings of a transcript are lines that stand over what follows, and no sentences', () => {
  const said = [
    '# The pond',
    'Twice a day the estuary fills it.',
    'Chapter 2: The wheel',
    'chapter 2 is about the wheel, which turns,',
    'PART IV',
    'THE SLUICE AND THE FERRY',
    'BBC',
    'No.',
    'Teil 3',
    `# ${'far too long to be a heading '.repeat(5)}`,
  ];
  const transcript = said.map((text, i) => ({ from: i * 10, until: i * 10 + 9, text }));
  expect(headingsIn(transcript)).toEqual([
    { at: 0, title: 'The pond' },
    { at: 20, title: 'Chapter 2: The wheel' },
    { at: 40, title: 'PART IV' },
    { at: 50, title: 'THE SLUICE AND THE FERRY' },
    { at: 80, title: 'Teil 3' },
  ]);
});
