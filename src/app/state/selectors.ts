import { createSelector } from '@reduxjs/toolkit';
import { makeBook, type HostBook } from '../../core/known/hosts/book.ts';
import { nextStep, type NextStep } from '../../core/proof/nextStep.ts';
import { inLanguage } from '../../core/known/hosts/inLanguage.ts';
import { stationsOf } from '../../core/known/hosts/stations.ts';
import { compareCodes } from '../../core/live/compare.ts';
import { canKeep } from '../../core/live/keep.ts';
import { AS_IT_STANDS } from '../../core/model/code.ts';
import { aboutOf, type Facts } from '../../core/model/item.ts';
import type { SettingsFix } from '../../core/model/plan.ts';
import { siblingsIn } from '../../core/model/sibling.ts';
import { bringIn, keepEmbed, makeEmbed, reachAddress, type Embed } from '../../core/pipeline.ts';
import { anatomy } from '../../core/steps/recognise/anatomy.ts';
import { chosenOf, embedFrom, handOf, usualSettings, type Hand } from '../../core/keeping/shelf/embedOf.ts';
import { datesAhead, settingsWith } from '../../core/keeping/shelf/work.ts';
import { styleFor, type HouseStyle } from '../../core/known/styles/style.ts';
import { language } from '../../messages/language.ts';
import { PREVIEW } from '../preview.ts';
import { shownAs, USUAL_FORM, type CodeFormId } from '../../core/steps/write/forms/list.ts';
import type { Settings } from '../../core/known/settings/list.ts';
import type { State } from './store.ts';
import { factsAbout, selectGiven, selectReachedAt, selectSaid } from './answers.ts';

export const selectWork = (state: State) => state.bench.present;
const selectText = (state: State) => state.bench.present.text;
const selectForm = (state: State) => state.bench.present.form;
const selectChanges = (state: State) => state.bench.present.changes;
export const selectCards = createSelector(
  [(state: State) => selectGiven(state).cards, (state: State) => state.world.ownCards],
  (ours, own) => [...ours.filter(({ id }) => !own.some((card) => card.id === id)), ...own],
);
/** The same in the language of the reader: for showing, while cards as they are given are kept and exported. */
export const selectToldCards = createSelector([selectCards], (cards) => cards.map((card) => inLanguage(card, language())));
export const selectBook = createSelector([selectToldCards], makeBook);

/** Everything found in the text. */
export const selectFound = createSelector([selectText, selectBook], bringIn);

/** The one that is worked on: the chosen one, or the first that can be used. */
export const selectRecognised = createSelector([selectFound, (state: State) => state.bench.present.choice], chosenOf);

/** The code in hand, and what is read from it; null while the code is written anew from the text. */
export const selectInHand = createSelector([(state: State) => state.bench.present.code, selectBook], (code, book) =>
  code === null ? null : handOf(code, book),
);

/** What the code in hand says; while it cannot be read, what the text says. */
export const selectItem = createSelector(
  [selectInHand, selectRecognised],
  (hand, recognised) => hand?.item ?? recognised.item ?? null,
);

export const selectAnatomy = createSelector([selectText, selectRecognised, selectBook], (text, recognised, book) =>
  anatomy(text, recognised, book),
);

/** Under what the answers of the host are kept. */
export const selectAbout = (state: State): string | undefined => {
  const item = selectItem(state);
  return item ? aboutOf(item) : undefined;
};

/**
 * What the server is to be asked of the item, until it has answered. A file by itself says nothing; code of an unknown host is
 * taken as it is, while a link may lead to a page that names its player.
 */
