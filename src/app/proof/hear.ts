import { bringIn, makeEmbed } from '../../core/pipeline.ts';
import type { HostBook } from '../../core/known/hosts/book.ts';
import type { HostCard } from '../../core/known/hosts/card.ts';
import type { Settings } from '../../core/known/settings/list.ts';
import type { Item } from '../../core/model/item.ts';
import { USUAL_FORM } from '../../core/steps/write/forms/list.ts';
import type { Did, Heard } from '../../core/teach/listen.ts';
import { looksOf } from '../preview.ts';
import { selectBook, selectSite } from '../state/selectors.ts';
import type { Store } from '../state/store.ts';
import { openStage } from './stage.ts';

/** Something of the host that can be played: the first of its examples that has a frame. */
export function exampleOf(store: Store, card: HostCard): Item | undefined {
  const book = selectBook(store.getState());
  const items = card.links.flatMap((form) => (form.refused ? [] : (bringIn(form.examples[0]!, book)[0]?.item ?? [])));
  return items.find(({ host, frame }) => host === card.id && frame !== null);
}

export interface Hearing {
  log: readonly Heard[];
  did: (what: Did) => void;
  stop: () => void;
}

interface Shown {
  item: Item;
  holder: HTMLElement;
  heard: (message: unknown) => void;
  /** What is asked of it, and the book that says how; nothing, and the book as it is, where they are left out. */
  settings?: Settings;
  book?: HostBook;
}

/** Shows an item in a page within the holder, and hears what its player says. */
export function hear(store: Store, { item, holder, heard, settings = {}, book = selectBook(store.getState()) }: Shown): Hearing {
  const state = store.getState();
  const site = selectSite(state)!;
  const log: Heard[] = [];
  const began = performance.now();
  const now = (): number => Math.round(performance.now() - began);
  const stage = openStage({
    holder,
    // The player alone: words around it would push its controls out of sight.
    looks: { ...looksOf(site, state.view.theme === 'night'), sample: { heading: '', before: '', caption: '', after: '' } },
    player: undefined,
    heard: (message) => {
      log.push({ at: now(), message });
      heard(message);
    },
  });
  const { code } = makeEmbed(item, settings, { book, site, facts: {}, form: USUAL_FORM });
  void stage.show(code.text, true, () => undefined);
  return { log, did: (did) => void log.push({ at: now(), did }), stop: stage.close };
}
