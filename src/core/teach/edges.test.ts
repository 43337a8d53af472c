import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { runs } from '../../laws/world.ts';
import { makeBook } from '../known/hosts/book.ts';
import type { HostCard } from '../known/hosts/card.ts';
import { piecesOf, withEdge, type MovedEdge } from './edges.ts';
import { learn } from './learn.ts';
import { itemOf } from './plain.ts';
import { frameOf } from './reproduce.ts';

const of = (id: string) => ({
  link: `https://media.example/see/film-${id}`,
  code: `<iframe src="https://play.media.example/e/film-${id}"></iframe>`,
});
const { card } = learn([of('k1a44'), of('k9b55')], { today: '2026-11-29' });
const linkOf = (one: HostCard) => one.links.find(({ framed }) => !framed)!;
const name = Object.keys(card!.identifiers)[0]!;
const edge = (side: MovedEdge['side'], by: number): MovedEdge => ({ link: linkOf(card!).id, name, side, by });
const drawn = (one: HostCard): string => {
  const [example] = linkOf(one).examples;
  const captures = itemOf(example!, makeBook([one]))!.captures;
  return piecesOf(linkOf(one), example!, captures)
    .map(({ text, name: held }) => (held === null ? text : `[${text}]`))
    .join('');
};

describe('the edge of a part', () => {
  test('goes inward over what all examples share, and back', () => {
    const before = drawn(card!);
    const shorter = withEdge(card!, edge('start', 1))!;
    expect(drawn(shorter)).toBe(before.replace(/\[(.)/, '$1['));
    expect(frameOf('https://media.example/see/film-k7777', {}, makeBook([shorter]))).toBe(
      'https://play.media.example/e/film-k7777',
    );
    expect(drawn(withEdge(shorter, edge('start', -1))!)).toBe(before);
  });

  test('goes neither over what differs, nor over the end of its segment, nor where nothing would be left', () => {
    expect(withEdge(card!, edge('end', -1), [of('k9b55').link])).toBeNull();
    expect(withEdge(card!, edge('start', -60))).toBeNull();
    expect(withEdge(card!, edge('start', 60))).toBeNull();
    expect(withEdge(card!, edge('start', 0))).toBeNull();
    expect(withEdge(card!, { ...edge('start', 1), name: 'constructor' })).toBeNull();
  });

  test('wherever it is put, the examples make the frames that they made, or it stays', () => {
    const identifier = fc.stringMatching(/^[a-z][a-z0-9-]{3,9}$/);
    fc.assert(
      fc.property(identifier, identifier, fc.constantFrom('start' as const, 'end' as const), fc.integer(), (a, b, side, n) => {
        const learnt = learn([of(a), of(b)], { today: '2026-11-29' }).card;
        fc.pre(learnt !== null);
        for (const held of Object.keys(learnt.identifiers)) {
          const moved = withEdge(learnt, { link: linkOf(learnt).id, name: held, side, by: (n % 7) - 3 }, [
            of(a).link,
            of(b).link,
          ]);
          for (const { link, code } of moved ? [of(a), of(b)] : [])
            expect(`<iframe src="${frameOf(link, {}, makeBook([moved!]))}"></iframe>`).toBe(code);
        }
      }),
      runs(100),
    );
  });
});
