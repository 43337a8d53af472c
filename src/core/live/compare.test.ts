import { expect, test } from 'vitest';
import { sayDifference } from '../../messages/reading.ts';
import { bringIn } from '../pipeline.ts';
import { book } from '../../laws/world.ts';
import { compareCodes } from './compare.ts';

const FRAME = 'http://frames.lanternreel.localhost:4600/f/k7wq2m9d';
const rows = (before: string, after: string): string[] =>
  compareCodes(bringIn(before, book)[0]!, bringIn(after, book)[0]!).map(sayDifference);

test('two codes that say the same have no difference, however they are written', () => {
  expect(rows(`<iframe src="${FRAME}?from=90"></iframe>`, `<IFRAME SRC='${FRAME}?from=1m30s'></IFRAME>`)).toEqual([]);
});

test('settings, parameters, attributes and permissions are told in words', () => {
  expect(
    rows(
      `<iframe src="${FRAME}?from=9&amp;glow=1&amp;ref=x" data-k="1" allow="camera"></iframe>`,
      `<iframe src="${FRAME}?from=20&amp;glow=2&amp;after=own" data-k="2" allow="microphone"></iframe>`,
    ),
  ).toEqual([
    'start time: begins at 0:09 → begins at 0:20',
    'suggestions at the end: suggests anything → suggests its own channel',
    'permissions: may use camera → may use microphone',
    'the parameter glow has another value',
    'the parameter ref is gone',
    'the attribute data-k has another value',
  ]);
});

test('another item is another address', () => {
  expect(rows(FRAME, FRAME.replace('k7wq2m9d', 'f3rryday'))).toEqual(['the frame is loaded from another address']);
});
