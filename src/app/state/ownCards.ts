import type { HostCard } from '../../core/known/hosts/card.ts';
import type { Lesson } from '../../core/teach/examples.ts';
import { saveCards, saveTaught } from '../storage/own.ts';
import type { Store } from './store.ts';
import { storageFound } from './view.ts';
import { selectGiven } from './answers.ts';
import { ownCardsRead } from './world.ts';

/** Under which name the imported list of oEmbed providers is kept. */
export const PROVIDERS = 'providers';

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
