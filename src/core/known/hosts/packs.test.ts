import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { runs } from '../../../laws/world.ts';
import type { Pack } from './card.ts';
import { joinPack, splitPack, type Member } from './packs.ts';

const pack = (more: Partial<Pack>): Pack => ({
  in: 'query',
  name: 'p',
  as: 'pairs',
  separator: ';',
  equals: ':',
  base64url: false,
  order: [],
  fixed: {},
  ...more,
});
const name = fc.stringMatching(/^[a-z]{1,6}$/).filter((one) => one !== 'proto');
const members = (text: fc.Arbitrary<string>): fc.Arbitrary<Member[]> =>
  fc.uniqueArray(fc.record({ name, text }), { selector: (one) => one.name, minLength: 1, maxLength: 6 });

describe('what a pack holds', () => {
  test.each<[string, Pack, fc.Arbitrary<string>]>([
    ['pairs', pack({}), fc.stringMatching(/^[a-z0-9.]{0,8}$/)],
    ['pairs with brackets in their values', pack({ separator: ',' }), fc.constantFrom('rgb(1,2,3)', '', '72')],
    ['JSON', pack({ as: 'json' }), fc.constantFrom('true', '72', '#c00', 'a "b" \\', 'é☃', 'null')],
    ['encoded JSON', pack({ as: 'json', base64url: true }), fc.constantFrom('false', '0.5', 'ß?&=', '1e9')],
  ])('%s come out as they went in', (_, of, text) => {
    fc.assert(
      fc.property(members(text), (held) => {
        const found = splitPack(of, joinPack(of, held))!.map(({ name: key, text: value }) => [key, value]);
        expect(found).toEqual(held.map(({ name: key, text: value }) => [key, value]));
      }),
      runs(200),
    );
  });

  test('values by their place leave holes where nothing is', () => {
    const range = pack({ as: 'places', separator: ',' });
    expect(joinPack(range, [{ name: '1', text: '20' }])).toBe(',20');
    expect(splitPack(range, ',20')).toEqual([{ name: '1', text: '20' }]);
  });

  test('what must be in it is written and not told again, in the order of the host', () => {
    const cfg = pack({ as: 'json', fixed: { v: '2' }, order: ['t', 'v'] });
    expect(joinPack(cfg, [{ name: 't', text: '5' }])).toBe('{"t":5,"v":2}');
    expect(splitPack(cfg, '{"t":5,"v":2}')).toEqual([{ name: 't', text: '5' }]);
  });

  test('text that looks like a number stays text where it was', () => {
    const [held] = splitPack(pack({ as: 'json' }), '{"t":"5"}')!;
    expect(joinPack(pack({ as: 'json' }), [held!])).toBe('{"t":"5"}');
  });

  test.each(['', '{', '[1]', '7', 'null', '"a"', '{"a":', 'eyJh', '%%%'])('%j is no JSON object', (text) => {
    expect(splitPack(pack({ as: 'json' }), text)).toBeNull();
    expect(splitPack(pack({ as: 'json', base64url: true }), text)).toBeNull();
  });
});
