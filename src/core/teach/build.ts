import { cardSchema, type HostCard } from '../known/hosts/card.ts';
import { splitFeatures, featureName } from '../model/features.ts';
import { KINDS, type Kind } from '../model/kind.ts';
import { parseRatio } from '../model/values.ts';
import { makesSense, needsNoHost, type SettingId } from '../known/settings/list.ts';
import { domainOf } from '../model/url.ts';
import { ANYTHING } from '../known/hosts/shape.ts';
import type { z } from 'zod';
import {
  framedPatterns,
  frameTemplate,
  linkPatterns,
  observationsOf,
  type Draft,
  type DraftForm,
  type DraftTarget,
} from './draft.ts';
import type { Atom } from './compose.ts';
import type { LearntSetting } from './settings.ts';
import type { Observation } from './observe.ts';

type CardInput = z.input<typeof cardSchema>;
type TargetInput = CardInput['targets'][string];
type LinkInput = CardInput['links'][number];

/** What a card is called. */
export interface Naming {
  id: string;
  name: string;
  /** The day of the card: `2027-01-11`. */
  updated: string;
}

/** Where a link or a frame may stand: groups of origins by what they are for. */
function originsOf({ targets, origins }: Draft): { groups: Map<string, Set<string>>; groupOf: (origin: string) => string } {
  const groups = new Map<string, Set<string>>();
  const byOrigin = new Map<string, string>();
  const put = (group: string, origin: string): void => {
    if (byOrigin.has(origin)) return;
    byOrigin.set(origin, group);
    groups.set(group, (groups.get(group) ?? new Set()).add(origin));
  };
  const links = targets.flatMap(({ forms }) =>
    forms.flatMap((form) => [...form.origins].map((origin) => wild(origin, form.pattern))),
  );
  const [first] = links;
  for (const origin of links)
    put(/\/\/m\./.test(origin) ? 'mobile' : domainOf(origin) === domainOf(first!) ? 'share' : 'short', origin);
  for (const { origin, frame } of targets)
    if (origin !== '') put('frame', typeof frame.get('sub')?.[0] === 'object' ? origin.replace(/\/\/[^.]*\./, '//*.') : origin);
  for (const origin of origins.reduced) put('reduced', origin);
  return { groups, groupOf: (origin) => byOrigin.get(origin)! };
}

const wild = (origin: string, pattern: DraftForm['pattern']): string =>
  typeof pattern.get('sub')?.[0] === 'object' ? origin.replace(/\/\/[^.]*\./, '//*.') : origin;

const UUID = '[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}';

/** The shape of what was seen, wide enough for what was not: `neighbours` are the signs that stand beside it. */
export function shapeOf(texts: readonly string[], neighbours: string): string {
  const every = (pattern: RegExp): boolean => texts.every((text) => pattern.test(text));
  if (every(new RegExp(`^${UUID}$`))) return UUID;
  const digits = texts.join('').length;
  if (every(/^[0-9]+$/) && (texts.length > 1 || digits > 4)) return '[0-9]+';
  if (!every(/^[A-Za-z0-9_.-]+$/)) return '*';
  const signs = ['_', '.', '-'].filter(
    (sign) => !neighbours.includes(sign) && (sign !== '.' || texts.some((text) => text.includes(sign))),
  );
  return `[A-Za-z0-9${signs.join('')}]+`;
}

/** Signs next to a piece within its part of the link. */
function neighboursOf({ pattern }: DraftForm, atom: Atom | null, place: string): string {
  const parts = pattern.get(place) ?? [];
  return parts
    .flatMap((part, i) => (part === atom ? [parts[i - 1], parts[i + 1]] : []))
    .filter((part) => typeof part === 'string')
    .join('');
}

type Identifiers = CardInput['identifiers'];

function identifiersOf(targets: readonly DraftTarget[]): Identifiers {
  const texts = new Map<string, { texts: string[]; neighbours: string; free: boolean }>();
  const note = (name: string, seen: readonly string[], more: { neighbours: string; free: boolean }): void => {
    const before = texts.get(name);
    texts.set(name, {
      texts: [...(before?.texts ?? []), ...seen],
      neighbours: (before?.neighbours ?? '') + more.neighbours,
      free: more.free,
    });
  };
  for (const { forms } of targets)
    for (const form of forms) {
      for (const [atom, name] of form.names) {
        note(name, form.texts.get(name)!, { neighbours: neighboursOf(form, atom, atom.place), free: false });
      }
      form.frees.forEach((name) => note(name, [], { neighbours: '', free: true }));
      if ([...form.pattern].some(([place, parts]) => place === 'sub' && parts[0] === null))
        note('subdomain', [], { neighbours: '', free: true });
    }
  return Object.fromEntries(
    [...texts].map(([name, { texts: seen, neighbours, free }]) => {
      const shape = free || seen.length === 0 ? '*' : shapeOf(seen, neighbours);
      return [
        name,
        {
          name: shape === ANYTHING ? 'any words' : name.replace(/\d$/, ''),
          shape,
          words: SHAPE_WORDS[shape] ?? 'letters, digits and signs, as in the example',
          example: (seen[0] ?? 'anything').slice(0, 80),
        },
      ];
    }),
  );
}

