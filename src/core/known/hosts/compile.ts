import { parseTemplate } from 'url-template';
import { ANYTHING, compileShapes } from './shape.ts';
import { own } from '../../model/own.ts';
import { joinFeatures } from '../../model/features.ts';
import type { Plan } from '../../model/plan.ts';
import type { SettingId } from '../settings/list.ts';
import {
  capturesOf,
  NAME_IN_PATTERN,
  namesIn,
  type CardSetting,
  type HonouredSetting,
  type HostCard,
  type LinkForm,
  type OriginGroup,
  type Pack,
  type SettingPlace,
  type Target,
} from './card.ts';
import { hasPlace, inPath } from './contradictions.ts';
import type { Spelling } from './spelling.ts';

/** A place in an address where a setting is read from. */
export interface ReadPlace {
  setting: SettingId;
  spelling: Spelling;
}

/** The places of one name; where there are several, their words tell them apart. */
type ReadPlaces = ReadonlyMap<string, readonly ReadPlace[]>;

/** A parameter that holds several settings, as one target has it. */
export interface ReadPack {
  id: string;
  pack: Pack;
  /** By the name within the pack. */
  members: ReadPlaces;
}

type PerPlace<Held> = Readonly<Record<'query' | 'fragment' | 'path', ReadonlyMap<string, Held>>>;

/** A form of link, ready to be matched. */
export interface CompiledForm {
  card: CompiledCard;
  form: LinkForm;
  target: CompiledTarget;
  /** Anchored; one group for each name in `names`, in order. */
  path: RegExp;
  names: readonly string[];
  query: readonly { name: string; pattern: RegExp; names: readonly string[] }[];
  /** What stands behind the #, where that says which item it is. */
  fragment: { pattern: RegExp; names: readonly string[] } | null;
  /** Captures that must have the shape of an identifier. */
  shaped: readonly { name: string; shape: (text: string) => boolean }[];
  /** Places that are settings, and packs of them. */
  reads: PerPlace<readonly ReadPlace[]>;
  packs: PerPlace<ReadPack>;
  /** Whether captures of the path may be settings. */
  readsPath: boolean;
  specificity: number;
}

/** A target of a card, ready to be written. */
export interface CompiledTarget {
  name: string;
  target: Target;
  canonical: Template;
  /** Null where the host has script code only. */
  frame: Template | null;
  /** Where what is said can be had; null where the card does not say. */
  transcript: Template | null;
  /** Whether the frame address holds the whole share link. */
  holdsLink: boolean;
  /** Parameters of the frame template that are the same for every item. */
  fixed: ReadonlyMap<string, string>;
  /** Whether settings stand in the path of its frame. */
  hasPath: boolean;
  /** Packs that always hold something, whatever is asked. */
  fixedPacks: readonly string[];
  /** Settings that stand in attributes of its frame, with the places. */
  frameAttributes: readonly (SettingPlace & { setting: SettingId })[];
  /** Settings that its share link carries. */
  shareReads: LinkForm['reads'];
  /** What the player needs whatever is asked of it, as a plan has it. */
  allow: Plan['allow'];
}

type Template = (values: Readonly<Record<string, string>>) => string;

/** A card, ready to recognise and to write; forms are compiled when a link of its host comes. */
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
  companions: ReadonlyMap<string, readonly string[]>;
  tracking: ReadonlySet<string>;
  hasPacks: boolean;
  /** Ids of the link forms that are frame addresses. */
  framedForms: ReadonlySet<string>;
  /** Its link forms, most specific first. */
  forms: () => readonly CompiledForm[];
}

/** The first address of a card's origin group, or undefined. */
export const originOf = (card: HostCard, group: OriginGroup): string | undefined => card.origins[group]?.[0];

/** Whether a setting of a card is sent somewhere; otherwise it is a change of domain, or known to be done nowhere. */
export const isHonoured = (setting: CardSetting | undefined): setting is HonouredSetting =>
  setting !== undefined && setting.in !== 'origin' && setting.in !== 'nowhere';

/** Where a setting stands for a target, and how it is spelt there. */
export const placeOf = (use: HonouredSetting, target: string | null): SettingPlace =>
  (target !== null && use.instead.find(({ targets }) => targets.includes(target))) || use;

const isFor = ({ targets }: HonouredSetting, target: string): boolean => !targets || targets.includes(target);

