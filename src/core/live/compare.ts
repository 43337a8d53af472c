import type { Candidate, Refusal } from '../model/candidate.ts';
import type { Item } from '../model/item.ts';
import { settingOf, SETTINGS, type SettingId } from '../known/settings/list.ts';
import { writeValue, type SettingValue } from '../model/values.ts';

/** One thing that is said in one code, in the other, or in both. Null where it is not said. */
export interface Difference {
  what: 'address' | 'setting' | 'parameter' | 'attribute';
  /** Name of the parameter or the attribute; the setting's id. */
  name: string;
  before: string | null;
  after: string | null;
  /** The values, where it is a setting. */
  setting?: { id: SettingId; before: SettingValue | undefined; after: SettingValue | undefined };
}

/** A code that was read, and what it is. */
export type Read = { candidate: Candidate } & ({ item: Item; refusal?: undefined } | { item?: undefined; refusal: Refusal });

/** Lays two codes beside each other: address, settings, unknown parameters, attributes; what is the same is left out. */
export function compareCodes(before: Read, after: Read): Difference[] {
  const [a, b] = [before.item, after.item];
  if (!a || !b) return [];
  const rows: Difference[] = [];
  const put = (row: Difference): void => {
    if (row.before !== row.after) rows.push(row);
  };
  put({ what: 'address', name: 'src', before: a.frame ?? a.canonical, after: b.frame ?? b.canonical });
  for (const { id } of SETTINGS) {
    const values = { id, before: a.settings[id], after: b.settings[id] };
    put({ what: 'setting', name: id, before: written(id, values.before), after: written(id, values.after), setting: values });
  }
  for (const row of pairs(a.unknown.map(entryOf), b.unknown.map(entryOf))) put({ what: 'parameter', ...row });
  for (const { raw, name } of a.dropped) put({ what: 'parameter', name, before: raw, after: null });
  const kept = ({ kept: { attributes, style } }: Item): [string, string][] => [
    ...attributes.map(({ name, value }): [string, string] => [name, value ?? '']),
    ...(style.length > 0 ? [['style', style.join(';')] as [string, string]] : []),
  ];
  for (const row of pairs(kept(a), kept(b))) put({ what: 'attribute', ...row });
  return rows;
}

const written = (id: SettingId, value: SettingValue | undefined): string | null =>
  value === undefined ? null : writeValue(settingOf(id).value, value);

const entryOf = ({ name, raw }: { name: string; raw: string }): [string, string] => [name, raw];

function pairs(
  before: readonly [string, string][],
  after: readonly [string, string][],
): { name: string; before: string | null; after: string | null }[] {
  const [a, b] = [new Map(before), new Map(after)];
  return [...new Set([...a.keys(), ...b.keys()])].map((name) => ({
    name,
    before: a.get(name) ?? null,
    after: b.get(name) ?? null,
  }));
}