const SHAPE_WORDS: Readonly<Record<string, string>> = {
  '[0-9]+': 'digits',
  '[A-Za-z0-9]+': 'letters and digits',
  '*': 'any text',
  [UUID]: 'letters and digits in five groups with hyphens',
};

interface Grouped {
  groups: ReadonlyMap<string, unknown>;
  groupOf: (origin: string) => string;
  /** How many links there are already. */
  before: number;
}

/** The forms by which frame addresses of a target are known again. */
function framedLinks(target: DraftTarget, { groups, groupOf, before }: Grouped): LinkInput[] {
  const wraps = [...target.frame.values()].flat().some((part) => typeof part === 'object' && part.as === 'link');
  const labelled = typeof target.frame.get('sub')?.[0] === 'object';
  const group = groupOf(labelled ? target.origin.replace(/\/\/[^.]*\./, '//*.') : target.origin);
  return framedPatterns(target).map(({ path, query, fragment }, i) => ({
    id: `frame${before + i + 1}`,
    name: 'A frame address',
    target: target.name,
    on: [...new Set([group, ...(groups.has('reduced') ? ['reduced'] : [])])] as LinkInput['on'],
    path,
    query,
    ...(fragment !== undefined && { fragment }),
    framed: true,
    ...(wraps && { wraps: 'link' }),
    examples: [observationsOf(target)[0]!.frame!.address],
  }));
}

