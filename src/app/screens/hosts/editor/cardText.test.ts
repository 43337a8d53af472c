import { expect, test } from 'vitest';
import { readCardFiles, WRITTEN_ORIGIN } from '../../../../standins/world.ts';
import { checkCardText } from './cardText.ts';

const { text } = readCardFiles(WRITTEN_ORIGIN).find(({ name }) => name === 'waymoss.json')!;

test('a card in order is the card', () => {
  expect(checkCardText(text)).toMatchObject({ card: { id: 'waymoss' }, problems: [] });
});

test.each([
  ['a wrong value, at the value', text.replace('"target": "spot"', '"target": "spit"'), '"spit"'],
  ['a wrong shape, at the shape', text.replace('"[0-9.-]{1,12}"', '"(a+)+"'), '"(a+)+"'],
  ['what is missing, at what should hold it', text.replace('"updated": "2026-05-27",', ''), '{'],
])('%s', (_, wrong, at) => {
  const { card, problems } = checkCardText(wrong);
  expect(card).toBeNull();
  expect(wrong.slice(problems[0]!.at).startsWith(at)).toBe(true);
  expect(problems[0]!.line).toBe(wrong.slice(0, problems[0]!.at).split('\n').length);
});

test('what is not JSON, at the place where it ceases to be', () => {
  const { problems } = checkCardText('{\n  "a": 1,\n  b: 2\n}');
  expect(problems[0]).toMatchObject({ line: 3 });
});
