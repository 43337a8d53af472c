import type { Pack } from '../known/hosts/card.ts';
import { splitPack } from '../known/hosts/packs.ts';
import type { SettingId, Settings } from '../known/settings/list.ts';
import type { SettingValue } from '../model/values.ts';
import type { Difference } from './differences.ts';
import { nameScore } from '../known/hosts/guess.ts';
import { learnSpelling } from './spell.ts';
import { learnPack, type Holding } from './unpack.ts';

/** An example with settings beside the plain code of the same item. */
export interface Evidence {
  from: readonly number[];
  target: string;
  settings: Settings;
  differences: readonly Difference[];
  /** Features that its frame is given besides (Permissions Policy). */
  features: readonly string[];
}

/** A difference, possibly within a pack. */
export interface Trace extends Omit<Difference, 'in'> {
  in: Difference['in'] | 'packed';
  pack?: string;
  /** In JSON, text even where it looks like something else. */
  quoted?: boolean;
  /** Of what is packed: the difference that held it. */
  outer?: Difference;
}

/** One setting with what it changed. */
export interface Sight {
  setting: SettingId;
  value: SettingValue;
  target: string;
  from: readonly number[];
  main: Trace;
  /** Of a pack in the path: where it stands. */
  place?: Trace;
  /** In the path: what stands there where nothing is asked. */
  rest?: string;
  /** Further texts, where a list repeats its parameter. */
  more: readonly Trace[];
  along: readonly Trace[];
  features: readonly string[];
  /** Whether it was told from others of the same example by its name alone. */
  guessed: boolean;
}

/** Packs taken apart into their members, and what is left to be explained. */
export interface Unpacked {
  packs: Map<string, Pack>;
  /** Whether the sign between members was never seen. */
  guessed: ReadonlySet<string>;
  traces: (Omit<Evidence, 'differences'> & { traces: Trace[] })[];
}

/** One order of all names, by those of which several were seen at once; none where there were none. */
function orderOf(written: readonly (readonly string[])[]): string[] {
  const order: string[] = [];
  for (const names of [...written].filter(({ length }) => length > 1).sort((a, b) => b.length - a.length))
    names.forEach((name, i) => {
      if (order.includes(name)) return;
      const next = names.slice(i + 1).find((one) => order.includes(one));
      if (next === undefined) order.push(name);
      else order.splice(order.indexOf(next), 0, name);
    });
  return order;
}

const keyOf = ({ in: place, name }: Difference): string => `${place}:${name}`;

/** Finds the parameters that hold several things, and takes them apart. */
export function unpack(all: readonly Evidence[]): Unpacked {
  const packs = new Map<string, Pack>();
  const byKey = new Map<string, string>();
  const guessed = new Set<string>();
  for (const [key, holdings] of holdingsOf(all)) {
    const found = learnPack(holdings);
    const [place, name] = [key.slice(0, key.indexOf(':')), key.slice(key.indexOf(':') + 1)];
    if (!found || place === 'origin') continue;
    const id = packs.size === 0 ? 'pack' : `pack${packs.size + 1}`;
    const { guessed: open, ...pack } = found;
    packs.set(id, { ...pack, order: [], in: place as Pack['in'], name: place === 'path' ? id : name });
    byKey.set(key, id);
    if (open) guessed.add(id);
  }
  const traces = all.map(({ differences, ...evidence }) => ({
    ...evidence,
    traces: differences.flatMap((difference): Trace[] => {
      const id = byKey.get(keyOf(difference));
      if (id === undefined || difference.text === undefined) return [difference];
      return (splitPack(packs.get(id)!, difference.text) ?? []).map(({ name, text, quoted }) => ({
        in: 'packed',
        pack: id,
        name,
        text,
        was: undefined,
        bare: text === '',
        outer: difference,
        ...(quoted && { quoted }),
      }));
    }),
  }));
  for (const [id, pack] of packs) {
    const written = traces.map((one) => one.traces.filter((trace) => trace.pack === id).map(({ name }) => name));
    packs.set(id, { ...pack, order: orderOf(written) });
  }
  return { packs, guessed, traces };
}

/** In the path, what stands behind the identifier in its segment. */
function behindIdentifier({ in: place, was }: Difference, text: string): Pick<Holding, 'text' | 'was'> {
  const behind = place === 'path' && was !== undefined && was !== '' && text.startsWith(was);
  return behind ? { text: text.slice(was.length), was: undefined } : { text, was };
}