export const selectFactsWanted = createSelector(
  [
    // After an outage what is missing is asked for once more.
    (state: State) => {
      const about = selectAbout(state);
      return state.world.serverAnswers && about !== undefined && selectSaid(state, about) === undefined ? about : null;
    },
    selectItem,
    selectRecognised,
    (state: State) => selectSite(state)?.column,
  ],
  (about, item, { candidate }, width) => {
    if (about === null || item === null) return null;
    if (item.host !== null) return { link: about, about, width };
    // Of an unknown host nobody knows which parameters say what it is.
    return item.form === 'address' && candidate.source === 'link' ? { link: candidate.address ?? about, about, width } : null;
  },
);

export const selectHostFacts = (state: State): Facts => factsAbout(state, selectAbout(state) ?? '');

/** The greatest height of the content that the player told: a phone, whose column is narrow, needs more. */
const selectContentHeight = ({ view }: State): number => Math.max(view.player.height ?? 0, view.phoneHeight ?? 0);

/** What the host says of the item, and what its player has told since. */
export const selectFacts = createSelector([selectHostFacts, selectContentHeight], (facts, contentHeight): Facts =>
  contentHeight === 0 ? facts : { ...facts, contentHeight },
);

/** Whether the height of the item goes with its content. */
export const selectByContent = createSelector([selectItem, selectBook], (item, book): boolean => {
  const target = item?.host && item.target ? book.byId.get(item.host)?.targets.get(item.target)?.target : undefined;
  return target?.fit.by === 'content';
});

export const selectSites = createSelector(
  [(state: State) => selectGiven(state).sites, (state: State) => state.world.ownSites],
  (ours, own) => [
    ...ours.map((site) => own.find(({ id }) => id === site.id) ?? site),
    ...own.filter(({ id }) => !ours.some((site) => site.id === id)),
  ],
);

export const selectSite = createSelector([selectSites, (state: State) => state.bench.present.site], (sites, id) => {
  return sites.find((site) => site.id === id) ?? sites[0] ?? null;
});

/** House styles by the id of their site: the user's own stand before those of the team. */
export const selectStyles = createSelector(
  [(state: State) => selectGiven(state).team.styles, (state: State) => state.world.styles],
  (team, own): Readonly<Record<string, HouseStyle>> => ({ ...team, ...own }),
);

/** The house style of the site, for the kind of item, as it is now. */
export const selectHouseStyle = createSelector(
  [selectStyles, selectSite, (state: State) => selectItem(state)?.kind],
  (styles, site, kind) => (site && kind ? styleFor(styles[site.id], kind) : NO_STYLE),
);
const NO_STYLE: Settings = {};

/** The house style that holds: the one this was begun with, or the present one. */
export const selectStyle = (state: State): Settings => selectWork(state).style ?? selectHouseStyle(state);

/** What is usual; nothing is laid into code in hand that nobody asked for. */
const selectUsual = createSelector(
  [(state: State) => state.bench.present.code === null, selectHostFacts, (state: State) => selectSite(state)?.space, selectStyle],
  (anew, facts, space, style): Settings => (anew ? usualSettings(facts, space, style) : {}),
);

const selectSettings = createSelector([selectItem, selectChanges, selectUsual], (item, changes, usual) =>
  settingsWith(item?.settings ?? {}, changes, usual),
);

/** The frame address that visitors get, with what the host cannot do without; null where there is none to ask. */
export const selectReachAddress = createSelector(
  [selectItem, selectSettings, selectSite, selectBook],
  (item, settings, site, book) => (item && site ? reachAddress(item, settings, { book, site }) : null),
);

const selectReached = (state: State) => {
  const [address, site] = [selectReachAddress(state), selectSite(state)];
  return address && site ? selectReachedAt(state, address, site.address) : undefined;
};

/** When the item and its page come out, as far as it lies ahead. */
const selectDates = createSelector(
  [(state: State) => state.bench.present.out, (state: State) => state.bench.present.pageOut, (state: State) => state.view.today],
  (out, pageOut, today) => datesAhead({ out, pageOut }, today),
);

