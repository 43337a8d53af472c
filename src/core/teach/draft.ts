import type { Pack, SettingPlace } from '../known/hosts/card.ts';
import type { Spelling } from '../known/hosts/spelling.ts';
import type { SettingId } from '../known/settings/list.ts';
import { encodePack } from '../steps/plan/packs.ts';
import type { Atom, Part } from './compose.ts';
import { keyOf, type Pair, type Solved } from './forms.ts';
import type { Observation } from './observe.ts';

/** A form of link as it was understood. */
export interface DraftForm {
  pattern: Solved['link'];
  /** By piece: its name. */
  names: ReadonlyMap<Atom, string>;
  /** Names of what is free, in order. */
  frees: readonly string[];
  origins: Set<string>;
  pairs: Pair[];
  /** What the captures were, by name. */
  texts: Map<string, string[]>;
}

/** One way of framing, with the links that lead to it. */
export interface DraftTarget {
  name: string;
  /** By the place: fixed text, or the name of a capture in braces. */
  frame: Map<string, FramePart[]>;
  origin: string;
  /** Whether the address of the frame or the placeholder's attributes are meant. */
  placeholder: { src: string; element: string } | null;
  forms: DraftForm[];
  inner: readonly string[];
}

/** Fixed text, or what is put in by a name: a capture, the whole link, or a setting in the path. */
export type FramePart = string | { put: string; as: 'capture' | 'link' | 'setting'; optional?: boolean };

/** What was learnt of a setting, for all targets. */
export interface DraftSetting {
  id: SettingId;
  /** None where it stands for another origin. */
  places: { place: SettingPlace; targets: readonly string[] }[];
  /** The value that another origin stands for. */
  byOrigin?: string;
  with: Readonly<Record<string, string>>;
  allow?: string;
  usual?: string;
  from: readonly number[];
  certain: boolean;
}

/** A card in the making: what the examples have shown so far. */
export interface Draft {
  targets: DraftTarget[];
  packs: Map<string, Pack>;
  /** Words that are given where no setting fills a place in the path. */
  origins: { reduced: Set<string> };
  /** Settings that links carry. */
  reads: { in: 'query' | 'fragment'; name: string; setting: SettingId; spelling: Spelling }[];
  /** Parameters of links that lead nowhere. */
  noise: ReadonlySet<string>;
  /** Origins of links whose pages must be asked, since their frames hold more. */
  asks: readonly string[];
}

const NAMES = ['id', 'key', 'part3', 'part4', 'part5', 'part6', 'part7'];
const FREE_NAMES = ['words', 'words2', 'words3', 'words4', 'words5', 'words6'];

/** Targets of all groups: those whose frames are made alike are one, with several forms of link. */
export function draftTargets(solved: readonly Solved[]): DraftTarget[] {
  const targets = new Map<string, DraftTarget>();
  for (const one of solved) {
    const names = namesOf(one);
    const frame = new Map([...one.frame].map(([place, parts]) => [place, parts.map((part) => framePart(part, names))]));
    const { observation } = one.pairs[0]!;
    const origin = observation.frame?.origin ?? '';
    const placeholder = observation.placeholder && { src: observation.placeholder.src, element: observation.placeholder.element };
    const holdsLink = [...frame.values()].flat().some((part) => typeof part !== 'string' && part.as === 'link');
    // What the frame holds of the link must be made anew from it, which differs by the form of link.
    const key = JSON.stringify([
      origin.replace(/\/\/[^.]*/, '//'),
      [...frame],
      placeholder,
      one.pairs[0]!.observation.kind,
      holdsLink ? keyOf(one.link) : '',
    ]);
    const before = targets.get(key);
    const target: DraftTarget = before ?? {
      name: '',
      frame,
      origin,
      placeholder,
      forms: [],
      inner: one.inner,
    };
    addForm(target, one, names);
    targets.set(key, target);
  }
  const all = [...targets.values()];
  all.forEach((target, i) => (target.name = i === 0 ? 'item' : `item${i + 1}`));
  return all;
}

