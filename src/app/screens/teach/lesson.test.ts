import { expect, test } from 'vitest';
import { beginLesson, learnLesson, stepLesson, type Lesson, type LessonStep } from './lesson.ts';

const frame = (path: string): string => `<iframe src="https://play.media.example/${path}"></iframe>`;
const take = (...steps: LessonStep[]): Lesson => steps.reduce(stepLesson, beginLesson([]));
const brought: LessonStep[] = [
  { do: 'bring', text: `https://media.example/see/k1a44\n${frame('k1a44')}` },
  { do: 'bring', text: frame('k1a44?run=1') },
  { do: 'say', answers: [{ example: 1, settings: { autoplay: 'on' } }] },
];

test('what is brought, and what was said of it, makes the card', () => {
  const { card, unexplained } = learnLesson(take(...brought), '2026-11-26');
  expect([card!.settings.autoplay, unexplained]).toMatchObject([{ name: 'run' }, []]);
});

test('the same brought again is nothing new, and nothing to take back', () => {
  const before = take(...brought);
  expect(stepLesson(before, { do: 'bring', text: `https://media.example/see/k1a44\n${frame('k1a44')}` })).toBe(before);
});

test('name and kind are said by hand, and a setting can be taken back', () => {
  const lesson = take(
    ...brought,
    { do: 'call', name: 'Ours' },
    { do: 'judge', kind: 'loop' },
    { do: 'drop', setting: 'autoplay' },
  );
  const { card, facts } = learnLesson(lesson, '2026-11-26');
  expect(card).toMatchObject({ name: 'Ours', settings: {} });
  expect(Object.values(card!.targets)[0]!.kind).toBe('loop');
  expect(facts.map(({ at }) => at)).not.toContain('/settings/autoplay');
});

test('a part of a link is put right by hand, and told so', () => {
  const { card } = learnLesson(take(...brought), '2026-11-26');
  const { id } = card!.links.find(({ framed }) => !framed)!;
  const said = learnLesson(take(...brought, { do: 'part', part: { link: id, segment: 0, is: 'any' } }), '2026-11-26');
  const at = said.card!.links.findIndex((link) => link.id === id);
  expect(said.card!.links[at]!.path).toBe('/:any1/:id');
  expect(said.facts.find((fact) => fact.at === `/links/${at}`)).toMatchObject({ certainty: 'byHand' });
});

test('a code that is left out goes, and every step can be taken back', () => {
  const left = take(...brought.slice(0, 2), { do: 'say', answers: [{ example: 1, settings: null }] });
  expect(left.examples).toHaveLength(1);
  const back = Array.from({ length: 5 }).reduce<Lesson>((lesson) => stepLesson(lesson, { do: 'undo' }), left);
  expect(back).toEqual(beginLesson([]));
});
