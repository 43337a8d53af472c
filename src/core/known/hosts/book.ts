import type { Running } from '../../model/running.ts';
import type { HostCard, OriginGroup } from './card.ts';
import { compileCard, type CompiledCard, type CompiledForm, type CompiledTarget } from './compile.ts';
import type { SettingId } from '../settings/list.ts';

/** A card under one of its origins, with the forms of link that begin there. */
export interface HostEntry {
  card: CompiledCard;
  /** The setting that this address itself stands for, where it is another domain for the same. */
  byOrigin: { setting: SettingId; value: string } | undefined;
  /** Whether any subdomain will do, which is then captured as `subdomain`. */
  wild: boolean;
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
  /** Names of hosts whose pages must be asked for the player, by host name. */
  asked: ReadonlyMap<string, string>;
}

/**
 * A book of cards that have passed the schema. Of two cards with one id, the later one holds. A card is compiled when
 * something of its host first comes, so that a book of many thousands costs no more than the hosts that are met.
 */
export function makeBook(cards: readonly HostCard[]): HostBook {
  const known = new Map(cards.map((card) => [card.id, card]));
  const byId = compiledOnce([...known], compileCard);
  const [hosts, scripts, shortcodes] = [new Named<Placed>(), new Named<Placed>(), new Named<Placed>()];
  const asked = new Map<string, string>();
  for (const { id, name, origins, targets, asks } of known.values()) {
    for (const address of asks) asked.set(address.replace(/^https?:\/\//, ''), name);
    for (const [group, addresses] of Object.entries(origins))
      for (const address of addresses) hosts.add(address.replace(/^https?:\/\//, ''), { id, part: group });
    for (const [part, { script, shortcode }] of Object.entries(targets)) {
      if (script) scripts.add(scriptKey(script.src), { id, part });
      if (shortcode) shortcodes.add(shortcode.name.toLowerCase(), { id, part });
    }
  }
  const entryOf = ({ id, part }: Placed, wild: boolean): HostEntry =>
    makeEntry(byId.get(id)!, { group: part as OriginGroup, wild });
  const targetOf = ({ id, part }: Placed): CodeTarget => ({ card: byId.get(id)!, target: byId.get(id)!.targets.get(part)! });
  return {
    byId,
    asked,
    byHost: compiledOnce(hosts.all, (places, host) => places.map((place) => entryOf(place, host.startsWith('*.')))),
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
function compiledOnce<Source, Made>(
  sources: Iterable<[string, Source]>,
  make: (source: Source, name: string) => Made,
): Lookup<Made> {
  const waiting = new Map(sources);
  const made = new Map<string, Made>();
  return {
    has: (name) => waiting.has(name),
    get: (name) => {
      const before = made.get(name);
      if (before !== undefined) return before;
      const source = waiting.get(name);
      if (source === undefined) return undefined;
      const now = make(source, name);
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

/** The name of the host whose page must be asked for its player; undefined where links say enough, or nothing is known. */
export const askedOf = ({ asked }: HostBook, host: string): string | undefined =>
  asked.size === 0 ? undefined : (asked.get(host) ?? asked.get(anySubdomain(host)));

const anySubdomain = (host: string): string => `*${host.slice(Math.max(host.indexOf('.'), 0))}`;

/** What the cards say of an address's host: by its whole name, and of those with any subdomain. */
export function entriesOf({ byHost }: HostBook, host: string): readonly HostEntry[] | undefined {
  const [named, wild] = [byHost.get(host), byHost.get(anySubdomain(host))];
  return named && wild ? [...named, ...wild] : (named ?? wild);
}

function makeEntry(card: CompiledCard, { group, wild }: { group: OriginGroup; wild: boolean }): HostEntry {
  const forms = card.forms().filter(({ form }) => form.on.includes(group));
  const segmentOf = (form: CompiledForm): string => firstSegment(form.form.path);
  const others = forms.filter((form) => segmentOf(form).includes(':'));
  const segments = new Set(forms.map(segmentOf).filter((segment) => !segment.includes(':')));
  const bySegment = new Map(
    [...segments].map((segment) => [segment, forms.filter((f) => segmentOf(f) === segment || others.includes(f))]),
  );
  return { card, byOrigin: card.byOrigin.find((use) => use.group === group), wild, bySegment, others };
}
