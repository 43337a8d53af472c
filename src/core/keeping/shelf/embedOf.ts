import { USUAL_FORM } from '../../steps/write/forms/list.ts';
import type { Context } from '../../context.ts';
import type { HostBook } from '../../known/hosts/book.ts';
import { canKeep } from '../../live/keep.ts';
import { AS_IT_STANDS } from '../../model/code.ts';
import { withoutRunning } from '../../model/running.ts';
import type { Facts, Item } from '../../model/item.ts';
import type { Site } from '../../model/site.ts';
import { bringIn, keepEmbed, makeEmbed, type Embed, type Recognised } from '../../pipeline.ts';
import type { Settings } from '../../known/settings/list.ts';
import { settingsWith, type Work, type WorkForm } from './work.ts';

/** Of all that was found in a text, the chosen one, or the first that can be used. */
export function chosenOf(found: readonly Recognised[], choice = 0): Recognised {
  const wanted = found[choice];
  return wanted?.item ? wanted : (found.find((one) => one.item) ?? found[0]!);
}

/** Code in hand, and what is read from it. */
export type Hand = Recognised & { text: string };

/** A code in hand, with what is read from it. */
export const handOf = (code: string, book: HostBook): Hand => ({ text: code, ...chosenOf(bringIn(code, book)) });

/** What holds unless the publisher, or the link, says otherwise: the house style, the item's own title, the site's space. */
export const usualSettings = (facts: Facts, space: Site['space'] | undefined, style: Settings | null): Settings => ({
  ...(space?.above && { spaceAbove: space.above }),
  ...(space?.below && { spaceBelow: space.below }),
  ...style,
  ...(facts.title && { title: facts.title }),
});

/** Where the code comes from: a form in which it is written anew, or code in hand that is kept. */
export interface Writing {
  form: WorkForm;
  hand: Hand | null;
}

/** The embed of an item: written anew in a form, or the code in hand with the settings laid in. */
export function embedFrom(item: Item, settings: Settings, context: Context, { form, hand }: Writing): Embed {
  if (form !== AS_IT_STANDS) return makeEmbed(item, settings, { ...context, form });
  if (hand?.item && canKeep(hand.candidate)) return keepEmbed(hand, item, settings, context);
  const made = makeEmbed(item, settings, { ...context, form: USUAL_FORM });
  if (!hand) return { ...made, code: { ...made.code, form: AS_IT_STANDS } };
  const runs = context.running === 'keep' ? [] : (hand.item?.running ?? hand.candidate.running ?? []);
  return { ...made, code: { form: AS_IT_STANDS, framed: true, markup: true, text: withoutRunning(hand.text, runs), map: [] } };
}

/**
 * The embed of a work, made anew from what is kept of it; null where nothing is recognised. What its text holds may be
 * given, where that has been read already.
 */
export function embedOf(work: Work, context: Context, found?: readonly Recognised[]): Embed | null {
  const { book, site, facts } = context;
  const { running } = work;
  const hand = work.code === null ? null : handOf(work.code, book);
  const item = hand?.item ?? chosenOf(found ?? bringIn(work.text, book), work.choice).item;
  if (!item) return null;
  const usual = hand ? {} : usualSettings(facts, site?.space, work.style);
  return embedFrom(item, settingsWith(item.settings, work.changes, usual), { ...context, running }, { form: work.form, hand });
}