function holdingsOf(all: readonly Evidence[]): Map<string, Holding[]> {
  const holdings = new Map<string, Holding[]>();
  for (const { settings, differences } of all) {
    const keys = new Set(differences.map(keyOf));
    for (const difference of differences) {
      if (difference.text === undefined || difference.in === 'origin') continue;
      const key = keyOf(difference);
      const holding = { settings, ...behindIdentifier(difference, difference.text), alone: keys.size === 1 };
      holdings.set(key, [...(holdings.get(key) ?? []), holding]);
    }
  }
  return holdings;
}

/** Which difference comes of which setting: examples of one setting first, and by what they showed those of several. */
export function sightsOf(traces: Unpacked['traces']): {
  sights: Sight[];
  unseen: { from: readonly number[]; setting: SettingId }[];
} {
  const sights: Sight[] = [];
  const unseen: { from: readonly number[]; setting: SettingId }[] = [];
  const known = new Map<string, SettingId>();
  const inOrder = [...traces].sort((a, b) => Object.keys(a.settings).length - Object.keys(b.settings).length);
  for (const { settings, traces: all, target, from, features } of inOrder) {
    let left = all.filter(({ text }) => text !== undefined);
    const entries = Object.entries(settings) as [SettingId, SettingValue][];
    let open: [SettingId, SettingValue][] = [];
    const put = (setting: SettingId, value: SettingValue, mine: Trace[], guessed = false): void => {
      const main = mainOf(setting, value, mine);
      const more = mine.filter((trace) => trace !== main && sameName(trace, main));
      const along = mine.filter((trace) => trace !== main && !more.includes(trace));
      known.set(nameOf(main), setting);
      sights.push({
        setting,
        value,
        target,
        from,
        features: entries.length === 1 ? features : [],
        main,
        more,
        along,
        guessed,
        ...(main.outer && { place: main.outer }),
      });
      left = left.filter((trace) => !mine.includes(trace));
    };
    for (const [setting, value] of entries) {
      const mine = entries.length === 1 ? left : left.filter((trace) => known.get(nameOf(trace)) === setting);
      if (mine.length > 0) put(setting, value, mine);
      else open.push([setting, value]);
    }
    const several = open.length > 1;
    // Of several, first what spells its value, then what is called like it, then what is left.
    for (const tells of several ? [tellsBySpelling, likeName, isCalled] : [])
      open = open.filter(([setting, value]) => {
        const mine = left.find((trace) => tells(setting, trace, value));
        if (mine) put(setting, value, [mine], tells !== tellsBySpelling);
        return !mine;
      });
    for (const [setting, value] of open) {
      if (open.length === 1 && left.length > 0) put(setting, value, left, several);
      else unseen.push({ from, setting });
    }
  }
  return { sights, unseen };
}

const nameOf = ({ in: place, pack, name }: Trace): string => `${place}:${pack ?? ''}:${name.replace(/\[\d*\]$/, '')}`;
const sameName = (a: Trace, b: Trace): boolean => nameOf(a) === nameOf(b);

/** Of several differences the one that spells the value; of those the one whose name is likest to the setting's. */
function mainOf(setting: SettingId, value: SettingValue, traces: readonly Trace[]): Trace {
  const score = (trace: Trace): number =>
    (fits(setting, value, trace) ? 4 : 0) + (likeName(setting, trace) ? 2 : 0) + (trace.was === undefined ? 1 : 0);
  return [...traces].sort((a, b) => score(b) - score(a))[0]!;
}

function fits(setting: SettingId, value: SettingValue, { text }: Trace): boolean {
  const learnt = learnSpelling(setting, [{ value, text: text! }]);
  return learnt !== null && (learnt.spelling.form !== 'words' || learnt.filled.length > 0 || typeof value === 'string');
}

const tellsBySpelling = (setting: SettingId, trace: Trace, value: SettingValue): boolean =>
  fits(setting, value, trace) && !['on', 'off'].includes(String(value));

/** Whether a difference has the name of the setting, or part of it. */
function likeName(setting: SettingId, { name }: Pick<Trace, 'name'>): boolean {
  const [a, b] = [setting.toLowerCase(), name.toLowerCase()];
  if (b.length < 3) return b !== '' && a.startsWith(b);
  return a.includes(b) || b.includes(a) || a.slice(0, 3) === b.slice(0, 3);
}

/** Whether it is called what others call the setting. */
const isCalled = (setting: SettingId, { name }: Pick<Trace, 'name'>): boolean => nameScore(setting, name) > 1;