/** Compiles a card. It has passed its schema: nothing in it can fail here. */
export function compileCard(card: HostCard): CompiledCard {
  const settings = Object.entries(card.settings) as [SettingId, CardSetting][];
  let forms: readonly CompiledForm[] | undefined;
  const compiled: CompiledCard = {
    card,
    forms: () => (forms ??= card.links.map((form) => compileForm(compiled, form)).sort((a, b) => b.specificity - a.specificity)),
    shapes: new Map(Object.entries(card.identifiers).map(([name, { shape }]) => [name, compileShapes(shape)])),
    sampled: Object.entries(card.identifiers).flatMap(([name, { samples }]) => (samples.length > 0 ? [name] : [])),
    targets: new Map(Object.entries(card.targets).map(([name, target]) => [name, compileTarget(card, name, target)])),
    byOrigin: settings.flatMap(([setting, use]) =>
      use.in === 'origin' ? Object.entries<OriginGroup>(use.words).map(([value, group]) => ({ setting, group, value })) : [],
    ),
    needed: settings.flatMap(([setting, use]) =>
      isHonoured(use) && use.needed && use.fromSite ? [{ setting, fromSite: use.fromSite, targets: use.targets }] : [],
    ),
    companions: companionsOf(settings.map(([, use]) => use)),
    tracking: new Set(card.tracking),
    hasPacks: Object.keys(card.packs).length > 0,
    framedForms: new Set(card.links.filter((form) => form.framed).map((form) => form.id)),
  };
  return compiled;
}

/** What goes along with settings, by the name of the parameter: captures in braces, and constants. */
function companionsOf(uses: readonly CardSetting[]): CompiledCard['companions'] {
  const companions = new Map<string, string[]>();
  for (const use of uses)
    if (isHonoured(use))
      for (const [name, value] of Object.entries(use.with)) companions.set(name, [...(companions.get(name) ?? []), value]);
  return companions;
}

function compileTarget(card: HostCard, name: string, target: Target): CompiledTarget {
  const share = card.links.find((form) => form.target === name && !form.framed && !form.refused);
  return {
    name,
    target,
    holdsLink: target.frame?.includes('{canonical}') ?? false,
    shareReads: share?.reads ?? [],
    frameAttributes: frameAttributesOf(card, name),
    fixed: fixedIn(target.frame ?? ''),
    hasPath: inPath(card).some((place) => hasPlace(target.frame, place)),
    fixedPacks: Object.entries(card.packs).flatMap(([id, { fixed }]) => (Object.keys(fixed).length > 0 ? [id] : [])),
    allow: joinFeatures(target.allow.map((feature) => ({ feature, origin: 'item' }))),
    canonical: compileTemplate(absolute(target.canonical, card, 'share')),
    transcript: target.transcript === undefined ? null : compileTemplate(absolute(target.transcript, card, 'share')),
    frame:
      target.frame === undefined ? null : withRests(compileTemplate(absolute(target.frame, card, 'frame')), restsOf(card, name)),
  };
}

function frameAttributesOf(card: HostCard, target: string): CompiledTarget['frameAttributes'] {
  return Object.entries(card.settings).flatMap(([id, use]) => {
    const place = isHonoured(use) ? placeOf(use, target) : undefined;
    return place?.in === 'frameAttribute' ? [{ ...place, setting: id as SettingId }] : [];
  });
}

/** What stands in the path where no setting does. */
function restsOf(card: HostCard, target: string): Readonly<Record<string, string>> {
  return Object.fromEntries(
    Object.values(card.settings).flatMap((use) => {
      if (!isHonoured(use)) return [];
      const { in: place, name, rest } = placeOf(use, target);
      return place === 'path' && rest !== undefined ? [[name, rest]] : [];
    }),
  );
}

const withRests = (template: Template, rests: Readonly<Record<string, string>>): Template =>
  Object.keys(rests).length === 0 ? template : (values) => template({ ...rests, ...values });

/** A template from / on is of the host itself. */
const absolute = (source: string, card: HostCard, group: OriginGroup): string =>
  source.startsWith('/')
    ? (originOf(card, group) ?? Object.values(card.origins)[0]![0]!).replace('*', '{subdomain}') + source
    : source;

