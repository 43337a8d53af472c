import { isUsualWord } from './compose.ts';
import type { HostCard } from '../known/hosts/card.ts';
import { observationsOf, type Draft, type DraftForm } from './draft.ts';
import type { Unexplained } from './observe.ts';
import type { LearntSetting } from './settings.ts';

/** One thing that a card says, and on what it rests. */
export interface Fact {
  /** JSON Pointer (RFC 6901) into the card. */
  at: string;
  certainty: 'certain' | 'likely' | 'byHand';
  /** Examples, by their place in the list. */
  from: readonly number[];
}

const ENOUGH = 3;

/** What a card rests on. Certain is only what several items showed in one way, and what no other spelling fits. */
export function factsOf(
  card: HostCard,
  { draft, settings, told }: { draft: Draft; settings: readonly LearntSetting[]; told: readonly Unexplained[] },
): Fact[] {
  const wrong = new Set(told.map(({ example }) => example));
  const facts: Fact[] = [];
  const shared = card.links.flatMap(({ framed }, i) => (framed ? [] : [i]));
  for (const target of draft.targets) {
    for (const form of target.forms) {
      const from = ofForm(form);
      const items = new Set(form.pairs.map((pair) => pair.link.address)).size;
      const sure = items >= ENOUGH && target.inner.length === 0 && isPlainForm(form) && !from.some((i) => wrong.has(i));
      facts.push({ at: `/links/${shared.shift()}`, certainty: sure ? 'certain' : 'likely', from });
    }
    const from = [...new Set(observationsOf(target).flatMap((one) => one.from))].sort((a, b) => a - b);
    const fixed = [...target.frame].flatMap(([place, parts]) => (place === 'sub' ? [] : parts));
    const sure = from.length >= ENOUGH && target.inner.length === 0 && fixed.every(isHostsOwn) && !from.some((i) => wrong.has(i));
    facts.push({
      at: `/targets/${target.name}/${target.placeholder ? 'script' : 'frame'}`,
      certainty: sure ? 'certain' : 'likely',
      from,
    });
    facts.push({ at: `/targets/${target.name}/fit`, certainty: 'likely', from });
    facts.push({ at: `/targets/${target.name}/kind`, certainty: 'likely', from });
  }
  if (draft.asks.length > 0)
    facts.push({
      at: '/asks',
      certainty: 'likely',
      from: [...new Set(facts.flatMap((fact) => fact.from))].sort((a, b) => a - b),
    });
  for (const { id, from, certain } of settings)
    if (card.settings[id])
      facts.push({ at: `/settings/${id}`, certainty: certain && !from.some((i) => wrong.has(i)) ? 'certain' : 'likely', from });
  return facts;
}

const ofForm = ({ pairs }: DraftForm): number[] =>
  [...new Set(pairs.flatMap(({ observation }) => observation.from))].sort((a, b) => a - b);

/** Fixed text that is made of usual words and signs: other words may be those of whoever made all the items that were shown. */
const isHostsOwn = (part: unknown): boolean =>
  typeof part !== 'string' || part.split(/[^\p{L}\p{N}]+/u).every((word) => word.length <= 2 || isUsualWord(word));

/** A form with nothing in it that only seems fixed or free. */
const isPlainForm = ({ frees, texts, pattern }: DraftForm): boolean =>
  frees.length === 0 &&
  [...pattern].every(([place, parts]) => place === 'sub' || parts.every(isHostsOwn)) &&
  [...texts.values()].every((seen) => new Set(seen).size === seen.length);
