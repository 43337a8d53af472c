import type { HostBook } from '../hosts/book.ts';
import type { Candidate } from '../model/candidate.ts';
import { AS_IT_STANDS, type Code } from '../model/code.ts';
import type { Item } from '../model/item.ts';
import type { Box, Plan } from '../model/plan.ts';
import type { Site } from '../model/site.ts';
import { embedNodes } from '../write/embed.ts';
import { fixedSize, fluidSize } from '../write/frame.ts';
import type { TreeNode } from '../write/tree.ts';
import { rewrite } from './rewrite.ts';
import { attributeSlots, slotsOf, type Slots } from './slots.ts';

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

export interface Kept {
  /** The code in hand, whole; the candidate's ranges are of it. */
  text: string;
  candidate: Candidate;
  item: Item;
  /** What the code itself asks for, planned. */
  before: Plan;
  /** What is asked for now, planned. */
  after: Plan;
  book: HostBook;
  site: Site | null;
}

/** The code in hand with the settings as they are now, and its map. */
export function keepCode(kept: Kept): Code {
  const { text, candidate, before, after } = kept;
  const attributesAlone = sizedByAttributes(candidate);
  const unwrapped = candidate.wrapper !== undefined && !sameWidth(before.box, after.box);
  const slots = (plan: Plan, fixed: boolean): Slots => slotsFor(kept, plan, fixed);
  const rewritten = rewrite({
    text,
    candidate,
    before: slots(before, attributesAlone),
    after: slots(after, attributesAlone && after.box.mode === 'fixed'),
    ratio: unwrapped || after.box.height.by !== 'ratio' ? null : after.box.height.ratio,
  });
  return { form: AS_IT_STANDS, framed: true, markup: true, ...rewritten };
}

function slotsFor({ item, candidate, book, site }: Kept, plan: Plan, fixed: boolean): Slots {
  if (candidate.source === 'script' || candidate.source === 'shortcode')
    return attributeSlots(codeAttributes(item, candidate, { plan, book }));
  const sizing = fixed ? { attributes: fixedSize(plan.box), style: [] } : { attributes: [], style: fluidSize(plan.box) };
  const element = embedNodes({ item, plan, site, facts: {} }, sizing).find(
    (node): node is Extract<TreeNode, { tag: string }> => 'tag' in node,
  )!;
  return slotsOf(element, plan);
}

/** What the settings come to as attributes of the placeholder, or of the short code. */
function codeAttributes(
  { host, target }: Item,
  { source }: Candidate,
  { plan, book }: { plan: Plan; book: HostBook },
): { name: string; value: string; origin: Plan['parts'][number]['origin'] }[] {
  const prefix = source === 'script' ? (book.byId.get(host!)?.targets.get(target!)?.target.script?.prefix ?? '') : '';
  return plan.entries.flatMap(({ setting, sent }) =>
    sent
      .filter((s) => s.in === 'query' || s.in === 'attribute')
      .map(({ name, value }) => ({ name: prefix + name, value, origin: setting })),
  );
}

function sizedByAttributes({ attributes }: Candidate): boolean {
  const style = attributes.find((a) => a.name === 'style')?.value ?? '';
  return (
    attributes.some((a) => a.name === 'width' || a.name === 'height') &&
    !/(?:^|;)\s*(?:max-)?(?:width|height|aspect-ratio)\s*:/i.test(style)
  );
}

const sameWidth = (a: Box, b: Box): boolean => a.mode === b.mode && a.width === b.width && a.height.by === b.height.by;
