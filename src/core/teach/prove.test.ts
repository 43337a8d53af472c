import { expect, test } from 'vitest';
import { cards, sites } from '../../laws/world.ts';
import { cardSchema, type HostCard } from '../known/hosts/card.ts';
import { learn } from './learn.ts';
import { holds, proveLinks } from './prove.ts';

test('every card that ships holds', () => {
  for (const card of cards)
    expect(
      proveLinks(card).filter((one) => !holds(one)),
      card.id,
    ).toEqual([]);
});

const code = (path: string): string => `<iframe src="https://play.media.example/${path}"></iframe>`;
const examples = ['k1a44', 'z9b55', 'q4c66'].map((id) => ({ link: `https://media.example/see/${id}`, code: code(id) }));
const { card } = learn([...examples, { link: examples[0]!.link, code: code('k1a44?run=1'), settings: { autoplay: 'on' } }], {
  today: '2026-11-26',
});
const outcomes = (change: object, from: Parameters<typeof proveLinks>[1] = []): string[] => [
  ...new Set(proveLinks(cardSchema.parse({ ...card, ...change }), from).map(({ outcome }) => outcome)),
];
const links = (change: object): { links: HostCard['links'] } => ({
  links: card!.links.map((form) => (form.framed ? form : { ...form, ...change })),
});

test('what no longer holds is told for what it is', () => {
  expect(outcomes({}, examples)).toEqual(['holds']);
  expect(outcomes(links({ examples: ['https://elsewhere.example/see/k1a44'] }))).toContain('otherHost');
  expect(outcomes(links({ examples: ['https://media.example/hear/k1a44'] }))).toContain('notRead');
  expect(outcomes({ links: card!.links.filter(({ framed }) => !framed) })).toEqual(['otherFrame']);
  expect(outcomes({ settings: {} }, [{ ...examples[0]!, code: code('k1a44?run=1'), settings: { autoplay: 'on' } }])).toContain(
    'otherCode',
  );
});

test('a frame that visitors do not get does not hold', () => {
  const [one] = proveLinks(card!);
  expect([holds(one!), holds({ ...one!, reached: [{ code: 'gone', status: 404 }] })]).toEqual([true, false]);
});

test('a frame is asked for with what it cannot do without for the site', () => {
  const chats = cards.find(({ id }) => id === 'airwherry')!;
  const frames = (site: (typeof sites)[number] | null): (string | null)[] =>
    proveLinks(chats, [], site).map(({ frame }) => frame);
  expect(frames(sites[0]!).filter((frame) => frame?.includes('on=tidemill.example'))).toHaveLength(2);
  expect(frames(null).filter((frame) => /[?&]on=/.test(frame ?? ''))).toEqual([]);
});
