import type { Context } from '../context.ts';
import type { Attribute, Candidate } from '../model/candidate.ts';
import { featureName, isMarked, marked, splitFeatures } from '../model/features.ts';
import { own as getOwn } from '../model/own.ts';
import { settingOf, type SettingId, type Settings } from '../known/settings/list.ts';
import { ON_PLACEHOLDER } from '../steps/recognise/script.ts';
import { AS_IT_STANDS, type Code } from '../model/code.ts';
import type { Item } from '../model/item.ts';
import { boxHeight } from '../model/box.ts';
import type { Box, Plan } from '../model/plan.ts';
import { embedNodes } from '../steps/write/embed.ts';
import { attributeSize, fluidSize } from '../steps/write/frame.ts';
import type { TreeNode } from '../steps/write/tree.ts';
import { rewrite } from './rewrite.ts';
import { attributeSlots, slotsOf, type Slot, type Slots } from './slots.ts';

/** What had to be put right before the code could be read cannot be kept as it stands. */
const BROKEN: ReadonlySet<string> = new Set([
  'escapedCode',
  'curlyQuotes',
  'quoteDoubled',
  'quoteMissing',
  'jsx',
  'tagUnclosed',
  'invisible',
  'escapedString',
  'joinedStrings',
  'spacesBetween',
]);
const EDITABLE: ReadonlySet<Candidate['source']> = new Set(['iframe', 'media', 'script', 'shortcode']);

/** Whether this is code whose bytes can be kept, with settings laid in where they stand. */
export const canKeep = ({ source, repairs, tag }: Candidate): boolean =>
  EDITABLE.has(source) && tag !== undefined && !repairs.some(({ code }) => BROKEN.has(code));

/** A code in hand, and all that is needed to change it and nothing else in it. */
export interface Kept extends Pick<Context, 'book' | 'site'> {
  /** The code in hand, whole; the candidate's ranges are of it. */
  text: string;
  candidate: Candidate;
  item: Item;
  /** What the code itself asks for, planned. */
  before: Plan;
  /** What is asked for now, planned. */
  after: Plan;
}

/** The code in hand with the settings as they are now, and its map. */
export function keepCode(kept: Kept): Code {
  const { text, candidate, before, after } = kept;
  const attributesAlone = sizedByAttributes(candidate);
  const unwrapped = candidate.wrapper !== undefined && !sameWidth(before.box, after.box);
  const sameSize = isSameBox(before.box, after.box);
  const fixed = attributesAlone && (sameSize || fitsAttributes(after.box, candidate));
  const anew = after.frame.permissions !== undefined && after.frame.permissions !== before.frame.permissions;
  const [said, wanted] = withMarkedFeatures(
    slotsFor(kept, before, attributesAlone),
    slotsFor(sameSize ? kept : resized(kept), after, fixed),
    {
      own: featuresOf(candidate),
      anew,
    },
  );
  const rewritten = rewrite({
    text,
    candidate,
    before: said,
    after: wanted,
    ratio: unwrapped || after.box.height.by !== 'ratio' ? null : after.box.height.ratio,
  });
  return { form: AS_IT_STANDS, framed: true, markup: true, ...rewritten };
}

/** The features that the code itself gives its frame, as somebody wrote them. */
function featuresOf({ attributes }: Candidate): ReadonlySet<string> {
  const allow = attributes.find((a) => a.name === 'allow')?.value ?? '';
  return new Set(splitFeatures(allow).flatMap((feature) => (isMarked(feature) ? [] : [featureName(feature)])));
}

/**
 * What a setting brings along is written with the origin that goes without saying (Permissions Policy, section 9.2), so
 * that it goes again with the setting; what the author gave the frame stays, unless all permissions are set anew.
 */
function withMarkedFeatures(
  said: Slots,
  wanted: Slots,
  { own, anew }: { own: ReadonlySet<string>; anew: boolean },
): [Slots, Slots] {
  const [before, after] = [new Map<string, Slot>(), new Map<string, Slot>()];
  for (const [slots, allow] of [
    [said, before],
    [wanted, after],
  ] as const)
    for (const [key, slot] of slots.allow) {
      const marks = isAlong(slot) && !own.has(key);
      allow.set(marks ? marked(key) : key, marks ? { ...slot, text: marked(key) } : slot);
    }
  if (!anew)
    for (const key of own) {
      const [then, now] = [before.get(key), after.get(key)];
      if (then && isAlong(then) && !now) before.delete(key);
      else if (now && isAlong(now)) {
        const same = { ...now, text: then?.text ?? now.text };
        before.set(key, same);
        after.set(key, same);
      }
    }
  return [
    { ...said, allow: before },
    { ...wanted, allow: after },
  ];
}

/** Whether a feature comes with a setting that is none itself. */
const isAlong = ({ origin }: Slot): boolean =>
  origin !== 'item' && origin !== 'permissions' && settingOf(origin).feature === undefined;

function slotsFor({ item, candidate, book, site }: Kept, plan: Plan, fixed: boolean): Slots {
  if (candidate.source === 'script' || candidate.source === 'shortcode')
    return attributeSlots(codeAttributes(item, candidate, { plan, book }));
  const sizing = fixed ? { attributes: attributeSize(plan.box), style: [] } : { attributes: [], style: fluidSize(plan.box) };
  const element = embedNodes({ item, plan, site, facts: {} }, sizing).find(
    (node): node is Extract<TreeNode, { tag: string }> => 'tag' in node,
  )!;
  return namedAsThere(slotsOf(element, plan), candidate);
}

