import { expect, test } from 'vitest';
import { bringIn } from '../../../core/pipeline.ts';
import { book } from '../../../laws/world.ts';
import { troublesOf } from './codeTroubles.ts';

const of = (text: string): { at: string; severity: string; words: string }[] =>
  troublesOf({ text, ...bringIn(text, book)[0]! }).map(({ range, severity, words }) => ({
    at: text.slice(...range),
    severity,
    words,
  }));

test('code in order has no trouble, and neither has none', () => {
  expect(of('<iframe src="http://frames.lanternreel.localhost:4600/f/k7wq2m9d"></iframe>')).toEqual([]);
  expect(troublesOf(null)).toEqual([]);
});

test('what is refused is an error at its address', () => {
  const [trouble] = of('<iframe src="http://frames.lanternreel.localhost:4600/f/k7"></iframe>');
  expect(trouble).toMatchObject({ at: 'http://frames.lanternreel.localhost:4600/f/k7', severity: 'error' });
  expect(trouble!.words).toContain('is not complete');
});

test('what was put right is a warning', () => {
  expect(of('<iframe src="https://media.example/a?b=1?c=2"></iframe>')).toEqual([
    { at: 'https://media.example/a?b=1?c=2', severity: 'warning', words: 'a second ? stands in the address, where & was meant' },
  ]);
});