function addForm(target: DraftTarget, { pairs, link }: Solved, names: ReadonlyMap<Atom, string>): void {
  const free = [...link.values()].flat().filter((part) => part === null).length;
  // Where the whole link is in the frame, what varies in it is what says which item it is.
  const frees = names.size === 0 ? NAMES.slice(0, free) : FREE_NAMES.slice(0, free);
  const same = target.forms.find((form) => keyOf(form.pattern) === keyOf(link));
  const origins = pairs.map((pair) => pair.link.origin);
  if (same) {
    origins.forEach((origin) => same.origins.add(origin));
    same.pairs.push(...pairs);
    for (const [atom, name] of names) same.texts.set(name, [...(same.texts.get(name) ?? []), ...atom.texts]);
  } else {
    const texts = new Map([...names].map(([atom, name]) => [name, [...atom.texts]]));
    target.forms.push({ pattern: link, names, frees, origins: new Set(origins), pairs: [...pairs], texts });
  }
}

/** Pieces in the order in which the frame has them. */
function namesOf({ frame }: Solved): Map<Atom, string> {
  const names = new Map<Atom, string>();
  for (const part of [...frame.values()].flat())
    if (typeof part !== 'string' && part.place !== 'link' && !names.has(part))
      names.set(part, part.place === 'sub' ? 'subdomain' : NAMES[[...names.values()].filter((n) => n !== 'subdomain').length]!);
  return names;
}

const framePart = (part: Part, names: ReadonlyMap<Atom, string>): FramePart =>
  typeof part === 'string'
    ? part
    : part.place === 'link'
      ? { put: 'canonical', as: 'link' }
      : { put: names.get(part)!, as: 'capture' };

const encodePath = (text: string): string => encodePack(text).replaceAll('/', '%2F').replaceAll('?', '%3F');
/** Signs of templates and patterns cannot stand in fixed text. */
const sayable = (text: string): boolean => !/[{}]|:[A-Za-z]/.test(text);

/** Whether the frame holds something of the link, and all fixed text can be said in templates and patterns. */
export const isSayable = ({ frame, forms }: DraftTarget): boolean =>
  [...frame.values()].flat().some((part) => typeof part !== 'string') &&
  [...frame.values(), ...forms.flatMap((form) => [...form.pattern.values()])]
    .flat()
    .every((part) => typeof part !== 'string' || sayable(part));

const inOrder = <Held>(places: ReadonlyMap<string, Held>, kind: string): [string, Held][] =>
  [...places]
    .filter(([place]) => place === kind || place.startsWith(`${kind}:`))
    .map(([place, held]) => [place.slice(kind.length + 1), held]);

/** The template of a frame address. */
export function frameTemplate({ origin, frame }: DraftTarget, packed: ReadonlySet<string>): string {
  const put = (parts: readonly FramePart[], encode: (text: string) => string): string =>
    parts
      .map((part) => (typeof part === 'string' ? encode(part) : part.as === 'setting' ? `{+${part.put}}` : `{${part.put}}`))
      .join('');
  let path = '';
  for (const [, parts] of inOrder(frame, 'path')) {
    const [only] = parts;
    const optional = parts.length === 1 && typeof only === 'object' && only.optional;
    path += optional ? `{/${only.put}}` : `/${put(parts, encodePath)}`;
  }
  const query = inOrder(frame, 'query')
    .filter(([name]) => !packed.has(`query:${name}`))
    .map(([name, parts]) => `${encodeURIComponent(name)}=${put(parts, encodePack)}`);
  const fragment = packed.has('fragment:') ? [] : (frame.get('fragment') ?? []);
  return (
    withLabel(origin, frame) +
    path +
    (query.length > 0 ? `?${query.join('&')}` : '') +
    (fragment.length > 0 ? `#${put(fragment, encodePack)}` : '')
  );
}

function withLabel(origin: string, frame: DraftTarget['frame']): string {
  const [label] = frame.get('sub') ?? [];
  return typeof label === 'object' ? origin.replace(/\/\/[^.]*\./, '//{subdomain}.') : origin;
}

