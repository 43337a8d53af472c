import { parseTemplate } from 'url-template';
import { compileShape } from './shape.ts';
import { own } from '../../model/own.ts';
import { joinFeatures } from '../../model/features.ts';
import type { Plan } from '../../model/plan.ts';
import type { Running } from '../../model/running.ts';
import type { SettingId } from '../settings/list.ts';
import {
  NAME_IN_PATTERN,
  namesIn,
  type CardSetting,
  type HonouredSetting,
  type HostCard,
  type LinkForm,
  type OriginGroup,
  type Spelling,
  type Target,
} from './card.ts';

/** A place in an address where a setting is read from. */
export interface ReadPlace {
  setting: SettingId;
  spelling: Spelling;
}

export interface CompiledForm {
  card: CompiledCard;
  form: LinkForm;
  target: CompiledTarget;
  /** Anchored; one group for each name in `names`, in order. */
  path: RegExp;
  names: readonly string[];
  query: readonly { name: string; pattern: RegExp; names: readonly string[] }[];
  /** Captures that must have the shape of an identifier. */
  shaped: readonly { name: string; shape: (text: string) => boolean }[];
  /** Captures of the path that are settings. */
  pathReads: ReadonlyMap<string, ReadPlace>;
  reads: { query: ReadonlyMap<string, ReadPlace>; fragment: ReadonlyMap<string, ReadPlace> };
  specificity: number;
}

export interface CompiledTarget {
  name: string;
  target: Target;
  canonical: Template;
  /** Null where the host has script code only. */
  frame: Template | null;
  /** Whether the frame address holds the whole share link. */
  holdsLink: boolean;
  /** Settings that its share link carries. */
  shareReads: LinkForm['reads'];
  /** What the player needs whatever is asked of it, as a plan has it. */
  allow: Plan['allow'];
}

type Template = (values: Readonly<Record<string, string>>) => string;

export interface CompiledCard {
  card: HostCard;
  shapes: ReadonlyMap<string, (text: string) => boolean>;
  /** Identifiers of which the host's instructions hold samples. */
  sampled: readonly string[];
  targets: ReadonlyMap<string, CompiledTarget>;
  /** Settings that hold over a change of domain, by the domain group that stands for them. */
  byOrigin: readonly { setting: SettingId; group: OriginGroup; value: string }[];
  /** Settings whose value is that of the site, where nobody sets another. */
  needed: readonly { setting: SettingId; fromSite: 'domain' | 'language'; targets: readonly string[] | undefined }[];
  /** Parameters that go along with a setting: they are rewritten, never unknown. */
  companions: ReadonlySet<string>;
  tracking: ReadonlySet<string>;
  /** Ids of the link forms that are frame addresses. */
  framedForms: ReadonlySet<string>;
  /** Its link forms, most specific first. */
  forms: () => readonly CompiledForm[];
}

export interface HostEntry {
  card: CompiledCard;
  /** The setting that this address itself stands for, where it is another domain for the same. */
  byOrigin: { setting: SettingId; value: string } | undefined;
  /** Forms by the first segment of their path, most specific first. */
  bySegment: ReadonlyMap<string, readonly CompiledForm[]>;
  /** Forms whose path begins with a capture, for every other segment. */
  others: readonly CompiledForm[];
}

/** Forms that an address on this host may follow, most specific first. */
export const formsFor = (entry: HostEntry, path: string): readonly CompiledForm[] =>
  entry.bySegment.get(firstSegment(path)) ?? entry.others;

/** `see` of `/see/k7`. */
function firstSegment(path: string): string {
  const end = path.indexOf('/', 1);
  return end < 0 ? path.slice(1) : path.slice(1, end);
}

/** Where a piece of script code, or a short code, leads. */
export interface CodeTarget {
  card: CompiledCard;
  target: CompiledTarget;
}

/** Found by name in constant time. */
interface Lookup<Found> {
  get: (name: string) => Found | undefined;
  has: (name: string) => boolean;
}

/** All cards, ready for recognition. Found by host name (with port) in constant time. */
export interface HostBook {
  /** By the address of the script, without scheme. */
  byScript: Lookup<readonly CodeTarget[]>;
  byShortcode: Lookup<readonly CodeTarget[]>;
  byHost: Lookup<readonly HostEntry[]>;
  byId: Lookup<CompiledCard>;
}

/**
 * A book of cards that have passed the schema. Of two cards with one id, the later one holds. A card is compiled when
 * something of its host first comes, so that a book of many thousands costs no more than the hosts that are met.
 */
