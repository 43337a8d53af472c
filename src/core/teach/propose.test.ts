import { describe, expect, test } from 'vitest';
import { cardSchema } from '../known/hosts/card.ts';
import type { Item } from '../model/item.ts';
import type { ProofRow } from '../proof/playThrough/proof.ts';
import { learn } from './learn.ts';
import { propose, proposed, settled, spellingsFor, withProposal, withSeen } from './propose.ts';
import { frameOf } from './reproduce.ts';
import { makeBook } from '../known/hosts/book.ts';

const FRAME = 'https://ember.example/e/4412';
const plain = learn([{ link: FRAME, code: `<iframe src="${FRAME}"></iframe>` }], { today: '2026-11-26' }).card!;
const parameter = (name: string, value: string): Item['unknown'][number] => ({
  in: 'query',
  name,
  value,
  raw: `${name}=${value}`,
});
const rawOf = (...given: Parameters<typeof propose>): string[] => propose(...given).map(({ raw }) => raw);

test('a host that nobody knows may have what most have', () => {
  expect(rawOf('page', [])).toEqual(['autoplay=1', 'muted=1', 'loop=1', 'controls=0', 't=30']);
  expect(rawOf('document', [])).not.toContain('muted=1');
});

test('switches are spelt as the page’s own parameters are, and no name is used twice', () => {
  expect(rawOf('video', [parameter('shown', 'false'), parameter('loop', 'maybe')])).toEqual([
    'autoplay=true',
    'muted=true',
    'controls=false',
    't=30',
  ]);
});

test('what was proposed is written as it was shown, and is a guess until it was seen', () => {
  for (const one of propose('video', [], plain)) {
    const card = cardSchema.parse(withProposal(plain, one));
    expect(card.settings[one.setting]).toMatchObject({ proposed: true });
    expect(frameOf(FRAME, { [one.setting]: one.value }, makeBook([card]))).toBe(`${FRAME}?${one.raw}`);
    expect(propose('video', [], card).map(({ setting }) => setting)).not.toContain(one.setting);
  }
});

describe('a play-through', () => {
  const [autoplay, mute, loop] = propose('video', [], plain);
  const card = [autoplay!, mute!, loop!].reduce(withProposal, plain);
  const row = (question: string, verdict: ProofRow['verdict'], expected: string = EXPECTED[question] ?? 'asked'): ProofRow => {
    return { question, verdict, expected, observed: null, by: 'player' };
  };
  const EXPECTED: Record<string, string> = { begins: 'itself', sound: 'muted' };
  const asked = { autoplay: 'on', mute: 'on', loop: 'on' } as const;

  test('makes what was obeyed the host’s own, and takes out what was not', () => {
    const rows = [row('begins', 'as asked'), row('sound', 'differs'), row('afterwards', 'as asked', 'again')];
    const after = settled(card, { rows, settings: asked }, '2026-11-26')!;
    expect(after.gone).toEqual(['mute']);
    const own = { proposed: false, note: { date: '2026-11-26', text: 'It was seen to do so.' } };
    expect(after.card.settings).toMatchObject({ autoplay: own, loop: own });
  });

  test.each<[string, ProofRow[], object]>([
    ['could not see it', [row('begins', 'not seen')], asked],
    ['did not ask for it', [row('begins', 'as asked')], {}],
    ['was before it was asked for', [row('begins', 'as asked', 'press')], asked],
    ['was of something else', [row('opensAt', 'as asked')], asked],
    ['was not let begin with sound', [row('begins', 'differs')], { autoplay: 'on' }],
  ])('that %s decides nothing', (_, rows, settings) => expect(settled(card, { rows, settings }, '2026-11-26')).toBeNull());
});

describe('a setting that nobody has an example of', () => {
  const { card } = learn(
    [
      { link: FRAME, code: `<iframe src="${FRAME}"></iframe>` },
      { code: `<iframe src="${FRAME}?quiet=yes"></iframe>`, settings: { mute: 'on' } },
    ],
    { today: '2026-11-26' },
  );
  test('has spellings in the manner of what the card has', () => {
    expect(spellingsFor('autoplay', 'on', card!).map(({ raw }) => raw)).toContain('autostart=yes');
    expect(spellingsFor('start', 72, card!).map(({ raw }) => raw)).toContain('start=72');
    expect(spellingsFor('mute', 'on', card!).map(({ raw }) => raw)).not.toContain('quiet=yes');
  });
  test.each([
    ['autoplay', 'on', '?go=true', 'go=true'],
    ['autoplay', 'on', 'instant', 'instant'],
    ['start', 72, 'at=1m12s', 'at=1m12s'],
    ['mute', 'on', 'a=1&b=2', undefined],
    ['mute', 'on', '', undefined],
  ] as const)('%s, typed by hand: %#', (setting, value, raw, told) => expect(proposed(setting, value, raw)?.raw).toBe(told));
  test('is kept with what was seen, and its day', () => {
    const way = proposed('loop', 'on', 'round=1')!;
    const seen = withSeen(card!, way, { obeyed: true, date: '2026-11-29' });
    expect(frameOf(FRAME, { loop: 'on' }, makeBook([cardSchema.parse(seen)]))).toBe(`${FRAME}?round=1`);
    const not = withSeen(card!, way, { obeyed: false, date: '2026-11-29' });
    expect(cardSchema.parse(not).settings.loop).toMatchObject({ in: 'nowhere', since: '2026-11-29' });
  });
});