/** What the host says of the item, when it comes out, and the shape of the cover that was chosen for it. */
const selectWrittenFacts = createSelector(
  [selectHostFacts, (state: State) => state.view.coverRatio, selectDates],
  (facts, coverRatio, dates): Facts => ({ ...facts, ...(coverRatio !== null && { coverRatio }), ...dates }),
);

/** What stands beside it in the page that was brought in. */
const selectSiblings = createSelector([selectFound, selectRecognised], (found, one) => siblingsIn(found)(one));

/** What the server found at the frame address, and what was decided about code that runs. */
const selectFoundOut = createSelector(
  [selectReached, (state: State) => state.bench.present.running, selectSiblings],
  (reached, running, siblings) => ({ reached, running, siblings }),
);

const selectContext = createSelector(
  [selectBook, selectSite, selectWrittenFacts, selectFoundOut],
  (book, site, facts, foundOut) => ({ book, site, facts, ...foundOut }),
);

/** How the code comes about: written anew in a form, or kept as it is in hand. */
const selectWriting = createSelector([selectForm, selectInHand], (form, hand) => ({ form, hand }));

/** The embed as it stands: plan, code, findings; null while nothing is recognised. */
export const selectEmbed = createSelector(
  [selectItem, selectSettings, selectContext, selectWriting],
  (item, settings, context, writing): Embed | null => item && embedFrom(item, settings, context, writing),
);

export const selectNextStep = (state: State): NextStep =>
  nextStep(selectEmbed(state), {
    copied: state.view.copiedCode,
    proof: state.proof.proof,
    waiting: selectChanges(state),
  });

/** Which settings stand at which moment. */
export const selectStations = createSelector(
  [selectEmbed, selectBook],
  (embed, book) => embed && stationsOf(embed.item, embed.settings, book),
);

/** The embed with other settings laid in, or in another form. */
export function selectVariant(state: State, change: SettingsFix, form: CodeFormId = USUAL_FORM): Embed | null {
  const [item, settings, context] = [selectItem(state), selectSettings(state), selectContext(state)];
  return item && makeEmbed(item, settingsWith(settings, change), { ...context, form });
}

/** The domain of the page in which the preview stands: what asks for its page's own domain must be told this one. */
const PREVIEW_DOMAIN = new URL(PREVIEW).hostname;

/** The same as the preview shows it. */
export const selectPreviewCode = createSelector(
  [selectEmbed, selectItem, selectContext, selectInHand],
  (embed, item, context, hand): string | null => {
    if (!embed || !item) return null;
    const settings = embed.plan.entries.some((e) => e.setting === 'domain' && e.sent.length > 0)
      ? { ...embed.settings, domain: PREVIEW_DOMAIN }
      : embed.settings;
    const { form } = embed.code;
    if (form === AS_IT_STANDS && hand?.item && canKeep(hand.candidate))
      return onlyCode(keepEmbed(hand, item, settings, context).code.text, hand, context.book);
    const shown = form === AS_IT_STANDS ? USUAL_FORM : shownAs(form as CodeFormId);
    if (settings === embed.settings && form === shown) return embed.code.text;
    return makeEmbed(item, settings, { ...context, form: shown }).code.text;
  },
);

/** Of code in hand only the embed is shown, not the page around it. */
function onlyCode(text: string, { candidate }: Hand, book: HostBook): string {
  if (candidate.source === 'shortcode') return '';
  return text.slice(...chosenOf(bringIn(text, book)).candidate.range);
}

export const selectCard = createSelector([selectItem, selectBook], (item, book) =>
  item?.host ? (book.byId.get(item.host)?.card ?? null) : null,
);

/** What was pasted beside what is taken away; null while there is nothing to compare. */
export const selectComparison = createSelector([selectRecognised, selectEmbed, selectBook], (before, embed, book) => {
  if (!before.item || !embed) return null;
  const after = bringIn(embed.code.text, book).find((one) => one.item);
  return after ? compareCodes(before, after) : null;
});
