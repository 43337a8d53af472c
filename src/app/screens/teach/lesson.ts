import type { HostCard } from '../../../core/known/hosts/card.ts';
import type { Kind } from '../../../core/model/kind.ts';
import type { SettingId } from '../../../core/known/settings/list.ts';
import type { Example, PutRight } from '../../../core/teach/examples.ts';
import type { MovedEdge } from '../../../core/teach/edges.ts';
import type { SaidPart } from '../../../core/teach/parts.ts';
import { withPutRight } from '../../../core/teach/putRight.ts';
import { learn, type Learnt } from '../../../core/teach/learn.ts';
import type { Answer } from './Ask.tsx';
import { splitExamples } from '../../../core/teach/split.ts';

/** What was brought and put right by hand, with what was there before it. */
export interface Lesson {
  examples: readonly Example[];
  name: string;
  kind: Kind | '';
  /** Settings that were found and then taken back. */
  dropped: readonly SettingId[];
  /** Parts of links that were put right. */
  parts: readonly SaidPart[];
  /** Where parts begin or end, as it was put right. */
  edges: readonly MovedEdge[];
  past: readonly Omit<Lesson, 'past'>[];
}

export type LessonStep =
  | { do: 'bring'; text: string }
  | { do: 'remove'; example: number }
  | { do: 'say'; answers: readonly Answer[] }
  | { do: 'again'; examples: readonly Example[]; putRight: PutRight }
  | { do: 'call'; name: string }
  | { do: 'judge'; kind: Kind | '' }
  | { do: 'drop'; setting: SettingId }
  | { do: 'part'; part: SaidPart }
  | { do: 'edge'; edge: MovedEdge }
  | { do: 'undo' };

export const beginLesson = (examples: readonly Example[], name = ''): Lesson => ({
  examples,
  name,
  kind: '',
  dropped: [],
  parts: [],
  edges: [],
  past: [],
});

/** Each step can be taken back. */
export function stepLesson(lesson: Lesson, step: LessonStep): Lesson {
  if (step.do === 'undo') {
    const before = lesson.past.at(-1);
    return before ? { ...before, past: lesson.past.slice(0, -1) } : lesson;
  }
  const { past, ...now } = lesson;
  const next = changed(now, step);
  return next === now ? lesson : { ...next, past: [...past.slice(-49), now] };
}

type Now = Omit<Lesson, 'past'>;

function changed(lesson: Now, step: Exclude<LessonStep, { do: 'undo' }>): Now {
  switch (step.do) {
    case 'bring': {
      const held = new Set(lesson.examples.map(({ link, code }) => JSON.stringify([link, code])));
      const more = splitExamples(step.text).filter(({ link, code }) => !held.has(JSON.stringify([link, code])));
      return more.length === 0 ? lesson : { ...lesson, examples: [...lesson.examples, ...more] };
    }
    case 'remove':
      return { ...lesson, examples: lesson.examples.filter((_, i) => i !== step.example) };
    case 'say':
      return {
        ...lesson,
        examples: lesson.examples.flatMap((one, i) => {
          const answer = step.answers.find(({ example }) => example === i);
          if (!answer) return [one];
          return answer.settings ? [{ ...one, settings: answer.settings }] : [];
        }),
      };
    case 'again':
      return { ...lesson, examples: step.examples, ...step.putRight };
    case 'call':
      return { ...lesson, name: step.name };
    case 'judge':
      return { ...lesson, kind: step.kind };
    case 'drop':
      return { ...lesson, dropped: [...lesson.dropped, step.setting] };
    case 'part':
      return { ...lesson, parts: [...lesson.parts, step.part] };
    case 'edge':
      return { ...lesson, edges: [...lesson.edges, step.edge] };
  }
}

/** What the lesson comes to, with what was put right by hand. */
export function learnLesson({ examples, name, kind, dropped, parts, edges }: Lesson, today: string, before?: HostCard): Learnt {
  const asked = kind === '' ? examples : examples.map((one) => ({ ...one, kind }));
  const learnt = learn(asked, { name: name.trim() || undefined, today, before });
  if (!learnt.card) return learnt;
  const { card } = learnt;
  const settings = Object.fromEntries(Object.entries(card.settings).filter(([id]) => !dropped.includes(id as SettingId)));
  const said = new Set([...parts, ...edges].map(({ link }) => `/links/${card.links.findIndex(({ id }) => id === link)}`));
  const facts = learnt.facts
    .filter(({ at }) => !dropped.some((id) => at === `/settings/${id}`))
    .map((fact) => (said.has(fact.at) ? { ...fact, certainty: 'byHand' as const } : fact));
  return { ...learnt, card: withPutRight({ ...card, settings }, { parts: [...parts], edges: [...edges] }, examples), facts };
}
