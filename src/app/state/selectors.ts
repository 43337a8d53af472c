import { createSelector } from '@reduxjs/toolkit';
import { makeBook } from '../../core/hosts/book.ts';
import type { Facts } from '../../core/model/item.ts';
import { bringIn, makeEmbed, type Embed } from '../../core/pipeline.ts';
import { anatomy } from '../../core/recognise/anatomy.ts';
import type { State } from './store.ts';
import { settingsWith } from './work.ts';

const NO_FACTS: Facts = {};

export const selectWork = (state: State) => state.bench.present;
const selectText = (state: State) => state.bench.present.text;
export const selectBook = createSelector([(state: State) => state.world.cards], makeBook);

/** Everything found in the text. */
export const selectFound = createSelector([selectText, selectBook], bringIn);

/** The one that is worked on: the chosen one, or the first that can be used. */
export const selectRecognised = createSelector([selectFound, (state: State) => state.bench.present.choice], (found, choice) => {
  const wanted = found[choice];
  return wanted?.item ? wanted : (found.find((one) => one.item) ?? found[0]!);
});

export const selectItem = createSelector([selectRecognised], (recognised) => recognised.item ?? null);

export const selectAnatomy = createSelector([selectText, selectRecognised, selectBook], (text, recognised, book) =>
  anatomy(text, recognised, book),
);

export const selectFacts = (state: State): Facts => {
  const item = selectItem(state);
  return (item && state.world.facts[item.canonical]) ?? NO_FACTS;
};

export const selectSite = createSelector(
  [(state: State) => state.world.sites, (state: State) => state.bench.present.site],
  (sites, id) => {
    return sites.find((site) => site.id === id) ?? sites[0] ?? null;
  },
);

const selectSettings = createSelector(
  [selectItem, (state: State) => state.bench.present.changes, selectFacts],
  (item, changes, { title }) => settingsWith(item?.settings ?? {}, changes, title),
);

const selectSurroundings = createSelector([selectBook, selectSite, selectFacts], (book, site, facts) => ({ book, site, facts }));

/** The embed as it stands: plan, code, findings; null while nothing is recognised. */
export const selectEmbed = createSelector(
  [selectItem, selectSettings, selectSurroundings, (state: State) => state.bench.present.form],
  (item, settings, surroundings, form): Embed | null => item && makeEmbed(item, settings, { ...surroundings, form }),
);

/** The same in the form that the preview shows: fixed where that is the form, responsive otherwise. */
export const selectPreviewCode = createSelector(
  [selectEmbed, selectItem, selectSurroundings],
  (embed, item, surroundings): string | null => {
    if (!embed || !item) return null;
    if (embed.code.form === 'responsive' || embed.code.form === 'fixed') return embed.code.text;
    return makeEmbed(item, embed.settings, { ...surroundings, form: 'responsive' }).code.text;
  },
);

export const selectCard = createSelector([selectItem, selectBook], (item, book) =>
  item?.host ? (book.byId.get(item.host)?.card ?? null) : null,
);
