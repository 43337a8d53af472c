import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { URLPattern } from 'urlpattern-polyfill';
import { describe, expect, test } from 'vitest';
import { z } from 'zod';
import { book, cards } from '../../../laws/world.ts';
import { bringIn } from '../../pipeline.ts';
import { makeBook } from './book.ts';
import { compilePath } from './compile.ts';
import { cardSchema } from './card.ts';
import { loadCards } from './loadCards.ts';
import { readReport, requestFor } from './playerReport.ts';
import { spell, unspell } from './spellings.ts';

describe('cards', () => {
  test('every example is recognised as the form that it stands under', () => {
    for (const card of cards)
      for (const form of card.links)
        for (const example of form.examples) {
          const { item, refusal } = bringIn(example, book)[0]!;
          if (form.refused) expect(refusal).toMatchObject({ code: 'notForVisitors', why: form.refused.why });
          else expect(item, example).toMatchObject({ host: card.id, form: form.id });
        }
  });

  test('the published JSON Schema is the one that the application uses', () => {
    const file = join(import.meta.dirname, '../../../../docs/formats/host-card.schema.json');
    expect(JSON.parse(readFileSync(file, 'utf8'))).toEqual(z.toJSONSchema(cardSchema, { io: 'input' }));
  });

  test('a wrong card is refused with its place, and the others still load', () => {
    const good = JSON.stringify(cards[0]);
    const wrong = (change: object): string => JSON.stringify({ ...cards[1], ...change });
    const { cards: loaded, problems } = loadCards([
      { name: 'cut.json', text: '{"format":' },
      { name: 'good.json', text: good },
      { name: 'target.json', text: wrong({ links: [{ ...cards[1]!.links[0], target: 'nowhere' }] }) },
      { name: 'setting.json', text: wrong({ settings: { sparkle: { in: 'nowhere', since: '2026-01-01', note: 'none' } } }) },
      { name: 'slow.json', text: wrong({ identifiers: { track: { name: 't', shape: '([a-z]+)+', words: 'w', example: 'e' } } }) },
    ]);
    expect(loaded.map((card) => card.id)).toEqual([cards[0]!.id]);
    expect(problems[0]).toMatchObject({ file: 'cut.json', place: '' });
    expect(problems.map((p) => `${p.file} ${p.place}`)).toEqual(
      expect.arrayContaining([
        'target.json links[0].target',
        'setting.json settings.sparkle',
        'slow.json identifiers.track.shape',
      ]),
    );
  });

  test('paths mean what the URL Pattern standard says', () => {
    const paths = fc.constantFrom('/see/:id', '/:a/sets/:b', '/:a/:b/:c', '/d/:code/edit', '/:id', '/player');
    const address = fc
      .array(fc.constantFrom('see', 'sets', 'd', 'edit', 'player', 'x-1', 'a.b', '(x)'), { maxLength: 4 })
      .map((p) => `/${p.join('/')}`);
    fc.assert(
      fc.property(paths, address, (path, at) => {
        const ours = compilePath(path).exec(at);
        const theirs = new URLPattern({ pathname: path }).exec({ pathname: at });
        expect(ours ? ours.slice(1) : null).toEqual(theirs ? Object.values(theirs.pathname.groups) : null);
      }),
    );
  });

  test('a frame template that RFC 6570 knows and plain expansion does not goes through the library', () => {
    const card = structuredClone(cards.find((c) => c.id === 'lanternreel')!);
    card.targets.clip!.frame = 'http://frames.lanternreel.localhost:4600/f{?id}';
    const { item } = bringIn('http://lanternreel.localhost:4600/see/k7wq2m9d', makeBook([card]))[0]!;
    expect(item?.frame).toBe('http://frames.lanternreel.localhost:4600/f?id=k7wq2m9d');
  });
});

test.each([
  ['seconds', 90, '90'],
  ['milliseconds', 90, '90000'],
  ['units', 90, '1m30s'],
  ['clock', 90, '1:30'],
  ['iso8601', 90, 'PT1M30S'],
  ['hex', '#2f6f7e', '2f6f7e'],
  ['hashHex', '#2f6f7e', '#2f6f7e'],
  ['numberFromOne', 3, '3'],
  ['numberFromZero', 3, '2'],
] as const)('spelling %s', (form, value, text) => {
  expect(spell({ form }, value)).toBe(text);
  expect(unspell({ form }, text)).toBe(value);
});

describe('reports of players', () => {
  const declared = (id: string) => cards.find((card) => card.id === id)!.player!;

  test('are read as the card declares, whatever their shape', () => {
    expect(readReport(declared('lanternreel'), { reel: 'tick', at: 42.5, length: 204, hushed: true, name: 'A' })).toEqual({
      event: 'time',
      time: 42.5,
      duration: 204,
      muted: true,
      title: 'A',
    });
    expect(readReport(declared('murmurfold'), '{"murmur":{"now":"sounding","ms":1500,"total":60000}}')).toMatchObject({
      event: 'playing',
      time: 1.5,
      duration: 60,
    });
    expect(readReport(declared('foliobarn'), { folio: { did: 'turned', leaf: 4 } })).toMatchObject({ event: 'page', page: 4 });
  });

  test.each([null, 'no JSON', 7, [], { reel: 'constructor' }, { reel: 'toString' }, {}])(
    'are nothing when they are %j',
    (message) => {
      expect(readReport(declared('lanternreel'), message)).toBeUndefined();
      expect(readReport(declared('murmurfold'), message)).toBeUndefined();
    },
  );

  test('fields that do not fit are left out', () => {
    expect(readReport(declared('lanternreel'), { reel: 'tick', at: 'soon', length: -1, hushed: 'yes' })).toEqual({
      event: 'time',
    });
  });

  test('requests carry the time', () =>
    expect(requestFor(declared('lanternreel'), 'seek', 12)).toEqual({ reelDo: 'to', at: 12 }));
});
