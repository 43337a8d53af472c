import type { Item, Parameter } from '../../core/model/item.ts';
import { escapeHtml } from '../../core/model/markup/escape.ts';
import { NOTHING_PUT_RIGHT, type Example, type Lesson } from '../../core/teach/examples.ts';
import type { Guess } from '../../core/known/hosts/guess.ts';
import { learn } from '../../core/teach/learn.ts';
import { withPutRight } from '../../core/teach/putRight.ts';
import { settled, withProposal, type Proposal } from '../../core/teach/propose.ts';
import { findLesson } from '../storage/own.ts';
import { changed } from './bench.ts';
import { keepCards, keepTaught } from './ownCards.ts';
import { selectCard, selectEmbed } from './selectors.ts';
import type { Store } from './store.ts';

/** What was found out of a host on the Bench, in passing: one parameter of a code, with what it does. */
export async function teachParameter(
  store: Store,
  item: Pick<Item, 'host' | 'frame' | 'canonical'>,
  { parameter, guess: { setting, value } }: { parameter: Parameter; guess: Guess },
): Promise<boolean> {
  const lesson = await lessonOf(item.host);
  const before = lesson.examples;
  const plain = item.frame ?? item.canonical;
  const sign = parameter.in === 'fragment' ? '#' : plain.includes('?') ? '&' : '?';
  const link = before.find((one) => one.code?.includes(plain))?.link ?? plain;
  const examples: Example[] = [
    ...before,
    { link, code: codeOf(plain) },
    { link, code: codeOf(plain + sign + parameter.raw), settings: { [setting]: value } },
  ];
  const own = store.getState().world.ownCards.find(({ id }) => id === item.host);
  const { card: learnt, unexplained } = learn(examples, { today: today(), before: own });
  const card = learnt && withPutRight(learnt, lesson.putRight, examples);
  if (!card || unexplained.some(({ example }) => example === examples.length - 1)) return false;
  await keepTaught(store, card, { ...lesson, examples });
  return true;
}

/** A setting that was proposed and chosen: the host is known by it, and it is asked for. */
export async function keepProposal(
  store: Store,
  item: Pick<Item, 'host' | 'frame' | 'canonical'>,
  proposal: Proposal,
): Promise<boolean> {
  const { ownCards } = store.getState().world;
  const lesson = await lessonOf(item.host);
  const before = lesson.examples;
  const plain = item.frame ?? item.canonical;
  const examples = before.length > 0 ? before : [{ link: plain, code: codeOf(plain) }];
  const card = ownCards.find(({ id }) => id === item.host) ?? learn(examples, { today: today() }).card;
  if (!card) return false;
  await keepTaught(store, withProposal(card, proposal), { ...lesson, examples });
  store.dispatch(changed({ change: { [proposal.setting]: proposal.value } }));
  return true;
}

/** What a play-through has shown of settings that were proposed is kept with the card. */
export async function settleProposals(store: Store): Promise<void> {
  const state = store.getState();
  const [card, embed, { proof }] = [selectCard(state), selectEmbed(state), state.proof];
  const after = card && embed && proof && settled(card, { rows: proof.rows, settings: embed.settings }, today());
  if (!after || !state.world.ownCards.includes(card)) return;
  await keepCards(store, [after.card]);
  for (const id of after.gone) store.dispatch(changed({ change: { [id]: null } }));
}

const NO_LESSON: Omit<Lesson, 'id'> = { examples: [], putRight: NOTHING_PUT_RIGHT };

/** What the card of a host was learnt from, as far as it is known. */
const lessonOf = async (host: string | null): Promise<Omit<Lesson, 'id'>> =>
  host === null ? NO_LESSON : findLesson(host).catch(() => NO_LESSON);

const today = (): string => new Date().toISOString().slice(0, 10);

const codeOf = (address: string): string => `<iframe src="${escapeHtml(address)}"></iframe>`;
