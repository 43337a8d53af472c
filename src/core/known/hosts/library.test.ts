import { describe, expect, test } from 'vitest';
import { cards } from '../../../laws/world.ts';
import { cardSchema, type HostCard } from './card.ts';
import { cardChanges, checksum, planLibrary, readLibrary, type CardFile, type Library } from './library.ts';

const [one, two] = cards as readonly [HostCard, HostCard];
const textOf = (card: object): string => JSON.stringify(card, null, 2);
const renamed = (card: HostCard): HostCard => ({ ...card, name: 'Ours' });

function shelf(...given: readonly HostCard[]): { library: Library; files: Map<string, CardFile> } {
  return {
    library: {
      format: 'refenestra-card-library/1',
      name: 'Cards',
      cards: given.map((card) => ({ id: card.id, version: 2, sha256: checksum(textOf(card)), at: `${card.id}.json` })),
    },
    files: new Map(given.map((card) => [card.id, { text: textOf(card) }])),
  };
}
const whatOf = ({ library, files }: ReturnType<typeof shelf>, here: Parameters<typeof planLibrary>[2]): string[] =>
  planLibrary(library, files, here).map(({ what }) => what);

describe('a card library', () => {
  test('is told before anything is taken', () => {
    const both = shelf(one, two);
    expect(whatOf(both, { own: [], taken: [] })).toEqual(['new', 'new']);
    expect(whatOf(both, { own: [one], taken: [] })).toEqual(['same', 'new']);
    const taken = [{ id: one.id, version: 1, card: renamed(one) }];
    expect(whatOf(both, { own: [renamed(one)], taken })).toEqual(['newer', 'new']);
    expect(whatOf(both, { own: [renamed(one)], taken: [{ ...taken[0]!, version: 3 }] })).toEqual(['older', 'new']);
  });

  test('never takes a card that somebody made or changed by hand for one that it may replace', () => {
    const both = shelf(one, two);
    expect(whatOf(both, { own: [renamed(one)], taken: [] })).toEqual(['mine', 'new']);
    const taken = [{ id: one.id, version: 1, card: { ...one, updated: '2020-01-01' } }];
    expect(whatOf(both, { own: [renamed(one)], taken })).toEqual(['mine', 'new']);
  });

  test('of two hundred cards, of which three are wrong, offers the others', () => {
    const many = Array.from({ length: 200 }, (_, i) => ({ ...one, id: `host${i}` }));
    const { library, files } = shelf(...many);
    const broken = textOf({ ...many[7]!, links: [] });
    files.set('host3', { text: `${textOf(many[3]!)} ` });
    files.set('host7', { text: broken });
    library.cards[7]!.sha256 = checksum(broken);
    files.set('host9', { why: 'tooSlow' });
    const steps = planLibrary(library, files, { own: [], taken: [] });
    expect(steps.filter(({ what }) => what === 'new')).toHaveLength(197);
    expect(steps.flatMap((step) => (step.what === 'refused' ? [[step.id, step.refusal.code]] : []))).toEqual([
      ['host3', 'changed'],
      ['host7', 'broken'],
      ['host9', 'notThere'],
    ]);
  });

  test.each([
    ['{', 'noJson'],
    ['{"format":"refenestra-card-library/9","name":"x","cards":{}}', 'newer'],
    ['{"format":"refenestra-card-library/1","name":"x","cards":[{"id":"__proto__"}]}', 'broken'],
    ['[]', 'broken'],
    [JSON.stringify({ ...shelf(one, one).library }), 'broken'],
  ])('that cannot be used is refused: %s', (text, code) => expect(readLibrary(text)).toMatchObject({ refusal: { code } }));
});

test('what would change is told part by part', () => {
  const [first, ...others] = Object.entries(one.settings);
  const { oembed, ...rest } = one;
  expect(oembed).toBeDefined();
  const after = cardSchema.parse({ ...rest, settings: Object.fromEntries(others), name: 'Ours' });
  expect(cardChanges(one, after)).toEqual(
    expect.arrayContaining([
      { at: '/name', what: 'changed' },
      { at: `/settings/${first![0]}`, what: 'removed' },
      { at: '/oembed', what: 'removed' },
    ]),
  );
  expect(cardChanges(one, one)).toEqual([]);
});
