import type { HostCard } from '../../core/known/hosts/card.ts';
import { readJson } from '../../core/model/json.ts';
import { loadCards, type CardProblem } from '../../core/known/hosts/loadCards.ts';
import { providersSchema } from '../../core/known/hosts/providers.ts';
import type { Item, Parameter } from '../../core/model/item.ts';
import { escapeHtml } from '../../core/model/markup/escape.ts';
import type { Example } from '../../core/teach/examples.ts';
import type { Guess } from '../../core/teach/guess.ts';
import { learn } from '../../core/teach/learn.ts';
import { savePreference } from '../storage/database.ts';
import { findLesson, removeCard, saveCards, saveTaught } from '../storage/own.ts';
import type { Store } from './store.ts';
import { storageFound } from './view.ts';
import { ownCardsRead, providersRead } from './world.ts';

/** Under which name the imported list of oEmbed providers is kept. */
export const PROVIDERS = 'providers';

/** Takes the cards that are right, and tells of the others. */
export async function importCards(
  store: Store,
  files: readonly { name: string; text: string }[],
): Promise<{ taken: HostCard[]; problems: CardProblem[] }> {
  const { cards, problems } = loadCards(files);
  await keepCards(store, cards);
  return { taken: cards, problems };
}

export async function keepCards(store: Store, cards: readonly HostCard[]): Promise<void> {
  const ids = new Set(cards.map(({ id }) => id));
  const others = store.getState().world.ownCards.filter(({ id }) => !ids.has(id));
  // Usable at once, even where the browser keeps nothing.
  store.dispatch(ownCardsRead([...others, ...cards]));
  await saveCards(cards).catch(() => store.dispatch(storageFound('missing')));
}

/** Keeps a card with the examples that it was learnt from. */
export async function keepTaught(store: Store, card: HostCard, examples: readonly Example[]): Promise<void> {
  const others = store.getState().world.ownCards.filter(({ id }) => id !== card.id);
  store.dispatch(ownCardsRead([...others, card]));
  await saveTaught(card, examples).catch(() => store.dispatch(storageFound('missing')));
}

/** What was found out of a host on the Bench, in passing: one parameter of a code, with what it does. */
export async function teachParameter(
  store: Store,
  item: Pick<Item, 'host' | 'frame' | 'canonical'>,
  { parameter, guess: { setting, value } }: { parameter: Parameter; guess: Guess },
): Promise<boolean> {
  const before = item.host === null ? [] : await findLesson(item.host).catch(() => []);
  const plain = item.frame ?? item.canonical;
  const sign = parameter.in === 'fragment' ? '#' : plain.includes('?') ? '&' : '?';
  const link = before.find((one) => one.code?.includes(plain))?.link ?? plain;
  const examples: Example[] = [
    ...before,
    { link, code: codeOf(plain) },
    { link, code: codeOf(plain + sign + parameter.raw), settings: { [setting]: value } },
  ];
  const { card, unexplained } = learn(examples, { today: new Date().toISOString().slice(0, 10) });
  if (!card || unexplained.some(({ example }) => example === examples.length - 1)) return false;
  await keepTaught(store, card, examples);
  return true;
}

const codeOf = (address: string): string => `<iframe src="${escapeHtml(address)}"></iframe>`;

export async function dropCard(store: Store, id: string): Promise<void> {
  store.dispatch(ownCardsRead(store.getState().world.ownCards.filter((card) => card.id !== id)));
  await removeCard(id).catch(() => store.dispatch(storageFound('missing')));
}

/** Takes a provider list in the format of the oEmbed registry; the sentence that says why not, or null. */
export async function importProviders(store: Store, text: string): Promise<string | null> {
  const data = readJson(text);
  if ('wrong' in data) return `This is no provider list: ${data.wrong}.`;
  const read = providersSchema.safeParse(data.value);
  if (!read.success) {
    const [issue] = read.error.issues;
    return `This is no provider list: at ${issue!.path.join('.') || 'its top'}, ${issue!.message}. Nothing was taken.`;
  }
  store.dispatch(providersRead(read.data));
  await savePreference(PROVIDERS, read.data).catch(() => store.dispatch(storageFound('missing')));
  return null;
}
