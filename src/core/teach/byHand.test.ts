import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { runs, settings } from '../../laws/world.ts';
import { cardSchema, type HostCard } from '../known/hosts/card.ts';
import { makeBook } from '../known/hosts/book.ts';
import { needsNoHost, type SettingId, type Settings } from '../known/settings/list.ts';
import type { Example } from './examples.ts';
import { learn } from './learn.ts';
import { meant, madeOf } from './reproduce.ts';

/** Cards of three hosts as they were written by hand, held against those learnt from what the hosts' share boxes show. */
const written = (id: string): HostCard =>
  cardSchema.parse(JSON.parse(readFileSync(join(import.meta.dirname, `../../../demo/library/${id}.json`), 'utf8')));
const frame = (src: string, more = ''): string => `<iframe src="${src}"${more}></iframe>`;

const QUERN = 'http://stage.quernhill.localhost:4600/731205/';
const BRACK = 'http://play.brackwater.localhost:4600/x/90417';
const WITHY = 'http://w.withyband.localhost:4600/?doc=';
const cfg = (value: object): string => `${BRACK}?cfg=${Buffer.from(JSON.stringify(value)).toString('base64url')}`;

const shown: Record<string, { examples: Example[]; items: string[] }> = {
  quernhill: {
    examples: [
      {
        link: 'http://quernhill.localhost:4600/films/the-mill-from-the-causeway-731205',
        code: frame(QUERN, ' width="560" height="315"'),
      },
      { code: frame(`${QUERN}run`), settings: { autoplay: 'on' } },
      { code: frame(`${QUERN}hush`), settings: { mute: 'on' } },
      { code: frame(`${QUERN}hush,round`), settings: { mute: 'on', loop: 'on' } },
      { code: frame(`${QUERN}#0:12`), settings: { start: 12 } },
      { code: frame(`${QUERN}?then=none`), settings: { related: 'none' } },
    ],
    items: ['http://quernhill.localhost:4600/films/a-day-at-the-wall-88014', 'http://stage.quernhill.localhost:4600/4902117/'],
  },
  brackwater: {
    examples: [
      {
        link: 'http://brackwater.localhost:4600/?e=5f0c7a52-1d34-4b8e-9a61-70b2c8d91e40',
        code: frame(BRACK, ' width="100%" height="180"'),
      },
      { code: frame(cfg({ a: true })), settings: { autoplay: 'on' } },
      { code: frame(cfg({ l: true })), settings: { loop: 'on' } },
      { code: frame(cfg({ t: 8000 })), settings: { start: 8 } },
      { code: frame(cfg({ v: 0.5 })), settings: { volume: 50 } },
      { code: frame(cfg({ c: '#2f7a4f' })), settings: { accent: '#2f7a4f' } },
    ],
    items: ['http://play.brackwater.localhost:4600/x/88120'],
  },
  withyband: {
    examples: [
      { link: 'http://withyband.localhost:4600/d/hgtrwq?lang=en', code: frame(`${WITHY}hgtrwq`), kind: 'slideshow' },
      { code: frame(`${WITHY}hgtrwq&opts=start:3`), settings: { page: 3 } },
      { code: frame(`${WITHY}hgtrwq&opts=loop`), settings: { loop: 'on' } },
      { code: frame(`${WITHY}hgtrwq&opts=go;every:4s`), settings: { autoplay: 'on', interval: 4 } },
      { code: frame(`${WITHY}hgtrwq&opts=go`), settings: { autoplay: 'on' } },
    ],
    items: ['http://withyband.localhost:4600/d/wb-2041-77', `${WITHY}wb-3310-02`],
  },
};

describe.each(Object.entries(shown))('%s, taught', (id, { examples, items }) => {
  const hand = written(id);
  const { card, unexplained } = learn(examples, { today: '2026-11-26' });
  const ids = Object.keys(card!.settings) as SettingId[];

  test('says every setting that its share box shows, as a card written by hand does', () => {
    expect(unexplained.filter(({ why }) => why !== 'innerPart')).toEqual([]);
    expect(ids.filter((one) => !hand.settings[one])).toEqual([]);
    expect(card!.asks).toEqual(hand.asks);
  });

  test('makes the same frames, whatever is set', () => {
    const [learnt, byHand] = [makeBook([card!]), makeBook([hand])];
    // What a switch is without its word, and what the host does anyway, nobody has shown.
    const said = (all: Settings): Settings =>
      Object.fromEntries(
        Object.entries(all).filter(
          ([one, value]) =>
            ids.includes(one as SettingId) &&
            !needsNoHost(one as SettingId) &&
            value !== 'off' &&
            value !== 'any' &&
            value !== 'same',
        ),
      );
    fc.assert(
      fc.property(fc.constantFrom(...items), settings.map(said), (item, asked) => {
        const [one, other] = [madeOf(item, asked, learnt), madeOf(item, asked, byHand)];
        expect(sorted(one?.frame)).toEqual(sorted(other?.frame));
      }),
      runs(300),
    );
  });
});

/** The parts of an address; members of what holds several stand in the order of whoever writes them. */
const sorted = (address: string | null | undefined): string[] =>
  meant(address ?? '')
    .replace(/["[\]\\]/g, '')
    .split(/[,;/]/)
    .sort();
