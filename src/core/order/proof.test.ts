import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { runs } from '../../laws/world.ts';
import { entryOf, newOrder, orderSchema, type Entry } from './order.ts';
import { isShown, judgeProbe, orderReport, probeOrder, probesOf, type OrderReport, type Probe } from './proof.ts';

const entry = (given: Partial<Entry>): Entry => entryOf({ id: 'e', address: 'https://media.example/a.mp3', ...given })!;
const time = (at: number, which = 0): OrderReport => ({ runningOrder: 'time', entry: which, time: at });
const over: OrderReport = { runningOrder: 'over', entry: 0 };

describe('what is played of a running order', () => {
  test('is the beginning and the end of each entry, within its clip, and short', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ from: fc.nat(500), length: fc.integer({ min: 1, max: 4000 }), cut: fc.boolean(), known: fc.boolean() }),
          { minLength: 1, maxLength: 6 },
        ),
        (all) => {
          const entries = all.map(({ from, length, cut, known }, i) =>
            entry({ id: `${i}`, from, ...(cut && { until: from + length }), ...(known && { seconds: from + length }) }),
          );
          const order = newOrder('o', { entries });
          const probes = probesOf(order);
          expect(new Set(probes.map(({ of }) => of)).size).toBe(entries.length);
          probes.forEach(({ of, edge, entry: { from = 0, until, seconds } }, i) => {
            const whole = entries[of]!;
            const end = whole.until ?? whole.seconds ?? Infinity;
            expect(from).toBeGreaterThanOrEqual(whole.from ?? 0);
            expect(until ?? seconds ?? 0).toBeLessThanOrEqual(end);
            expect((until ?? seconds)! - from).toBeLessThanOrEqual(6);
            if (edge !== 'end') expect(from).toBe(whole.from ?? 0);
            if (edge !== 'start') expect(until ?? seconds).toBe(end);
            expect(orderSchema.safeParse(probeOrder(order, probes, i)).success).toBe(true);
          });
        },
      ),
      runs(200),
    ));
});

describe('what was seen', () => {
  const probe: Probe = { of: 0, edge: 'both', entry: entry({ from: 10, until: 15 }) };
  const judged = (reports: readonly OrderReport[], of = probe) => judgeProbe(of, reports);

  test.each<[string, readonly OrderReport[], object]>([
    [
      'from its second to its second, and on',
      [time(10.1), time(12), time(14.9), over, time(3, 1)],
      { code: 'right', from: 10.1, until: 14.9 },
    ],
    ['a player that first says where it was', [time(0), time(10.2), time(15.1), over], { code: 'right', from: 10.2 }],
    [
      'the beginning in the place of its start',
      [time(0), time(0.3), time(0.6), time(5)],
      { code: 'beganElsewhere', wanted: 10, seen: 0.6 },
    ],
    ['beyond its end', [time(10), time(15), time(19), over], { code: 'endedElsewhere', wanted: 15, seen: 19 }],
    ['that it stood', [time(10), time(15)], { code: 'stayed', seen: 15 }],
    ['nothing', [], { code: 'untold' }],
    ['that it went on without a word', [over, time(1, 1)], { code: 'untold' }],
    ['that it was refused', [{ runningOrder: 'refused', entry: 0 }], { code: 'refused' }],
  ])('is told: %s', (_, reports, verdict) => expect(judged(reports)).toMatchObject(verdict));

  test('of an item that ends by itself, its own end counts', () => {
    const last: Probe = { of: 0, edge: 'end', entry: entry({ from: 69, seconds: 72 }) };
    expect(judged([time(69), time(71.9), over, time(0, 1)], last)).toMatchObject({ code: 'right' });
    expect(judged([time(69), over, time(0, 1)], last)).toMatchObject({ code: 'endedElsewhere' });
  });

  test('is enough once the next one plays, or it is refused; other messages are none', () => {
    expect(isShown([time(10), over])).toBe(false);
    expect(isShown([time(10), over, time(0, 1)])).toBe(true);
    expect(isShown([{ runningOrder: 'refused', entry: 0 }])).toBe(true);
    expect(orderReport.safeParse({ runningOrder: 'time', entry: -1 }).success).toBe(false);
    expect(orderReport.parse({ runningOrder: 'time', entry: 0, time: 'soon' })).toEqual({
      runningOrder: 'time',
      entry: 0,
      time: undefined,
    });
  });
});
