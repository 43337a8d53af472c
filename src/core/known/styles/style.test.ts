import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { savedSchema } from '../../keeping/shelf/saved.ts';
import { emptyWork } from '../../keeping/shelf/work.ts';
import { restyled } from '../../keeping/shelf/restyle.ts';
import {
  canBeStyle,
  carriedTo,
  emptyStyle,
  ruleFor,
  styleFor,
  styleSchema,
  withoutRule,
  withRule,
  type HouseStyle,
} from './style.ts';

const related = { kind: 'video', setting: 'related', value: 'same' } as const;
const style = withRule(withRule(emptyStyle('mill'), { ...related, reason: 'no others’' }), {
  kind: 'video',
  setting: 'accent',
  value: '#2f6f7e',
});

describe('a house style', () => {
  test('speaks for its kinds alone, and keeps its reasons when a value changes', () => {
    expect(styleFor(style, 'video')).toEqual({ related: 'same', accent: '#2f6f7e' });
    expect([styleFor(style, 'audio'), styleFor(undefined, 'video')]).toEqual([{}, {}]);
    const changed = withRule(style, { ...related, value: 'none' });
    expect(ruleFor(changed, 'video', 'related')).toMatchObject({ value: 'none', reason: 'no others’' });
    expect(styleFor(withoutRule(changed, 'video', 'related'), 'video')).toEqual({ accent: '#2f6f7e' });
  });

  test('is carried to another site without what only the first one has', () => {
    expect(carriedTo(style, 'ferry')).toEqual({ ...style, site: 'ferry', rules: [style.rules[0]] });
  });

  test.each([
    ['a setting that is none', { kind: 'video', setting: 'sparkle', value: 'on' }],
    ['a value that its setting does not take', { kind: 'video', setting: 'related', value: 'mine' }],
    ['a kind that is none', { kind: 'opera', setting: 'related', value: 'same' }],
  ])('is refused with %s', (_, rule) =>
    expect(styleSchema.safeParse({ version: 1, site: 'mill', rules: [rule] }).success).toBe(false),
  );

  test('has nothing to say of the item’s own words', () =>
    expect(['title', 'start', 'related'].map((id) => canBeStyle(id as 'title', 'video'))).toEqual([false, false, true]));
});

describe('what a style would change of a saved embed', () => {
  const embed = (part: object) =>
    savedSchema.parse({
      id: 'a',
      title: 'A',
      host: 'lanternreel',
      kind: 'video',
      made: 1,
      changed: 1,
      work: { ...emptyWork('mill', 'a'), text: 'x', style: {}, ...part },
    });

  test('is told setting by setting, and leaves what was set by hand', () => {
    const found = restyled(embed({ changes: { accent: '#000000' } }), style)!;
    expect(found.settings).toEqual([{ setting: 'related', before: undefined, after: 'same' }]);
    expect(found.work).toMatchObject({ style: { related: 'same', accent: '#2f6f7e' }, changes: { accent: '#000000' } });
  });

  test('is nothing once it is applied, and never what somebody set by hand', () => {
    const pair = fc.oneof(
      fc.record({ setting: fc.constantFrom('autoplay', 'mute', 'loop'), value: fc.constantFrom('on', 'off') }),
      fc.record({ setting: fc.constant('related'), value: fc.constantFrom('any', 'same') }),
      fc.record({ setting: fc.constant('accent'), value: fc.constantFrom('#000000', '#2f6f7e') }),
    );
    const rules = fc.uniqueArray(pair, { selector: (rule) => rule.setting });
    const settings = rules.map((pairs) => Object.fromEntries(pairs.map(({ setting, value }) => [setting, value])));
    fc.assert(
      fc.property(settings, settings, rules, (changes, before, given) => {
        const one = embed({ changes, style: before });
        const house = {
          ...emptyStyle('mill'),
          rules: given.map((rule) => ({ kind: 'video' as const, reason: '', ...rule })),
        } as HouseStyle;
        const found = restyled(one, house);
        if (!found) return;
        expect(found.work).toEqual({ ...one.work, style: found.work.style });
        for (const { setting: id } of found.settings) expect(changes).not.toHaveProperty(id);
        expect(restyled({ ...one, work: found.work }, house)).toBeNull();
      }),
    );
  });

  test('is nothing where it follows already, or where code is kept by hand', () => {
    expect(restyled(embed({ style: { related: 'same', accent: '#2f6f7e' } }), style)).toBeNull();
    expect(restyled(embed({ code: '<iframe></iframe>' }), style)).toBeNull();
  });
});