/** The title stands in the attribute that holds it in this code. */
function namedAsThere(slots: Slots, { source, attributes }: Candidate): Slots {
  const title = slots.attributes.get('aria-label') ?? slots.attributes.get('alt');
  const has = (name: string): boolean => attributes.some((a) => a.name === name);
  if (source !== 'media' || !title || !has('title') || has('aria-label') || has('alt')) return slots;
  const others = [...slots.attributes].filter(([name]) => name !== 'aria-label' && name !== 'alt');
  return { ...slots, attributes: new Map([...others, ['title', title]]) };
}

/** What the settings come to as attributes of the placeholder, or of the short code. */
function codeAttributes(
  { host, target }: Item,
  candidate: Candidate,
  { plan, book }: { plan: Plan; book: Context['book'] },
): { name: string; value: string; origin: Plan['parts'][number]['origin'] }[] {
  const prefix = candidate.source === 'script' ? (scriptOf({ host, target }, book)?.prefix ?? '') : '';
  const sent = plan.entries.flatMap(({ setting, sent }) =>
    sent
      .filter((s) => s.in === 'query' || s.in === 'attribute')
      .map(({ name, value }) => ({ name: prefix + name, value, origin: setting })),
  );
  const laid = [...ON_PLACEHOLDER].flatMap(([name, origin]) => {
    // A picture keeps its `alt`, empty where there is no title (HTML, section 4.8.3).
    const value = plan.frame[origin] ?? (name === 'alt' ? '' : undefined);
    return value !== undefined && carries(name, { host, target }, candidate, book)
      ? [{ name, value: String(value), origin }]
      : [];
  });
  return [...sent, ...laid];
}

const scriptOf = ({ host, target }: Pick<Item, 'host' | 'target'>, book: Context['book']) =>
  book.byId.get(host!)?.targets.get(target!)?.target.script;

/** Whether a setting of the frame can be an attribute of this placeholder; a short code takes only those it has already. */
function carries(
  name: string,
  item: Pick<Item, 'host' | 'target'>,
  { source, attributes }: Candidate,
  book: Context['book'],
): boolean {
  const isThere = attributes.some((attribute) => attribute.name === name);
  if (source === 'shortcode' || name === 'alt') return isThere;
  return !Object.hasOwn(scriptOf(item, book)?.attributes ?? {}, name);
}

/** Settings that the plan leaves to the frame, while this code has no frame of its own to carry them. */
export function notCarried({ item, candidate, book, plan }: Pick<Kept, 'item' | 'candidate' | 'book'> & { plan: Plan }) {
  if (candidate.source !== 'script' && candidate.source !== 'shortcode') return new Set<SettingId>();
  const carried = [...ON_PLACEHOLDER].filter(([name]) => carries(name, item, candidate, book)).map(([, id]) => id);
  const here = plan.entries.filter(({ state, reason }) => state === 'done here' && reason.code !== 'alreadySo');
  return new Set(here.map(({ setting }) => setting).filter((id) => !carried.includes(id)));
}

/**
 * What the code asks for and what is wanted, without a height that only follows another setting: it changes with that
 * one, as the card's steps say, unless somebody set another height.
 */
export function withoutSteppedHeight(item: Item, wanted: Settings, book: Context['book']): [said: Settings, wanted: Settings] {
  const said = item.settings;
  const fit = book.byId.get(item.host ?? '')?.targets.get(item.target ?? '')?.target.fit;
  if (fit?.by !== 'steps' || said.height === undefined || wanted.height !== said.height) return [said, wanted];
  const stepped = getOwn(fit.heights, String(said[fit.setting] ?? fit.usual));
  if (said[fit.setting] === wanted[fit.setting] || said.height !== stepped) return [said, wanted];
  const drop = ({ height: _, ...others }: Settings): Settings => others;
  return [drop(said), drop(wanted)];
}

function sizedByAttributes({ attributes }: Candidate): boolean {
  const style = attributes.find((a) => a.name === 'style')?.value ?? '';
  return (
    attributes.some((a) => a.name === 'width' || a.name === 'height') &&
    !/(?:^|;)\s*(?:max-)?(?:width|height|aspect-ratio)\s*:/i.test(style)
  );
}

/** Whether a size can stand in the attributes that hold it now: in pixels, or the whole width with a height. */
function fitsAttributes({ mode, height }: Box, { attributes }: Candidate): boolean {
  return mode === 'fixed' || (mode === 'fill' && height.by === 'number' && attributes.some(isWholeWidth));
}
const isWholeWidth = ({ name, value }: Attribute): boolean => name === 'width' && value?.trim() === '100%';

const isSameBox = (a: Box, b: Box): boolean =>
  a.mode === b.mode && a.width === b.width && a.height.by === b.height.by && boxHeight(a) === boxHeight(b);

/** A new size replaces the sizes that could not be read, such as `width="80%"`. */
const resized = (kept: Kept): Kept => {
  const attributes = kept.item.kept.attributes.filter(({ name }) => name !== 'width' && name !== 'height');
  return { ...kept, item: { ...kept.item, kept: { ...kept.item.kept, attributes } } };
};

const sameWidth = (a: Box, b: Box): boolean => a.mode === b.mode && a.width === b.width && a.height.by === b.height.by;
