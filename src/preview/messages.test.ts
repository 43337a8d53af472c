import { expect, test } from 'vitest';
import { fromPreview, toPreview } from './messages.ts';

const looks = {
  language: 'en',
  column: 720,
  margin: 24,
  family: 'serif',
  size: 17,
  text: '#000000',
  ground: '#ffffff',
  sample: { heading: '', before: '', caption: '', after: '' },
};

test('what the two pages say to each other is understood, and nothing else', () => {
  expect(toPreview.safeParse({ kind: 'show', code: '<iframe></iframe>', looks }).success).toBe(true);
  expect(toPreview.safeParse({ kind: 'show', code: 7, looks }).success).toBe(false);
  expect(toPreview.safeParse({ kind: 'run', code: 'alert(1)' }).success).toBe(false);
  expect(fromPreview.safeParse({ kind: 'player', data: { anything: 'at all' } }).success).toBe(true);
  expect(fromPreview.safeParse({ kind: 'layout', embed: null, column: {}, bottom: 1 }).success).toBe(false);
  expect(fromPreview.safeParse('open').success).toBe(false);
});