function fixedIn(frame: string): ReadonlyMap<string, string> {
  const query = /\?([^#]*)/.exec(frame)?.[1] ?? '';
  return new Map([...new URLSearchParams(query)].filter(([, value]) => !value.includes('{')));
}

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
  const fragment =
    form.fragment === undefined ? null : { pattern: compilePath(form.fragment, '.'), names: namesIn(form.fragment) };
  const [reads, packs] = readPlaces(card.card, form);
  return {
    card,
    form,
    target: card.targets.get(form.target)!,
    path: compilePath(form.path, undefined, (name) => boundedShape(card.card, name)),
    names,
    query,
    fragment,
    shaped: capturesOf(form).flatMap((name) => {
      const shape = card.shapes.get(name);
      return shape ? [{ name, shape }] : [];
    }),
    reads,
    packs,
    readsPath: reads.path.size + packs.path.size > 0,
    specificity:
      form.path.split('/').filter((part) => part && !part.includes(':')).length * 10 +
      query.length * 4 +
      (fragment ? 4 : 0) +
      shapeWeight(card.card, names),
  };
}

/** A capture of a fixed shape says more than one that takes anything. */
function shapeWeight(card: HostCard, names: readonly string[]): number {
  return names.filter((name) => {
    const shape = own(card.identifiers, name)?.shape;
    return typeof shape === 'string' && /\{\d+\}$/.test(shape);
  }).length;
}

/**
 * URL Pattern syntax, the part that cards use: literal text, `:name` and `{:name}`, each within one path
 * segment; in the value of a parameter, each over any text. Where several stand in one segment their
 * length is bounded, so that no pattern can make matching slow.
 */
export function compilePath(
  pattern: string,
  within = '[^/]',
  shapeOf: (name: string) => string | undefined = () => undefined,
): RegExp {
  const body = pattern
    .split(within === '.' ? /$^/ : /(?<=\/)/)
    .map((segment) => {
      const literals = segment.replace(NAME_IN_PATTERN, '\u0000').split('\u0000');
      const names = namesIn(segment);
      const several = names.length > 1;
      const capture = (name: string): string => (several && shapeOf(name)) || `${within}${several ? '{1,120}' : '+'}`;
      return literals
        .map((literal, i) => (i === 0 ? '' : `(${capture(names[i - 1]!)})`) + literal.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'))
        .join('');
    })
    .join('');
  return new RegExp(`^${body}$`);
}

type Gathered<Held> = Record<'query' | 'fragment' | 'path', Map<string, Held>>;
const gathered = <Held>(): Gathered<Held> => ({ query: new Map(), fragment: new Map(), path: new Map() });

/** A shape by which a capture is told from what stands beside it; undefined where it could make matching slow. */
function boundedShape(card: HostCard, name: string): string | undefined {
  const shape = own(card.identifiers, name)?.shape;
  if (typeof shape !== 'string' || shape === ANYTHING) return undefined;
  const bounded = shape.replace(/\+$/, '{1,120}');
  return bounded.includes('+') || bounded.includes(',') !== (bounded !== shape) ? undefined : bounded;
}

function readPlaces(card: HostCard, form: LinkForm): [CompiledForm['reads'], CompiledForm['packs']] {
  const reads = gathered<ReadPlace[]>();
  const packs = gathered<{ id: string; pack: Pack; members: Map<string, ReadPlace[]> }>();
  for (const { in: place, name, setting, spelling } of form.reads) put(reads[place], name, { setting, spelling });
  if (!form.framed) return [reads, packs];
  for (const [id, pack] of Object.entries(card.packs))
    if (pack.in !== 'attribute') packs[pack.in].set(pack.name, { id, pack, members: new Map() });
  const uses = (Object.entries(card.settings) as [SettingId, CardSetting][]).filter((one): one is [SettingId, HonouredSetting] =>
    isHonoured(one[1]),
  );
  // What another target has is read too, where this one has nothing of that name.
  for (const [setting, use] of uses.sort((a, b) => Number(isFor(b[1], form.target)) - Number(isFor(a[1], form.target)))) {
    const { in: place, name, pack, spelling } = placeOf(use, form.target);
    const of = place === 'packed' ? card.packs[pack!]! : undefined;
    const held =
      of && of.in !== 'attribute'
        ? packs[of.in].get(of.name)!.members
        : place in reads
          ? reads[place as keyof typeof reads]
          : null;
    if (held && (isFor(use, form.target) || !held.has(name))) put(held, name, { setting, spelling });
  }
  return [reads, packs];
}

/** What may stand within a pack, as a target has it. */
export function membersOf(card: HostCard, pack: string, target: string): ReadPlaces {
  const members = new Map<string, ReadPlace[]>();
  for (const [setting, use] of Object.entries(card.settings) as [SettingId, CardSetting][]) {
    if (!isHonoured(use)) continue;
    const place = placeOf(use, target);
    if (place.in === 'packed' && place.pack === pack && isFor(use, target))
      put(members, place.name, { setting, spelling: place.spelling });
  }
  return members;
}

function put(places: Map<string, ReadPlace[]>, name: string, place: ReadPlace): void {
  const before = places.get(name);
  if (before) before.push(place);
  else places.set(name, [place]);
}
