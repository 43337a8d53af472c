import { parseTemplate } from 'url-template';
import type { SettingId } from '../settings/list.ts';
import {
  capturesOf,
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
  query: readonly { name: string; literal?: string; capture?: string }[];
  reads: ReadonlyMap<string, ReadPlace>;
  specificity: number;
}

export interface CompiledTarget {
  name: string;
  target: Target;
  canonical: Template;
  frame: Template;
  /** Settings that its share link carries. */
  shareReads: LinkForm['reads'];
}

type Template = (values: Readonly<Record<string, string>>) => string;

export interface CompiledCard {
  card: HostCard;
  shapes: ReadonlyMap<string, RegExp>;
  targets: ReadonlyMap<string, CompiledTarget>;
  /** Settings that hold over a change of domain, by the domain group that stands for them. */
  byOrigin: readonly { setting: SettingId; group: OriginGroup; value: string }[];
  /** Parameters that go along with a setting: they are rewritten, never unknown. */
  companions: ReadonlySet<string>;
  tracking: ReadonlySet<string>;
  /** Ids of the link forms that are frame addresses. */
  framedForms: ReadonlySet<string>;
}

interface HostEntry {
  group: OriginGroup;
  forms: CompiledForm[];
}

/** All cards, ready for recognition. Found by host name (with port) in constant time. */
export interface HostBook {
  byHost: ReadonlyMap<string, readonly HostEntry[]>;
  byId: ReadonlyMap<string, CompiledCard>;
}

/** Compiles cards that have passed the schema. Of two cards with one id, the later one holds. */
export function makeBook(cards: readonly HostCard[]): HostBook {
  const byId = new Map(cards.map((card) => [card.id, compileCard(card)]));
  const byHost = new Map<string, HostEntry[]>();
  for (const compiled of byId.values()) {
    const forms = compiled.card.links.map((form) => compileForm(compiled, form)).sort((a, b) => b.specificity - a.specificity);
    for (const [group, addresses] of Object.entries(compiled.card.origins) as [OriginGroup, string[]][])
      for (const address of addresses) {
        const entry = { group, forms: forms.filter((f) => f.form.on.includes(group)) };
        const host = address.replace(/^https?:\/\//, '');
        byHost.set(host, [...(byHost.get(host) ?? []), entry]);
      }
  }
  return { byHost, byId };
}

/** The first address of a card's origin group, or undefined. */
export const originOf = (card: HostCard, group: OriginGroup): string | undefined => card.origins[group]?.[0];

export const isHonoured = (setting: CardSetting | undefined): setting is HonouredSetting =>
  setting !== undefined && (setting.in === 'query' || setting.in === 'fragment');

/** The key under which a parameter is read: names are only alike within query or fragment. */
export const readKey = (place: 'query' | 'fragment', name: string): string => `${place === 'query' ? '?' : '#'}${name}`;

function compileCard(card: HostCard): CompiledCard {
  const settings = Object.entries(card.settings) as [SettingId, CardSetting][];
  return {
    card,
    shapes: new Map(Object.entries(card.identifiers).map(([name, { shape }]) => [name, new RegExp(`^(?:${shape})$`)])),
    targets: new Map(Object.entries(card.targets).map(([name, target]) => [name, compileTarget(card, name, target)])),
    byOrigin: settings.flatMap(([setting, use]) =>
      use.in === 'origin' ? Object.entries<OriginGroup>(use.words).map(([value, group]) => ({ setting, group, value })) : [],
    ),
    companions: new Set(settings.flatMap(([, use]) => (isHonoured(use) ? Object.keys(use.with) : []))),
    tracking: new Set(card.tracking),
    framedForms: new Set(card.links.filter((form) => form.framed).map((form) => form.id)),
  };
}

function compileTarget(card: HostCard, name: string, target: Target): CompiledTarget {
  const share = card.links.find((form) => form.target === name && !form.framed && !form.refused);
  return {
    name,
    target,
    shareReads: share?.reads ?? [],
    canonical: compileTemplate(target.canonical),
    frame: compileTemplate(target.frame),
  };
}

/** RFC 6570 expansion; where a template holds nothing but plain `{name}`, its parts are laid out once. */
function compileTemplate(source: string): Template {
  const parts = source.split(/\{(\w+)\}/);
  if (parts.some((part, i) => i % 2 === 0 && /[{}]/.test(part))) {
    const template = parseTemplate(source);
    return (values) => template.expand(values);
  }
  return (values) => {
    let text = parts[0]!;
    for (let i = 1; i < parts.length; i += 2) text += encodeValue(values[parts[i]!] ?? '') + parts[i + 1]!;
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
  const names = capturesOf({ path: form.path, query: {} });
  const query = Object.entries(form.query).map(([name, v]) =>
    v.startsWith(':') ? { name, capture: v.slice(1) } : { name, literal: v },
  );
  return {
    card,
    form,
    target: card.targets.get(form.target)!,
    path: compilePath(form.path),
    names,
    query,
    reads: readPlaces(card.card, form),
    specificity:
      form.path.split('/').filter((part) => part && !part.includes(':')).length * 10 +
      query.length * 4 +
      shapeWeight(card.card, names),
  };
}

/** A capture of a fixed shape says more than one that takes anything. */
function shapeWeight(card: HostCard, names: readonly string[]): number {
  return names.filter((name) => /\{\d+\}$/.test(card.identifiers[name]?.shape ?? '')).length;
}

/** URL Pattern path syntax, the part that cards use: literal text and `:name`, one path segment each. */
export function compilePath(path: string): RegExp {
  const body = path
    .split(/:[A-Za-z][A-Za-z0-9_]*/)
    .map((literal) => literal.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'))
    .join('([^/]+)');
  return new RegExp(`^${body}$`);
}

function readPlaces(card: HostCard, form: LinkForm): Map<string, ReadPlace> {
  const places = new Map<string, ReadPlace>();
  for (const { in: place, name, setting, spelling } of form.reads)
    places.set(readKey(place, name), { setting: setting, spelling });
  if (form.framed)
    for (const [setting, use] of Object.entries(card.settings) as [SettingId, CardSetting][])
      if (isHonoured(use)) places.set(readKey(use.in, use.name), { setting, spelling: use.spelling });
  return places;
}