/** Patterns of URLs: names that letters follow stand in braces. */
function patternOf(parts: readonly (string | { put: string })[]): string {
  return parts
    .map((part, i) => {
      if (typeof part === 'string') return part;
      const next = parts[i + 1];
      return typeof next === 'string' && /^\w/.test(next) ? `{:${part.put}}` : `:${part.put}`;
    })
    .join('');
}

/** The path of an address as a pattern. A closing slash says nothing. */
function pathPattern(segments: readonly (readonly (string | { put: string })[])[]): string {
  const all = segments.map((parts) => patternOf(parts.map((part) => (typeof part === 'string' ? encodePath(part) : part))));
  while (all.at(-1) === '') all.pop();
  return `/${all.join('/')}`;
}

/** The shape of a link as a card writes it. */
export interface LinkPattern {
  path: string;
  query: Record<string, string>;
  fragment: string | undefined;
}

/** The patterns by which frame addresses are known again: with each setting in the path, and without. */
export function framedPatterns({ frame }: DraftTarget): LinkPattern[] {
  const segments = inOrder(frame, 'path').map(([, parts]) => parts);
  const query = Object.fromEntries(
    inOrder(frame, 'query').flatMap(([name, parts]) =>
      parts.some((part) => typeof part !== 'string')
        ? [[name, patternOf(parts.map((part) => (typeof part === 'object' && part.as === 'link' ? { put: 'link' } : part)))]]
        : [],
    ),
  );
  const held = (frame.get('fragment') ?? []) as readonly FramePart[];
  const fragment = held.some((part) => typeof part !== 'string') ? patternOf(held) : undefined;
  const without = segments.flatMap((parts) => {
    const left = parts.flatMap((part) => (typeof part === 'object' && part.as === 'setting' ? [] : [part]));
    return left.length === 0 && parts.length > 0 ? [] : [left];
  });
  // What follows an identifier without a sign between could not be told from it.
  const paths = [...new Set([pathPattern(segments), pathPattern(without)])].filter((path) => !/:\w+\}?\{?:/.test(path));
  return paths.map((path) => ({ path, query, fragment }));
}

/** The pattern of a form of link, and the template that makes such a link. */
export function linkPatterns({ pattern, names, frees }: DraftForm, origin: string): LinkPattern & { canonical: string } {
  let free = 0;
  const named = new Map(
    [...pattern].map(([place, parts]) => [
      place,
      parts.map((part) =>
        typeof part === 'string'
          ? part
          : { put: part === null ? (place === 'sub' ? 'subdomain' : frees[free++]!) : names.get(part)! },
      ),
    ]),
  );
  const segments = inOrder(named, 'path').map(([, parts]) => parts);
  const query = inOrder(named, 'query');
  const fragment = named.get('fragment');
  const fill = (parts: readonly (string | { put: string })[], encode: (text: string) => string): string =>
    parts.map((part) => (typeof part === 'string' ? encode(part) : `{${part.put}}`)).join('');
  const label = named.get('sub')?.[0];
  return {
    path: pathPattern(segments),
    query: Object.fromEntries(query.map(([name, parts]) => [name, patternOf(parts)])),
    fragment: fragment && patternOf(fragment),
    canonical:
      (typeof label === 'object' ? origin.replace(/\/\/[^.]*\./, '//{subdomain}.') : origin) +
      segments.map((parts) => `/${fill(parts, encodePath)}`).join('') +
      (query.length > 0
        ? `?${query.map(([name, parts]) => `${encodeURIComponent(name)}=${fill(parts, encodePack)}`).join('&')}`
        : '') +
      (fragment ? `#${fill(fragment, encodePack)}` : ''),
  };
}

/** All that was observed of a target, over its forms of link. */
export const observationsOf = ({ forms }: DraftTarget): Observation[] =>
  forms.flatMap(({ pairs }) => pairs.map(({ observation }) => observation));