/** The card that a draft amounts to; null with the reason where the schema refuses it. */
export function buildCard(
  draft: Draft,
  settings: readonly LearntSetting[],
  naming: Naming,
): { card: HostCard } | { refused: string } {
  const { groups, groupOf } = originsOf(draft);
  const packed = new Set([...draft.packs.values()].map(({ in: place, name }) => `${place}:${name}`));
  const links: LinkInput[] = [];
  const targets: Record<string, TargetInput> = {};
  for (const target of draft.targets) {
    const made = targetInput(target, { packed, settings });
    targets[target.name] = made;
    // First, since a share link may look like a frame address, which says more.
    if (!target.placeholder) links.push(...framedLinks(target, { groupOf, groups, before: links.length }));
    target.forms.forEach((form) => {
      const [origin] = form.origins;
      const { path, query, fragment } = linkPatterns(form, origin!);
      links.push({
        id: `link${links.length + 1}`,
        name: 'A share link',
        target: target.name,
        on: [...new Set([...form.origins].map((one) => groupOf(wild(one, form.pattern))))] as LinkInput['on'],
        path,
        query,
        ...(fragment !== undefined && { fragment }),
        reads: fragment === undefined ? draft.reads : draft.reads.filter((one) => one.in === 'query'),
        examples: [form.pairs[0]!.link.address],
      });
    });
  }
  const kinds = new Map(Object.entries(targets).map(([name, { kind }]) => [name, kind]));
  const input: CardInput = {
    format: 'refenestra-host-card/2',
    ...naming,
    origins: Object.fromEntries([...groups].map(([group, origins]) => [group, [...origins].sort()])),
    identifiers: identifiersOf(draft.targets),
    targets,
    links,
    settings: Object.fromEntries(settings.map((setting) => [setting.id, settingInput(setting, draft, kinds)])),
    packs: Object.fromEntries(draft.packs),
    asks: [...draft.asks],
    tracking: [...draft.noise].filter((name) => !draft.reads.some((one) => one.name === name)).sort(),
  };
  const result = cardSchema.safeParse(input);
  return result.success
    ? { card: result.data }
    : { refused: result.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`).join('; ') };
}

function settingInput(
  { id, places, with: along, allow, usual, byOrigin }: LearntSetting,
  { targets }: Draft,
  kinds: ReadonlyMap<string, Kind>,
): NonNullable<CardInput['settings']>[SettingId] {
  const [first, ...others] = places;
  if (!first) return { in: 'origin', words: { [byOrigin!]: 'reduced' }, usual: usual! };
  const shown = new Set(places.flatMap(({ targets: own }) => own));
  const odd = targets.some(({ name }) => !makesSense(id, kinds.get(name)!));
  // In one place alone it is taken to hold for all; their names are told where their kind would speak against it.
  const held = others.length === 0 ? targets.map(({ name }) => name) : [...shown];
  const everywhere = !odd && held.length === targets.length;
  return {
    ...first.place,
    ...(others.length > 0 && { instead: others.map(({ place, targets: own }) => ({ ...place, targets: [...own] })) }),
    ...(!everywhere && { targets: held }),
    ...(Object.keys(along).length > 0 && { with: along }),
    ...(allow !== undefined && { allow }),
    ...(usual !== undefined && { usual }),
  };
}

function targetInput(
  target: DraftTarget,
  { packed, settings }: { packed: ReadonlySet<string>; settings: readonly LearntSetting[] },
): TargetInput {
  const observations = observationsOf(target);
  const kind = kindOf(target, observations, settings);
  const withFewest = [...target.forms].sort((a, b) => a.frees.length - b.frees.length)[0]!;
  const holdsLink = [...target.frame.values()].flat().some((part) => typeof part === 'object' && part.as === 'link');
  const ids = [...new Set([...withFewest.names.values(), ...(holdsLink || withFewest.names.size === 0 ? withFewest.frees : [])])];
  const { placeholder } = target;
  return {
    kind,
    scope: 'item',
    id: ids,
    canonical: linkPatterns(withFewest, [...withFewest.origins][0]!).canonical,
    ...(!placeholder && { frame: frameTemplate(target, packed) }),
    ...(placeholder && {
      script: {
        src: placeholder.src,
        element: placeholder.element,
        attributes: Object.fromEntries(
          [...target.frame].map(([place, parts]) => [
            place.slice('attr:'.length),
            parts.map((part) => (typeof part === 'string' ? part : `{${part.put}}`)).join(''),
          ]),
        ),
      },
    }),
    fit: fitOf(observations, kind),
    allow: featuresOf(observations),
  };
}

/** The kind that was told, else the one that can do most of what was learnt. */
function kindOf({ name }: DraftTarget, observations: readonly Observation[], settings: readonly LearntSetting[]): Kind {
  const told = observations.find(({ kind }) => kind !== undefined)?.kind;
  const own = settings
    .filter(({ id, places }) => !needsNoHost(id) && places.some(({ targets }) => targets.includes(name)))
    .map(({ id }) => id);
  if (told !== undefined) return told;
  const able = (kind: Kind): number => own.filter((id) => makesSense(id, kind)).length;
  return KINDS.reduce((best, kind) => (able(kind) > able(best) ? kind : best));
}

/** Features that a code gives its frame (Permissions Policy, section 9.2; HTML, section 4.8.5). */
export function featuresIn(attributes: Observation['attributes']): string[] {
  const named = splitFeatures(attributes.find(({ name }) => name === 'allow')?.value ?? '').map(featureName);
  return attributes.some(({ name }) => name === 'allowfullscreen') ? [...named, 'fullscreen'] : named;
}

/** Features that every plain code of it gives its frame. */
function featuresOf(observations: readonly Observation[]): string[] {
  const all = observations.map(({ attributes }) => featuresIn(attributes));
  return [...new Set(all[0] ?? [])].filter((feature) => /^[a-z-]+$/.test(feature) && all.every((one) => one.includes(feature)));
}

const pixels = (value: string | null | undefined): number | null => {
  const found = /^\s*(\d{1,4})(?:px)?\s*$/.exec(value ?? '')?.[1];
  return found !== undefined && Number(found) > 0 ? Number(found) : null;
};

/** How big it is, by the code that the host gives. */
function fitOf(observations: readonly Observation[], kind: Kind): TargetInput['fit'] {
  const sized = observations.find(
    ({ attributes, wrapped }) => wrapped !== null || attributes.some(({ name }) => name === 'height' || name === 'style'),
  );
  if (sized?.wrapped) return { by: 'ratio', ratio: sized.wrapped, width: 640 };
  const value = (name: string): string | null | undefined =>
    sized?.attributes.find((attribute) => attribute.name === name)?.value ??
    new RegExp(`(?:^|;)\\s*${name}\\s*:\\s*([^;]+)`).exec(sized?.attributes.find((a) => a.name === 'style')?.value ?? '')?.[1];
  const [width, height] = [pixels(value('width')), pixels(value('height'))];
  if (width !== null && height !== null) {
    const ratio = parseRatio(reduced(width, height));
    if (ratio !== undefined && kind !== 'audio' && kind !== 'podcast') return { by: 'ratio', ratio, width };
  }
  if (height !== null) return { by: 'number', height, width: width ?? 600 };
  return { by: 'ratio', ratio: '16:9', width: width ?? 640 };
}

function reduced(width: number, height: number): string {
  const common = (a: number, b: number): number => (b === 0 ? a : common(b, a % b));
  const by = common(width, height);
  return `${width / by}:${height / by}`;
}
