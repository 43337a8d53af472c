import { describe, expect, test } from 'vitest';
import type { PlayerReport } from '../../known/hosts/playerReport.ts';
import type { Seen } from './proof.ts';
import type { Settings } from '../../known/settings/list.ts';
import { courseOf } from './course.ts';
import { answered, judge } from './judge.ts';

const told = (at: number, report: PlayerReport): Seen => ({ at, what: 'report', report });
const PRESS: Seen = { at: 3100, what: 'did', did: 'press' };
const ready = told(200, { event: 'ready', muted: true, showsControls: true, showsTitle: false });
const begins: Seen[] = [ready, told(400, { event: 'playing', time: 0, muted: true }), told(800, { event: 'time', time: 42.4 })];
const over = (...then: PlayerReport[]): Seen[] =>
  [{ event: 'time', time: 148.9 } as PlayerReport, { event: 'ended', time: 150.2 } as PlayerReport, ...then].map((report, i) =>
    told(i * 300, report),
  );

function verdicts(settings: Settings, seen: { visit?: Seen[]; end?: Seen[] }, kind: 'video' | 'slideshow' = 'video') {
  const rows = judge({ kind, settings }, { visit: [], end: [], author: 'Mill', ...seen });
  return Object.fromEntries(rows.map(({ question, verdict, observed }) => [question, `${observed}: ${verdict}`]));
}

describe('what was seen is laid beside what was asked', () => {
  test('a video that obeys', () => {
    const asked: Settings = {
      autoplay: 'on',
      mute: 'on',
      start: 42,
      end: 150,
      controls: 'on',
      showTitle: 'off',
      related: 'same',
    };
    const end = over({ event: 'paused', time: 150.2, offers: ['Mill', 'Mill'] });
    expect(verdicts(asked, { visit: begins, end })).toEqual({
      showsTitle: 'off: as asked',
      begins: 'itself: as asked',
      sound: 'muted: as asked',
      startsAt: '42: as asked',
      showsControls: 'on: as asked',
      endsAt: '150: as asked',
      afterwards: 'same: as asked',
    });
  });

  test('one that does not', () => {
    const asked: Settings = { mute: 'off', start: 10, end: 60, controls: 'off', showTitle: 'on', loop: 'on' };
    const end = over({ event: 'paused', time: 150.2, offers: ['Mill', 'Ferry'] });
    expect(verdicts(asked, { visit: begins, end })).toEqual({
      showsTitle: 'off: differs',
      begins: 'itself: differs',
      sound: 'muted: differs',
      startsAt: '42: differs',
      showsControls: 'on: differs',
      endsAt: '150: differs',
      afterwards: 'any: differs',
    });
  });

  test('what nobody asked is told, what nobody saw is said, and the rest is left out', () => {
    expect(verdicts({}, { visit: [ready, PRESS] })).toMatchObject({ begins: 'press: as asked', sound: 'muted: told' });
    expect(verdicts({ autoplay: 'on' }, {})).toEqual({ begins: 'null: not seen', startsAt: 'null: not seen' });
  });

  test.each([
    ['again, by its time', { loop: 'on' }, over({ event: 'playing', time: 42 }), 'again: as asked'],
    [
      'again, without having ended',
      { loop: 'on' },
      [told(0, { event: 'time', time: 149 }), told(300, { event: 'time', time: 42 })],
      'again: as asked',
    ],
    ['nothing more', { related: 'none' }, over(), 'stops: as asked'],
    ['nothing of others', { related: 'none' }, over({ event: 'paused', offers: [] }), 'none: as asked'],
    ['a stop where it should go on', { loop: 'on' }, over(), 'stops: differs'],
  ] as const)('the end: %s', (_, asked, end, expected) => {
    expect(verdicts(asked, { end: [...end] }).afterwards).toBe(expected);
  });

  test('one that plays on past its end', () => {
    const end = [17, 19, 22.5].map((time, i) => told(i * 300, { event: 'time', time }));
    expect(verdicts({ end: 20 }, { end }).endsAt).toBe('on: differs');
  });

  test('slides: where they open, how fast they turn, and that they begin anew', () => {
    const turn = (at: number, page: number): Seen => told(at, { event: 'page', page });
    const visit = [
      told(100, { event: 'ready', page: 3 }),
      told(150, { event: 'playing', page: 3 }),
      turn(1200, 4),
      turn(2200, 5),
    ];
    const end = [told(100, { event: 'playing', page: 23 }), turn(1100, 24), turn(2100, 1)];
    const asked: Settings = { autoplay: 'on', page: 3, interval: 1, loop: 'on' };
    expect(verdicts(asked, { visit, end }, 'slideshow')).toEqual({
      begins: 'itself: as asked',
      opensAt: '3: as asked',
      advances: '1: as asked',
      afterwards: 'again: as asked',
    });
    expect(verdicts({ ...asked, interval: 4 }, { visit, end }, 'slideshow')).toMatchObject({ advances: '1: differs' });
  });

  test('a cover loads nothing, or is found out', () => {
    const loaded = (from: string[]): Seen[] => [{ at: 0, what: 'loaded', from }];
    expect(verdicts({ load: 'ask' }, { visit: loaded([]) }).loads).toBe('nothing: as asked');
    expect(verdicts({ load: 'ask' }, { visit: loaded(['http://a.example']) }).loads).toBe('host: differs');
    expect(verdicts({}, { visit: loaded(['http://a.example']) }).loads).toBe('host: told');
  });

  test('a person answers for what could not be seen', () => {
    const [row] = judge({ kind: 'video', settings: { autoplay: 'on' } }, { visit: [], end: [], author: undefined });
    expect(answered(row!, true)).toMatchObject({ verdict: 'as asked', by: 'person' });
    expect(answered(row!, false)).toMatchObject({ verdict: 'differs', by: 'person' });
  });
});

describe('how the end is come by', () => {
  const item = { kind: 'video', form: 'see' } as never;
  const player = { events: { a: 'playing' }, ask: {} } as never;
  const known = { item, settings: {}, facts: { duration: 204 }, player, would: () => 'sent' as const };

  test.each([
    ['by asking the player', { player: { events: { a: 'playing' }, ask: { seek: { to: '{time}' } } } as never }, { by: 'seek' }],
    ['by a visit that begins there', {}, { by: 'visit', change: { start: 201 } }],
    ['by a longer visit, for a person to look at', { player: undefined }, { by: 'visit', change: { start: 194 } }],
    ['by nobody, where neither can be', { would: () => 'not offered' as const }, null],
    ['by nobody, where nobody knows when', { facts: {} }, null],
  ])('%s', (_, more, end) => {
    expect(courseOf({ ...known, ...more }).end).toEqual(end);
  });

  test('slides that turn by themselves are come upon one page before the last', () => {
    const slides = { kind: 'slideshow', form: 'deck' } as never;
    const settings: Settings = { autoplay: 'on', interval: 2 };
    expect(courseOf({ ...known, item: slides, settings, facts: { pages: 24 } })).toMatchObject({
      how: 'turns',
      interval: 2,
      end: { by: 'visit', change: { page: 23 } },
    });
  });
});
