import fc from 'fast-check';
import { expect, test } from 'vitest';
import { makePlayer } from '../../laws/players.ts';
import { runs } from '../../laws/world.ts';
import { cardSchema } from '../known/hosts/card.ts';
import { readReport } from '../known/hosts/playerReport.ts';
import { learn } from './learn.ts';
import { listen, type Heard } from './listen.ts';

const FRAME = 'https://ember.example/e/4412';
const plain = learn([{ link: FRAME, code: `<iframe src="${FRAME}"></iframe>` }], { today: '2026-11-26' }).card!;

test('what a player reports is read from then on as it was meant', () => {
  fc.assert(
    fc.property(fc.nat(), (seed) => {
      const { about, log, meant } = makePlayer(seed);
      const { player } = listen(log);
      expect(player, about).not.toBeNull();
      expect(cardSchema.safeParse({ ...plain, player }).error).toBeUndefined();
      for (const [place, report] of meant) {
        const one = log[place] as { message: unknown };
        const read = readReport(player!, one.message);
        expect(read, `${about} ${JSON.stringify(one.message)} ${JSON.stringify(player)}`).toMatchObject({
          event: report.event,
          time: expect.closeTo(report.time!, 2) as number,
        });
        if (read!.duration !== undefined || player!.fields.duration) expect(read!.duration).toBe(report.duration);
        if (player!.fields.muted) expect(read!.muted).toBe(report.muted);
      }
    }),
    runs(300),
  );
});

test('what is no report, is too large, or comes without end, makes no card and does not hang', () => {
  const noise = fc.array(
    fc.oneof(
      fc.record({ at: fc.nat(30_000), message: fc.anything() }),
      fc.record({ at: fc.nat(30_000), did: fc.constantFrom('plays', 'rests', 'over') }),
    ),
    { maxLength: 60 },
  ) as fc.Arbitrary<Heard[]>;
  fc.assert(
    fc.property(noise, (log) => {
      const { player } = listen(log);
      if (player) expect(cardSchema.safeParse({ ...plain, player }).error).toBeUndefined();
    }),
    runs(500),
  );
  const huge = Array.from({ length: 9000 }, (_, i): Heard => ({ at: i, message: i % 2 ? 'x'.repeat(30_000) : { a: i } }));
  expect(listen(huge)).toMatchObject({ player: null, heard: 3000, passed: 6000 });
});

test('pages that somebody turns are told by their number', () => {
  const turned = [1, 2, 3, 2].map((page, i): Heard => ({
    at: 1000 * i,
    message: { on: i === 0 ? 'open' : 'leaf', leaf: { page } },
  }));
  expect(listen([...turned, { at: 5000, did: 'turns' }]).player).toEqual({
    encoding: 'object',
    event: 'on',
    events: { open: 'ready', leaf: 'page' },
    fields: { page: { at: 'leaf.page' } },
    ask: {},
  });
});
