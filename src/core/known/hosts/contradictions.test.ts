import fc from 'fast-check';
import { expect, test } from 'vitest';
import { frameOf } from '../../teach/reproduce.ts';
import { makeBook } from './book.ts';
import { cards, runs } from '../../../laws/world.ts';
import { cardSchema } from './card.ts';

const base = cards.find(({ id }) => id === 'plumbline')!;
const query = (name: string, on: string) => ({ in: 'query', name, spelling: { form: 'words', words: { on } } });

const refusals = (more: object): string[] => {
  const read = cardSchema.safeParse({ ...base, ...more });
  return read.success ? [] : read.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`);
};

test.each<[string, object, string]>([
  [
    'two settings that cannot be told apart',
    { settings: { mute: query('s', '1'), loop: query('s', '1') } },
    'settings.loop.name: "mute" stands there too, and the two cannot be told apart',
  ],
  [
    'an attribute without a placeholder',
    { settings: { mute: { ...query('m', '1'), in: 'attribute' } } },
    'settings.mute.in: no target has script code or a short code whose attribute this could be',
  ],
  [
    'an attribute that runs code',
    { settings: { mute: { ...query('onload', '1'), in: 'attribute' } } },
    'settings.mute.name: an attribute is letters, digits, - and _, and none that runs code',
  ],
  [
    'an attribute of the frame that is the frame’s own',
    { settings: { mute: { ...query('srcdoc', '1'), in: 'frameAttribute' } } },
    'settings.mute.name: an attribute of the frame begins with data-',
  ],
  [
    'a pack that there is not',
    { settings: { mute: { ...query('m', '1'), in: 'packed', pack: 'none' } } },
    'settings.mute.pack: no pack has this name',
  ],
  [
    'a pack for what stands by itself',
    { settings: { mute: { ...query('m', '1'), pack: 'none' } } },
    'settings.mute.pack: only what is packed stands in a pack',
  ],
  ['no name', { settings: { mute: query('', '1') } }, 'settings.mute.name: it needs a name'],
  [
    'a place that no template has',
    { settings: { mute: { ...query('flags', '1'), in: 'path' } } },
    'settings.mute.name: no frame template has a place of this name',
  ],
])('a card is refused that has %s', (_, more, refusal) => expect(refusals(more)).toEqual([refusal]));

test('two settings at one place are right where their words differ, or their targets', () => {
  const [one, other] = Object.keys(base.targets).concat('film');
  expect(refusals({ settings: { mute: query('mode', 'still'), loop: query('mode', 'round') } })).toEqual([]);
  expect(
    refusals({ settings: { mute: { ...query('m', '1'), targets: [one] }, loop: { ...query('m', '1'), targets: [other] } } }),
  ).toEqual([]);
});

test('a card of the first version is one of the second', () => {
  expect(cardSchema.parse({ ...base, format: 'refenestra-host-card/1' })).toEqual(base);
});

test('whatever places and packs are called, a card is refused or can be used', () => {
  const odd = fc.oneof(
    fc.constantFrom('99999999', 'Infinity', '1', '(', '[', '*', 'a{', '\\', '__proto__', 'constructor', '{id}'),
    fc.string({ maxLength: 60 }),
  );
  const place = fc.constantFrom('query', 'fragment', 'path', 'packed', 'attribute', 'frameAttribute');
  const pack = fc.record({
    in: fc.constantFrom('query', 'fragment', 'path', 'attribute'),
    as: fc.constantFrom('pairs', 'places', 'json'),
    name: odd,
  });
  fc.assert(
    fc.property(odd, place, pack, (name, where, opts) => {
      const read = cardSchema.safeParse({
        ...base,
        identifiers: { ...base.identifiers, free: { name: 'f', shape: ['*', '[a-z]+'], words: 'w', example: 'e' } },
        packs: { opts },
        settings: { mute: { ...query(name, '1'), in: where, ...(where === 'packed' && { pack: 'opts' }) } },
      });
      if (!read.success) return;
      const book = makeBook([read.data]);
      frameOf(base.links[0]!.examples[0]!, { mute: 'on' }, book);
      book.byId.get(base.id)!.forms();
    }),
    runs(300),
  );
});
