import { aimedAt } from '../../core/keeping/shelf/aim.ts';
import { remade, type Made } from '../../core/keeping/shelf/record.ts';
import type { Facts } from '../../core/model/item.ts';
import type { SavedEmbed } from '../../core/keeping/shelf/saved.ts';
import { datesAhead, type Work } from '../../core/keeping/shelf/work.ts';
import type { Site } from '../../core/model/site.ts';
import type { Kind } from '../../core/model/kind.ts';
import { styleFor } from '../../core/known/styles/style.ts';
import { selectBook, selectSites, selectStyles } from './selectors.ts';
import type { State } from './store.ts';

/** A saved embed with another work, made anew from what is kept of its item. */
export function remakeIn(state: State, { facts }: { facts: Facts }, work: Work): Made {
  const sites = selectSites(state);
  const site = sites.find(({ id }) => id === work.site) ?? sites[0] ?? null;
  return remade(work, { book: selectBook(state), site, facts: { ...facts, ...datesAhead(work, state.view.today) } });
}

/** A saved embed for another site, with that site's house style. */
export function reaimIn(state: State, embed: SavedEmbed, to: Site): Made {
  const from = selectSites(state).find(({ id }) => id === embed.work.site) ?? null;
  const work = aimedAt(embed.work, from, to);
  return remakeIn(state, embed, { ...work, style: styleFor(selectStyles(state)[to.id], embed.kind as Kind) });
}
