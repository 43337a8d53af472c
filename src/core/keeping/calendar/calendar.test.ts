import fc from 'fast-check';
import ICAL from 'ical.js';
import { describe, expect, test } from 'vitest';
import { savedSchema } from '../shelf/saved.ts';
import { emptyWork } from '../shelf/work.ts';
import { calendarOf, coming } from './calendar.ts';

const embed = (id: string, title: string, out: string | null, pageOut: string | null = null) =>
  savedSchema.parse({
    id,
    title,
    host: 'lanternreel',
    kind: 'video',
    made: 1,
    changed: 1,
    item: `http://lanternreel.localhost:4600/see/${id}`,
    work: { ...emptyWork('mill', id), style: {}, out, pageOut },
  });

const LONG = 'Ébb; flood, and “slack”: ' + 'the miller’s year \\ in twelve tides\n'.repeat(6);
const embeds = [
  embed('late', LONG, '2027-03-28', '2027-03-27'),
  embed('soon', 'Open day', '2026-12-01'),
  embed('past', 'Old', '2020-01-01'),
  embed('none', 'Out', null),
];

test('what comes is in order of its days, and what is past is left', () => {
  expect(coming(embeds, '2026-11-23').map(({ day, what }) => `${day} ${what}`)).toEqual([
    '2026-12-01 out',
    '2027-03-27 pageOut',
    '2027-03-28 out',
  ]);
});

describe('as an iCalendar, read back by another library', () => {
  const text = calendarOf(coming(embeds, '2026-11-23'), ({ what, embed: { title } }) => `${what}: ${title}`, new Date(0));
  const events = new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent').map((e) => new ICAL.Event(e));

  test('days, words and identities are the same', () => {
    expect(events.map((event) => [event.startDate.toString(), event.startDate.isDate, event.uid])).toEqual([
      ['2026-12-01', true, 'out-soon@refenestra.invalid'],
      ['2027-03-27', true, 'pageOut-late@refenestra.invalid'],
      ['2027-03-28', true, 'out-late@refenestra.invalid'],
    ]);
    expect(events[2]!.summary).toBe(`out: ${LONG}`);
  });

  test('any words come back, whatever stands in them', () => {
    // Line ends of other systems become those that RFC 5545 knows, and control characters are none of its text (section 3.3.11).
    const words = fc.string({
      unit: fc.constantFrom('a', 'é', '水', '😀', ';', ',', '\\\\', ':', '"', '\n', ' ', '\\n'),
      maxLength: 120,
    });
    fc.assert(
      fc.property(words, (title) => {
        const [written] = coming([embed('one', 'T', '2027-01-11')], '2026-11-23');
        const event = new ICAL.Component(ICAL.parse(calendarOf([written!], () => `x${title}x`, new Date(0))) as unknown[]);
        expect(new ICAL.Event(event.getFirstSubcomponent('vevent')!).summary).toBe(`x${title}x`);
      }),
    );
  });

  test('no line is longer than 75 octets, and all end as RFC 5545 wants (section 3.1)', () => {
    const lines = text.split('\r\n');
    for (const line of lines) expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
    expect(text.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/);
  });
});
