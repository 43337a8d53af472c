import { check } from './check/check.ts';
import type { HostBook } from './hosts/book.ts';
import { withoutRunning, type RunningChoice } from './model/running.ts';
import type { Candidate } from './model/candidate.ts';
import type { Code } from './model/code.ts';
import type { Finding } from './model/finding.ts';
import type { Facts, Item } from './model/item.ts';
import type { Plan } from './model/plan.ts';
import type { Site } from './model/site.ts';
import { canKeep, keepCode } from './live/keep.ts';
import { answered, type Reached } from './reach/reached.ts';
import { plan, type Destination } from './plan/plan.ts';
import { read } from './read/read.ts';
import { attributeRuns } from './markup/running.ts';
import { recognise, type Recognition } from './recognise/recognise.ts';
import { settingOf, type Settings } from './settings/list.ts';
import { formOf, type CodeFormId } from './write/forms/list.ts';
import { write } from './write/write.ts';

/**
 * The five steps, in order: `read → recognise → plan → write → check`.
 * Each is a function over plain data; nothing here touches a page, a network, a clock or a store.
 */
export interface Surroundings {
  book: HostBook;
  site: Site | null;
  form: CodeFormId;
  facts: Facts;
  /** What the server found at the frame address. */
  reached?: readonly Reached[] | undefined;
  /** What was decided about code that runs in what was pasted; until then, and unless it is to be kept, it is left out. */
  running?: RunningChoice;
}

export type Recognised = { candidate: Candidate } & Recognition;

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
export function keepEmbed(hand: InHand, recognised: Item, settings: Settings, surroundings: Omit<Surroundings, 'form'>): Embed {
  const { book, site, facts } = surroundings;
  const { text, candidate, kept } = handTaken(hand, recognised, surroundings);
  const item = facts.ratio ? { ...kept, ratio: facts.ratio } : kept;
  // What the code says already it can say.
  const lacks: Lacks = (id, value) =>
    codeLacks(id, value) && item.settings[id] !== value && !(item.form === 'file' && settingOf(id).moment !== 'around');
  const before = plan(item, item.settings, book, { site, lacks });
  const after = plan(item, settings, book, { site, lacks });
  const code = keepCode({ text, candidate, item, before, after, book, site });
  return checked({ item, settings, plan: after, code }, surroundings);
}

/** The code in hand as it may be taken away: without what runs in it, unless that is to be kept. */
function handTaken(
  { text, candidate }: InHand,
  item: Item,
  { book, running }: Pick<Surroundings, 'book' | 'running'>,
): InHand & { kept: Item } {
  if (!item.running || running === 'keep') return { text, candidate, kept: item };
  const quiet = withoutRunning(text, item.running);
  const found = bringIn(quiet, book).find((one) => one.item?.canonical === item.canonical && canKeep(one.candidate));
  return found?.item
    ? { text: quiet, candidate: found.candidate, kept: { ...found.item, running: item.running } }
    : { text, candidate, kept: item };
}

/** Steps 3 to 5: the code for an item with what is asked for it. */
export function makeEmbed(recognised: Item, asked: Settings, surroundings: Surroundings): Embed {
  const { book, site, form, facts, running } = surroundings;
  const settings = formOf(form).cover === 'page' ? { ...asked, load: 'ask' } : asked;
  const quiet = running === 'keep' ? recognised : withoutRunningAttributes(recognised);
  const item = facts.ratio ? { ...quiet, ratio: facts.ratio } : quiet;
  const planned = plan(item, settings, book, { site, lacks: lacksOf(form, item) });
  const code = write({ item, plan: planned, site, facts }, form);
  return checked({ item, settings, plan: planned, code }, surroundings);
}

function withoutRunningAttributes(item: Item): Item {
  const quiet = item.kept.attributes.filter((attribute) => attributeRuns(attribute, 'iframe') === null);
  return quiet.length === item.kept.attributes.length ? item : { ...item, kept: { ...item.kept, attributes: quiet } };
}

/** Step 5. */
function checked(
  { item, settings, plan: planned, code }: Pick<Embed, 'item' | 'settings' | 'plan' | 'code'>,
  { book, site, facts, reached, running = null }: Omit<Surroundings, 'form'>,
): Embed {
  const inForm = (form: CodeFormId): string =>
    write({ item, plan: plan(item, settings, book, { site, lacks: lacksOf(form, item) }), site, facts }, form).text;
  const findings = check({ item, settings, plan: planned, code, site, facts, book, reached, running, inForm });
  return { item, settings, plan: planned, code, findings, asked: answered(reached) };
}

type Lacks = NonNullable<Destination['lacks']>;

/** What a form without a cover cannot do. */
const coverless: Lacks = (id, value) =>
  id === 'load' ? value === 'ask' : id === 'cover' || id === 'coverWords' || id === 'consent';
const LACKS: Record<'page' | 'picture' | 'none', Lacks> = {
  page: () => false,
  picture: (id, value) => id !== 'cover' && coverless(id, value),
  none: coverless,
};
/** A file of one's own has its cover in its own element, whatever the form. */
const lacksOf = (form: CodeFormId, { form: from }: Item): Lacks =>
  LACKS[from === 'file' ? 'page' : (formOf(form).cover ?? 'none')];

/** Code in hand keeps its own frame, without a cover, and what stands around it in the page. */
const codeLacks: Lacks = (id, value) => coverless(id, value) || settingOf(id).moment === 'around';
