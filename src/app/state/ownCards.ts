import type { HostCard } from '../../core/known/hosts/card.ts';
import { readJson } from '../../core/model/json.ts';
import { loadCards, type CardProblem } from '../../core/known/hosts/loadCards.ts';
import { providersSchema } from '../../core/known/hosts/providers.ts';
import type { Lesson } from '../../core/teach/examples.ts';
import { savePreference } from '../storage/database.ts';
import { saveCards, saveTaught } from '../storage/own.ts';
import { takeOut, type Rows } from '../storage/removed.ts';
import type { Store } from './store.ts';
import { storageFound } from './view.ts';
import { selectGiven } from './answers.ts';
import { ownCardsRead, providersRead } from './world.ts';
import { sayProblem } from '../../messages/problems.ts';
import { t } from '../../messages/t.ts';

/** Under which name the imported list of oEmbed providers is kept. */
export const PROVIDERS = 'providers';

/** Takes the cards that are right, and tells of the others. */
export async function importCards(
  store: Store,
  files: readonly { name: string; text: string }[],
): Promise<{ cards: HostCard[]; problems: CardProblem[] }> {
  const { cards, problems } = loadCards(files);
  await keepCards(store, cards);
  return { cards, problems };
}

export async function keepCards(store: Store, cards: readonly HostCard[]): Promise<void> {
  const ids = new Set(cards.map(({ id }) => id));
  const others = store.getState().world.ownCards.filter(({ id }) => !ids.has(id));
  // Usable at once, even where the browser keeps nothing.
  store.dispatch(ownCardsRead([...others, ...cards]));
  await saveCards(cards).catch(() => store.dispatch(storageFound('missing')));
}

export function freeId(id: string, used: ReadonlySet<string>): string {
  for (let n = 2; ; n++) {
    const free = `${id.slice(0, 34)}-${n}`;
    if (!used.has(free)) return free;
  }
}

const sharesOrigin = (a: HostCard, b: HostCard): boolean => {
  const origins = new Set(Object.values(a.origins).flat());
  return Object.values(b.origins)
    .flat()
    .some((origin) => origins.has(origin));
};

/** Keeps a card with what it was learnt from; one of another host that has its name by chance stays. */
export async function keepTaught(store: Store, learnt: HostCard, lesson: Omit<Lesson, 'id'>): Promise<void> {
  const { cards } = selectGiven(store.getState());
  const { ownCards } = store.getState().world;
  const all = [...cards, ...ownCards];
  const named = all.filter(({ id }) => id === learnt.id);
  const clashes = named.length > 0 && !named.some((one) => sharesOrigin(one, learnt));
  const card = clashes ? { ...learnt, id: freeId(learnt.id, new Set(all.map(({ id }) => id))) } : learnt;
  const others = store.getState().world.ownCards.filter(({ id }) => id !== card.id);
  store.dispatch(ownCardsRead([...others, card]));
  await saveTaught(card, lesson).catch(() => store.dispatch(storageFound('missing')));
}

/** Takes a card out, with what it was learnt from and its proof; rejects where the browser keeps nothing. */
export function dropCard(store: Store, id: string): Promise<Rows> {
  store.dispatch(ownCardsRead(store.getState().world.ownCards.filter((card) => card.id !== id)));
  return takeOut(id, ['cards', 'lessons', 'proved']);
}

/** Takes a provider list in the format of the oEmbed registry; the sentence that says why not, or null. */
export async function importProviders(store: Store, text: string): Promise<string | null> {
  const data = readJson(text);
  if ('wrong' in data) return t('This is no provider list: {wrong}.', { wrong: sayProblem(data.wrong) });
  const read = providersSchema.safeParse(data.value);
  if (!read.success) {
    const [issue] = read.error.issues;
    return t('This is no provider list: at {path}, {issue}. Nothing was taken.', {
      path: issue!.path.join('.') || t('its top'),
      issue: sayProblem(issue!.message),
    });
  }
  store.dispatch(providersRead(read.data));
  await savePreference(PROVIDERS, read.data).catch(() => store.dispatch(storageFound('missing')));
  return null;
}
