import { escapeAttribute, escapeText } from 'entities';
import type { Context } from '../../context.ts';
import type { HouseStyle } from '../../known/styles/style.ts';
import { styleFor } from '../../known/styles/style.ts';
import type { Settings } from '../../known/settings/list.ts';
import type { Candidate } from '../../model/candidate.ts';
import { aboutOf, type Item } from '../../model/item.ts';
import { moved } from '../../model/moved.ts';
import { bringIn, keepEmbed, makeEmbed, type Embed } from '../../pipeline.ts';
import type { Finding } from '../../steps/check/finding.ts';
import type { Reached } from '../../proof/reach/reached.ts';
import { withoutParameter } from '../../steps/check/withoutParameter.ts';
import type { Change } from './found.ts';
import type { Rules } from './rules.ts';

/** What a sweep works by. */
export interface SweepSettings extends Pick<Context, 'book' | 'site'> {
  style: HouseStyle | undefined;
  rules: Rules;
  /** What visitors get at the frames of items, by their share links, where hosts were asked. */
  reached?: ReadonlyMap<string, readonly Reached[]> | undefined;
}

/** One embed as it stands, cut out of the text around it; places are within `text`. */
export interface Standing {
  text: string;
  candidate: Candidate;
  item: Item;
  /** The heading that it stands under. */
  heading: string;
}

/** The embed cut out of its text. */
export function cutOut(whole: string, candidate: Candidate, item: Item, heading: string): Standing {
  const [from, to] = candidate.range;
  return { text: whole.slice(from, to), candidate: moved(candidate, (place) => place - from), item, heading };
}

/** The embed as it stands, with what would go wrong. */
export const asItStands = ({ text, candidate, item }: Standing, context: Context): Embed =>
  keepEmbed({ text, candidate }, item, item.settings, { ...context, running: 'keep' });

/** Whether anything is loaded from the host before a visitor asked for it. */
export const loadsUnasked = ({ settings }: Pick<Embed, 'settings'>): boolean => settings.load !== 'ask';

/** Rounds after which remedies that undo each other are left as they are. */
const ROUNDS = 3;

/** What the rules make of an embed: its new code, null where that is the old one, or `lost` where it would be another. */
export function changed(standing: Standing, embed: Embed, context: Context, settings: SweepSettings): Change | 'lost' | null {
  const { text: after, judged } = rewritten(standing, embed, context, settings);
  if (after === standing.text) return null;
  const again = judged ? null : standsAs(after, standing, settings);
  if (again === 'lost') return 'lost';
  const now = judged ?? (again && asItStands(again, context));
  const left = new Set(now?.findings.map(({ code }) => code));
  const had = [...new Set(embed.findings.map(({ code }) => code))];
  return {
    ...trimmed(standing.text, after),
    ends: had.filter((code) => !left.has(code)),
    stays: had.filter((code) => left.has(code) && settings.rules.putRight.includes(code)),
    loads: now !== null && loadsUnasked(now),
  };
}

interface Rewritten {
  text: string;
  /** The embed as it stands now, where that was looked at. */
  judged: Embed | null;
}

function rewritten(standing: Standing, embed: Embed, context: Context, settings: SweepSettings): Rewritten {
  const { rules, reached, book } = settings;
  const { item } = standing;
  const about = aboutOf(item);
  const other = Object.hasOwn(rules.exchange, about) ? bringIn(rules.exchange[about]!, book)[0]?.item : undefined;
  if (other) {
    const asked = { ...carried(item.settings), ...other.settings };
    return { text: makeEmbed(other, asked, { ...context, form: 'responsive' }).code.text, judged: null };
  }
  if (rules.gone && reached?.get(about)?.some(({ code }) => code === 'gone')) return { text: linkTo(about, item), judged: null };
  let text = standing.text;
  let now: Standing = standing;
  let judged = embed;
  for (let round = 0; round < ROUNDS; round++) {
    const next = oneRound(now, judged, context, settings);
    if (next === text) break;
    text = next;
    const read = standsAs(text, standing, settings);
    if (!read || read === 'lost') return { text, judged: null };
    now = read;
    judged = asItStands(now, context);
  }
  return { text, judged };
}

/** What is left of an embed that is gone: a link to where it was. */
const linkTo = (address: string, { settings: { title } }: Item): string =>
  `<a href="${escapeAttribute(address)}">${escapeText(String(title ?? '').trim() || address.replace(/^https?:\/\//, ''))}</a>`;

/** What is the page's, and not the item's. */
const carried = ({ title, width, height, ratio, widthMode }: Settings): Settings =>
  Object.fromEntries(Object.entries({ title, width, height, ratio, widthMode }).filter(([, value]) => value !== undefined));

function oneRound({ text, candidate, item, heading }: Standing, embed: Embed, context: Context, settings: SweepSettings): string {
  const { rules, style } = settings;
  const remedied = embed.findings.filter(({ code }) => rules.putRight.includes(code));
  const wanted: Record<string, Settings[keyof Settings] | null> = { ...item.settings };
  if (rules.style) Object.assign(wanted, styleFor(style, item.kind));
  if (rules.titles && String(item.settings.title ?? '').trim() === '' && heading !== '') wanted.title = heading;
  for (const { remedy } of remedied) if (remedy?.by === 'settings') Object.assign(wanted, remedy.change);
  // What waits for a press goes on waiting, whatever the style says of loading.
  if (item.settings.load === 'ask') wanted.load = 'ask';
  const asked = Object.fromEntries(Object.entries(wanted).filter(([, value]) => value !== null)) as Settings;
  if (rules.covers && loadsUnasked(embed) && item.frame !== null && item.form !== 'file')
    return makeEmbed(item, { ...asked, load: 'ask' }, { ...context, form: 'cover', running: 'keep' }).code.text;
  const kept = keepEmbed({ text, candidate }, item, asked, { ...context, running: 'keep' }).code.text;
  return remedied.reduce((code, finding) => withRemedy(code, candidate, finding), kept);
}

/** Remedies that change the text itself. */
function withRemedy(code: string, { addressRange }: Candidate, { remedy }: Finding): string {
  if (remedy?.by === 'text') return code.replaceAll(remedy.replace, () => remedy.with);
  if (remedy?.by === 'parameter' && addressRange) return withoutParameter(code, addressRange, remedy.drop);
  return code;
}

/** What stands there once the code is changed: one embed of the same item; null where it has become a link. */
function standsAs(text: string, { item, heading }: Standing, { book, rules }: SweepSettings): Standing | 'lost' | null {
  const found = bringIn(text, book);
  const about = aboutOf(item);
  const expected = Object.hasOwn(rules.exchange, about) ? rules.exchange[about]! : about;
  const [one] = found;
  if (found.length !== 1 || !one?.item) return 'lost';
  if (one.candidate.source === 'link') return null;
  if (aboutOf(one.item) !== expected && bringIn(expected, book)[0]?.item?.canonical !== one.item.canonical) return 'lost';
  return { text, candidate: one.candidate, item: one.item, heading };
}

/** Only what differs, between what is the same before it and behind it. */
function trimmed(before: string, after: string): Pick<Change, 'range' | 'before' | 'after'> {
  const shorter = Math.min(before.length, after.length);
  let [from, end] = [0, 0];
  while (from < shorter && before[from] === after[from]) from++;
  while (end < shorter - from && before[before.length - 1 - end] === after[after.length - 1 - end]) end++;
  return {
    range: [from, before.length - end],
    before: before.slice(from, before.length - end),
    after: after.slice(from, after.length - end),
  };
}
