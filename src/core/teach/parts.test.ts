import { expect, test } from 'vitest';
import { makeBook } from '../known/hosts/book.ts';
import { learn } from './learn.ts';
import { partsOf, withParts, type SaidPart } from './parts.ts';
import { frameOf, madeOf } from './reproduce.ts';
import { itemOf } from './plain.ts';

const play = 'https://play.media.example';
const of = (maker: string, id: string) => ({
  link: `https://media.example/${maker}/see/${id}`,
  code: `<iframe src="${play}/${id}"></iframe>`,
});
const { card } = learn([of('mill', 'k1a44'), of('mill', 'z9b55')], { today: '2026-11-26' });
const link = card!.links.find(({ framed }) => !framed)!;
const say = (segment: number, is: SaidPart['is']): SaidPart => ({ link: link.id, segment, is });

test('the parts of a link are told for what they are', () => {
  expect(partsOf(card!, link)).toEqual([
    { text: 'mill', is: 'same' },
    { text: 'see', is: 'same' },
    { text: 'k1a44', is: 'item' },
  ]);
});

test('a part that is any text takes any text from then on, and stands in the link of the item', () => {
  const other = 'https://media.example/bakehouse/see/q4c66';
  expect(frameOf(other, {}, makeBook([card!]))).toBeNull();
  const said = withParts(card!, [say(0, 'any')]);
  expect(madeOf(other, {}, makeBook([said]))?.frame).toBe(`${play}/q4c66`);
  expect(itemOf(other, makeBook([said]))!.canonical).toBe(other);
  expect(
    partsOf(
      said,
      said.links.find(({ id }) => id === link.id)!,
    )[0],
  ).toEqual({ text: 'mill', is: 'any' });
  expect(withParts(said, [say(0, 'same')]).links).toEqual(card!.links);
});

test('what names the item stays, and what is not there changes nothing', () => {
  for (const one of [say(2, 'any'), say(9, 'any'), { ...say(0, 'any'), link: 'none' }])
    expect(withParts(card!, [one])).toEqual(card);
});