export function makeBook(cards: readonly HostCard[]): HostBook {
  const known = new Map(cards.map((card) => [card.id, card]));
  const byId = compiledOnce([...known], compileCard);
  const [hosts, scripts, shortcodes] = [new Named<Placed>(), new Named<Placed>(), new Named<Placed>()];
  for (const { id, origins, targets } of known.values()) {
    for (const [group, addresses] of Object.entries(origins))
      for (const address of addresses) hosts.add(address.replace(/^https?:\/\//, ''), { id, part: group });
    for (const [part, { script, shortcode }] of Object.entries(targets)) {
      if (script) scripts.add(scriptKey(script.src), { id, part });
      if (shortcode) shortcodes.add(shortcode.name.toLowerCase(), { id, part });
    }
  }
  const entryOf = ({ id, part }: Placed): HostEntry => {
    const card = byId.get(id)!;
    const group = part as OriginGroup;
    return makeEntry(
      card,
      group,
      card.forms().filter(({ form }) => form.on.includes(group)),
    );
  };
  const targetOf = ({ id, part }: Placed): CodeTarget => ({ card: byId.get(id)!, target: byId.get(id)!.targets.get(part)! });
  return {
    byId,
    byHost: compiledOnce(hosts.all, (places) => places.map(entryOf)),
    byScript: compiledOnce(scripts.all, (places) => places.map(targetOf)),
    byShortcode: compiledOnce(shortcodes.all, (places) => places.map(targetOf)),
  };
}

/** A part of a card: a group of its origins, or one of its targets. */
interface Placed {
  id: string;
  part: string;
}

/** Several things under one name, in the order in which they came. */
class Named<Thing> {
  readonly all = new Map<string, Thing[]>();
  add(name: string, thing: Thing): void {
    const before = this.all.get(name);
    if (before) before.push(thing);
    else this.all.set(name, [thing]);
  }
}

/** What is made of each source when it is first asked for, and kept. */
function compiledOnce<Source, Made>(sources: Iterable<[string, Source]>, make: (source: Source) => Made): Lookup<Made> {
  const waiting = new Map(sources);
  const made = new Map<string, Made>();
  return {
    has: (name) => waiting.has(name),
    get: (name) => {
      const before = made.get(name);
      if (before !== undefined) return before;
      const source = waiting.get(name);
      if (source === undefined) return undefined;
      const now = make(source);
      made.set(name, now);
      return now;
    },
  };
}

/** The address of a script, in whichever scheme it is loaded. */
export const scriptKey = (src: string): string => src.replace(/^(?:https?:)?\/\//i, '').replace(/[?#].*$/, '');

/** Whether something that runs is none of the scripts that cards name. */
export const isStrange =
  ({ byScript }: HostBook) =>
  ({ address }: Running): boolean =>
    address === undefined || !byScript.has(scriptKey(address));

function makeEntry(card: CompiledCard, group: OriginGroup, forms: readonly CompiledForm[]): HostEntry {
  const segmentOf = (form: CompiledForm): string => firstSegment(form.form.path);
  const others = forms.filter((form) => segmentOf(form).includes(':'));
  const segments = new Set(forms.map(segmentOf).filter((segment) => !segment.includes(':')));
  const bySegment = new Map(
    [...segments].map((segment) => [segment, forms.filter((f) => segmentOf(f) === segment || others.includes(f))]),
  );
  return { card, byOrigin: card.byOrigin.find((use) => use.group === group), bySegment, others };
}

/** The first address of a card's origin group, or undefined. */
export const originOf = (card: HostCard, group: OriginGroup): string | undefined => card.origins[group]?.[0];

export const isHonoured = (setting: CardSetting | undefined): setting is HonouredSetting =>
  setting !== undefined && setting.in !== 'origin' && setting.in !== 'nowhere';

function compileCard(card: HostCard): CompiledCard {
  const settings = Object.entries(card.settings) as [SettingId, CardSetting][];
  let forms: readonly CompiledForm[] | undefined;
  const compiled: CompiledCard = {
    card,
    forms: () => (forms ??= card.links.map((form) => compileForm(compiled, form)).sort((a, b) => b.specificity - a.specificity)),
    shapes: new Map(Object.entries(card.identifiers).map(([name, { shape }]) => [name, compileShape(shape)])),
    sampled: Object.entries(card.identifiers).flatMap(([name, { samples }]) => (samples.length > 0 ? [name] : [])),
    targets: new Map(Object.entries(card.targets).map(([name, target]) => [name, compileTarget(card, name, target)])),
    byOrigin: settings.flatMap(([setting, use]) =>
      use.in === 'origin' ? Object.entries<OriginGroup>(use.words).map(([value, group]) => ({ setting, group, value })) : [],
    ),
    needed: settings.flatMap(([setting, use]) =>
      isHonoured(use) && use.needed && use.fromSite ? [{ setting, fromSite: use.fromSite, targets: use.targets }] : [],
    ),
    companions: new Set(settings.flatMap(([, use]) => (isHonoured(use) ? Object.keys(use.with) : []))),
    tracking: new Set(card.tracking),
    framedForms: new Set(card.links.filter((form) => form.framed).map((form) => form.id)),
  };
  return compiled;
}

function compileTarget(card: HostCard, name: string, target: Target): CompiledTarget {
  const share = card.links.find((form) => form.target === name && !form.framed && !form.refused);
  return {
    name,
    target,
    holdsLink: target.frame?.includes('{canonical}') ?? false,
    shareReads: share?.reads ?? [],
    allow: joinFeatures(target.allow.map((feature) => ({ feature, origin: 'item' }))),
    canonical: compileTemplate(absolute(target.canonical, card, 'share')),
    frame: target.frame === undefined ? null : compileTemplate(absolute(target.frame, card, 'frame')),
  };
}

/** A template from / on is of the host itself. */
const absolute = (source: string, card: HostCard, group: OriginGroup): string =>
  source.startsWith('/') ? (originOf(card, group) ?? Object.values(card.origins)[0]![0]!) + source : source;

/** RFC 6570 expansion; where a template holds nothing but plain `{name}`, its parts are laid out once. */
function compileTemplate(source: string): Template {
  const parts = source.split(/\{(\w+)\}/);
  if (parts.some((part, i) => i % 2 === 0 && /[{}]/.test(part))) {
    const template = parseTemplate(source);
    return (values) => template.expand(Object.assign(Object.create(null), values) as Record<string, string>);
  }
  return (values) => {
    let text = parts[0]!;
    for (let i = 1; i < parts.length; i += 2) text += encodeValue(own(values, parts[i]!) ?? '') + parts[i + 1]!;
    return text;
  };
}

const UNRESERVED = /^[A-Za-z0-9._~-]*$/;
/** RFC 6570, section 3.2.2, simple expansion: everything but unreserved characters is encoded. */
function encodeValue(value: string): string {
  if (UNRESERVED.test(value)) return value;
  return encodeURIComponent(value).replace(/[!'()*]/g, (c) => `%${c.charCodeAt(0).toString(16).toUpperCase()}`);
}

function compileForm(card: CompiledCard, form: LinkForm): CompiledForm {
  const names = namesIn(form.path);
  const query = Object.entries(form.query).map(([name, pattern]) => ({
    name,
    pattern: compilePath(pattern, '.'),
    names: namesIn(pattern),
  }));
  return {
    card,
    form,
    target: card.targets.get(form.target)!,
    path: compilePath(form.path),
    names,
    query,
    shaped: [...names, ...query.flatMap((one) => one.names)].flatMap((name) => {
      const shape = card.shapes.get(name);
      return shape ? [{ name, shape }] : [];
    }),
    reads: readPlaces(card.card, form),
    pathReads: new Map(
      form.reads.filter((r) => r.in === 'path').map(({ name, setting, spelling }) => [name, { setting, spelling }]),
    ),
    specificity:
      form.path.split('/').filter((part) => part && !part.includes(':')).length * 10 +
      query.length * 4 +
      shapeWeight(card.card, names),
  };
}

/** A capture of a fixed shape says more than one that takes anything. */
function shapeWeight(card: HostCard, names: readonly string[]): number {
  return names.filter((name) => /\{\d+\}$/.test(own(card.identifiers, name)?.shape ?? '')).length;
}

/**
 * URL Pattern syntax, the part that cards use: literal text, `:name` and `{:name}`, each within one path
 * segment; in the value of a parameter, each over any text. Where several stand in one segment their
 * length is bounded, so that no pattern can make matching slow.
 */
export function compilePath(pattern: string, within = '[^/]'): RegExp {
  const body = pattern
    .split(within === '.' ? /$^/ : /(?<=\/)/)
    .map((segment) => {
      const literals = segment.replace(NAME_IN_PATTERN, '\u0000').split('\u0000');
      const capture = `(${within}${literals.length > 2 ? '{1,120}' : '+'})`;
      return literals.map((literal) => literal.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')).join(capture);
    })
    .join('');
  return new RegExp(`^${body}$`);
}

function readPlaces(card: HostCard, form: LinkForm): CompiledForm['reads'] {
  const reads = { query: new Map<string, ReadPlace>(), fragment: new Map<string, ReadPlace>() };
  for (const { in: place, name, setting, spelling } of form.reads)
    if (place !== 'path') reads[place].set(name, { setting, spelling });
  if (form.framed)
    for (const [setting, use] of Object.entries(card.settings) as [SettingId, CardSetting][])
      if (isHonoured(use) && use.in !== 'attribute') reads[use.in].set(use.name, { setting, spelling: use.spelling });
  return reads;
}
