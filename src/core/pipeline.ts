import type { Context } from './context.ts';
import { check } from './steps/check/check.ts';
import type { HostBook } from './known/hosts/book.ts';
import { withoutRunning } from './model/running.ts';
import type { Candidate } from './model/candidate.ts';
import type { Code } from './model/code.ts';
import type { Finding } from './steps/check/finding.ts';
import type { Item } from './model/item.ts';
import type { Plan } from './model/plan.ts';
import { canKeep, keepCode, notCarried, withoutSteppedHeight } from './live/keep.ts';
import { answered } from './proof/reach/reached.ts';
import { plan } from './steps/plan/plan.ts';
import { read } from './steps/read/read.ts';
import { attributeRuns } from './model/markup/running.ts';
import { recognise, type Recognition } from './steps/recognise/recognise.ts';
import { settingOf, type Settings } from './known/settings/list.ts';
import { formOf, offeredInstead, USUAL_FORM, type CodeFormId } from './steps/write/forms/list.ts';
import { coverless, lacksOf, type Lacks } from './steps/write/lacks.ts';
import { write } from './steps/write/write.ts';

/**
 * The five steps, in order: `read → recognise → plan → write → check`.
 * Each is a function over plain data; nothing here touches a page, a network, a clock or a store.
 */
export type Recognised = { candidate: Candidate } & Recognition;

/** What the steps make of an item: what was asked, what comes of it, the code, and what would go wrong. */
export interface Embed {
  item: Item;
  settings: Settings;
  plan: Plan;
  code: Code;
  findings: Finding[];
  /** Whether the frame address was asked. */
  asked: boolean;
}

/** Steps 1 and 2: everything in the text that may be an embed, and what each is. */
export function bringIn(text: string, book: HostBook): Recognised[] {
  return read(text).map((candidate) => ({ candidate, ...recognise(candidate, book) }));
}

/** A code in hand: as it was pasted, or as somebody wrote it. */
export interface InHand {
  text: string;
  candidate: Candidate;
}

/** Steps 3 to 5 with the code kept as it stands, but for the settings that differ from what it says itself. */
export function keepEmbed(hand: InHand, recognised: Item, settings: Settings, context: Context): Embed {
  const { facts } = context;
  const { text, candidate, kept } = handTaken(hand, recognised, context);
  const item = facts.ratio ? { ...kept, ratio: facts.ratio } : kept;
  // What the code says already it can say.
  const lacks: Lacks = (id, value) =>
    codeLacks(id, value) && item.settings[id] !== value && !(item.form === 'file' && settingOf(id).moment !== 'around');
  const [said, asked] = withoutSteppedHeight(item, settings, context.book);
  const before = plan(item, said, { ...context, lacks });
  const wanted = plan(item, asked, { ...context, lacks });
  const missing = notCarried({ item, candidate, book: context.book, plan: wanted });
  const after =
    missing.size === 0 ? wanted : plan(item, asked, { ...context, lacks: (id, value) => missing.has(id) || lacks(id, value) });
  const code = keepCode({ ...context, text, candidate, item, before, after });
  return checked({ item, settings, plan: after, code }, context);
}

/** The code in hand as it may be taken away: without what runs in it, unless that is to be kept. */
function handTaken({ text, candidate }: InHand, item: Item, { book, running }: Context): InHand & { kept: Item } {
  if (!item.running || running === 'keep') return { text, candidate, kept: item };
  const quiet = withoutRunning(text, item.running);
  const found = bringIn(quiet, book).find((one) => one.item?.canonical === item.canonical && canKeep(one.candidate));
  return found?.item
    ? { text: quiet, candidate: found.candidate, kept: { ...found.item, running: item.running } }
    : { text, candidate, kept: item };
}

/** Steps 3 to 5: the code for an item with what is asked for it. */
export function makeEmbed(recognised: Item, asked: Settings, context: Context & { form: CodeFormId }): Embed {
  const { form, facts, running } = context;
  const settings = formOf(form).cover === 'page' ? { ...asked, load: 'ask' } : asked;
  const quiet = running === 'keep' ? recognised : withoutRunningAttributes(recognised);
  const item = facts.ratio ? { ...quiet, ratio: facts.ratio } : quiet;
  return checked({ item, settings, ...written({ item, settings, form }, context) }, context);
}

function withoutRunningAttributes(item: Item): Item {
  const quiet = item.kept.attributes.filter((attribute) => attributeRuns(attribute, 'iframe') === null);
  return quiet.length === item.kept.attributes.length ? item : { ...item, kept: { ...item.kept, attributes: quiet } };
}

/** Step 5. */
function checked({ item, settings, plan: planned, code }: Omit<Embed, 'findings' | 'asked'>, context: Context): Embed {
  const codeIn = (form: CodeFormId): string => written({ item, settings, form }, context).code.text;
  const simpler = () => offeredInstead(codeIn).filter(({ form }) => form !== USUAL_FORM);
  const findings = check({ ...context, item, settings, plan: planned, code, simpler });
  return { item, settings, plan: planned, code, findings, asked: answered(context.reached) };
}

/** Steps 3 and 4. */
function written(
  { item, settings, form }: { item: Item; settings: Settings; form: CodeFormId },
  context: Context,
): Pick<Embed, 'plan' | 'code'> {
  const planned = plan(item, settings, { ...context, lacks: lacksOf(formOf(form), item) });
  return { plan: planned, code: write({ ...context, item, plan: planned }, form) };
}

/** Code in hand keeps its own frame, without a cover, and what stands around it in the page. */
const codeLacks: Lacks = (id, value) => coverless(id, value) || settingOf(id).moment === 'around';

/** The frame address that visitors of a site get, with what the host cannot do without; null where there is none to ask. */
export function reachAddress(item: Item, settings: Settings, { book, site }: Pick<Context, 'book' | 'site'>): string | null {
  if (!item.frame) return null;
  const { domain } = settings;
  const { plan } = makeEmbed(item, domain === undefined ? {} : { domain }, { book, site, form: 'link', facts: {} });
  const needed = plan.parts.filter(({ origin }) => origin === 'domain').map(({ raw }) => raw);
  if (needed.length === 0) return item.frame;
  return `${item.frame}${item.frame.includes('?') ? '&' : '?'}${needed.join('&')}`;
}
