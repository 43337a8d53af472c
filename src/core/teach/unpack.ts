import type { Pack } from '../known/hosts/card.ts';
import { fromBase64url, splitPack, type Member } from '../known/hosts/packs.ts';
import { settingOf, type SettingId, type Settings } from '../known/settings/list.ts';
import type { SettingValue } from '../model/values.ts';
import { learnSpelling } from './spell.ts';

/** What one parameter held, in one example. */
export interface Holding {
  settings: Settings;
  text: string;
  /** In the plain code. */
  was: string | undefined;
  /** Whether nothing else in the code differs from the plain one. */
  alone: boolean;
}

type Found = Pick<Pack, 'as' | 'separator' | 'equals' | 'base64url' | 'fixed'> & { guessed: boolean };

/** The likeliest first. */
const SEPARATORS = [',', ';', '|', '+', '~', ' ', '.', '&', '/', '_', '-', ':'];
const EQUALS = [':', '=', '-', '_', '~', '.'];
const NAME = /^[A-Za-z][\w.-]{0,39}$/;

/** How a parameter holds several things; null where it is nothing but a value of its own. */
export function learnPack(holdings: readonly Holding[]): Found | null {
  const json = asJson(holdings, false) ?? asJson(holdings, true);
  if (json) return json;
  const ids = new Set(holdings.filter(({ alone }) => alone).flatMap(({ settings }) => Object.keys(settings)));
  const grown = holdings.some(({ was, text }) => was !== undefined && was !== '' && text !== was && text.includes(was));
  if (ids.size < 2 && !grown) return null;
  return asPlaces(holdings) ?? asPairs(holdings);
}

function asJson(holdings: readonly Holding[], base64url: boolean): Found | null {
  const pack: Pack = { in: 'query', name: 'p', as: 'json', separator: ',', equals: ':', base64url, order: [], fixed: {} };
  const all = holdings.map(({ text, was }) => [splitPack(pack, text), was ? splitPack(pack, was) : []] as const);
  if (all.some(([members, before]) => !members || !before || members.length === 0)) return null;
  if (base64url && holdings.some(({ text }) => !fromBase64url(text)?.startsWith('{'))) return null;
  const plain =
    all.find(([, before]) => before!.length > 0)?.[1] ??
    commonTo(
      all.map(([members]) => members!),
      holdings,
    );
  return { as: 'json', separator: ',', equals: ':', base64url, fixed: record(plain), guessed: false };
}

const record = (members: readonly Member[]): Record<string, string> =>
  Object.fromEntries(members.map(({ name, text }) => [name, text]));

/** Members that examples of different settings all have alike. */
function commonTo(all: readonly (readonly Member[])[], holdings: readonly Holding[]): Member[] {
  if (new Set(holdings.map(({ settings }) => JSON.stringify(settings))).size < 2) return [];
  return all[0]!.filter(({ name, text }) =>
    all.every((members) => members.some((one) => one.name === name && one.text === text)),
  );
}

/** What of a setting's value a text spells by itself: numbers, times and colours, which are no names. */
function spells(id: string, value: SettingValue, text: string): boolean {
  const { type } = settingOf(id as SettingId).value;
  return (
    text !== '' &&
    ['time', 'count', 'length', 'colour'].includes(type) &&
    learnSpelling(id as SettingId, [{ value, text }])?.spelling.form !== 'words'
  );
}

function asPlaces(holdings: readonly Holding[]): Found | null {
  for (const separator of SEPARATORS) {
    const index = new Map<string, number>();
    const filler = new Map<number, string>();
    const fits = holdings.every(({ settings, text }) => {
      const members = text.split(separator);
      const taken = new Set<number>();
      for (const [id, value] of Object.entries(settings)) {
        const at = index.get(id) ?? members.findIndex((member, i) => !taken.has(i) && spells(id, value, member));
        if (at < 0 || !spells(id, value, members[at] ?? '')) return false;
        index.set(id, at);
        taken.add(at);
      }
      return members.every(
        (member, i) => taken.has(i) || member === '' || (filler.get(i) ?? filler.set(i, member).get(i)) === member,
      );
    });
    if (fits && Math.max(...index.values()) > 0 && new Set(index.values()).size === index.size) {
      const fixed = Object.fromEntries([...filler].map(([i, text]) => [String(i), text]));
      return { as: 'places', separator, equals: ':', base64url: false, fixed, guessed: false };
    }
  }
  return null;
}

function asPairs(holdings: readonly Holding[]): Found | null {
  const several = holdings.filter(({ settings, was }) => Object.keys(settings).length > 1 || (was !== undefined && was !== ''));
  const pairs = holdings.some(({ text }) => text.includes(':'));
  const letters = holdings.every(({ settings, text }) => text.length === Object.keys(settings).length) ? [''] : [];
  for (const separator of [...(several.length > 0 ? letters : []), ...(pairs ? [';'] : []), ...SEPARATORS]) {
    if (several.length > 0 && !several.every(({ text }) => text.includes(separator))) continue;
    for (const equals of EQUALS.filter((one) => one !== separator)) {
      const found = fitPairs(holdings, separator, equals);
      if (found) return { ...found, guessed: several.length === 0 };
    }
  }
  return null;
}

function fitPairs(holdings: readonly Holding[], separator: string, equals: string): Omit<Found, 'guessed'> | null {
  const pack: Pack = { in: 'query', name: 'p', as: 'pairs', separator, equals, base64url: false, order: [], fixed: {} };
  const plain = splitPack(pack, holdings.find(({ was }) => was)?.was ?? '')!;
  const found = { ...pack, fixed: record(plain) };
  const used = holdings.some(({ text }) => text.includes(equals));
  // A sign that is nowhere could be any: the first of them stands for all.
  if (!used && equals !== EQUALS.find((one) => one !== separator)) return null;
  const names = new Map<string, string>();
  const fits = holdings.every(({ settings, text }) => {
    const members = splitPack(found, text)!;
    const ids = Object.keys(settings);
    if (members.length !== ids.length || members.some(({ name }) => !NAME.test(name))) return false;
    if (ids.length > 1) return true;
    const [only] = members;
    if (only!.text === '' && !isWordy(ids[0]!, settings[ids[0] as SettingId]!)) return false;
    return (names.get(ids[0]!) ?? names.set(ids[0]!, only!.name).get(ids[0]!)) === only!.name || only!.text === '';
  });
  return fits ? { as: 'pairs', separator, equals, base64url: false, fixed: found.fixed } : null;
}

/** Settings whose values can be a name alone. */
function isWordy(id: string, value: SettingValue): boolean {
  const { type } = settingOf(id as SettingId).value;
  return type === 'switch' || type === 'choice' || (type === 'text' && typeof value === 'string');
}
