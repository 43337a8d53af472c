import type { CompiledForm, ReadPack, ReadPlace } from '../../known/hosts/compile.ts';
import { splitPack } from '../../known/hosts/packs.ts';
import { unspell } from '../../known/hosts/spellings.ts';
import type { Dropped, Item, Parameter } from '../../model/item.ts';
import { parseValue, type SettingValue } from '../../model/values.ts';
import { settingOf, type SettingId } from '../../known/settings/list.ts';
import type { Address } from './address.ts';

type Captures = Readonly<Record<string, string>>;
export type Read = Pick<Item, 'settings' | 'unknown' | 'dropped'>;
const NOTHING: Read = { settings: {}, unknown: [], dropped: [] };

/** Sorts the parameters of an address: settings, part of the identity, noise, and what is unknown but kept. */
export function readParameters(form: CompiledForm, captures: Captures, { parameters }: Address): Read {
  if (parameters.length === 0) return NOTHING;
  const settings: { [Id in SettingId]?: SettingValue } = {};
  const unknown: Parameter[] = [];
  const dropped: Dropped[] = [];
  for (const parameter of parameters) {
    if (isIdentity(form, captures, parameter)) continue;
    if (form.card.tracking.has(parameter.name)) {
      dropped.push({ ...parameter, why: 'tracking' });
      continue;
    }
    const pack = form.packs[parameter.in].get(parameter.name);
    const members = pack && readMembers(pack, parameter.value);
    if (members) {
      for (const [id, value] of Object.entries(members.settings)) settings[id as SettingId] ??= value;
      unknown.push(...members.unknown);
      continue;
    }
    const read = readSetting(form, parameter);
    if (!read) unknown.push(parameter);
    else if (!(read[0] in settings)) settings[read[0]] = read[1];
    else if (read[2]) settings[read[0]] = `${settings[read[0]]},${read[1]}`;
    else dropped.push({ ...parameter, why: 'duplicate' });
  }
  return { settings, unknown, dropped };
}

/** A setting with its value, and whether it is one of several of a list. */
type ReadSetting = readonly [setting: SettingId, value: SettingValue, repeats: boolean];

/** The setting that a parameter spells, with its value; undefined where it spells none. */
export function readSetting({ reads }: CompiledForm, { in: place, name, value, raw }: Parameter): ReadSetting | undefined {
  const places = reads[place].get(name) ?? reads[place].get(name.replace(/\[\d*\]$/, ''));
  if (places) return readPlace(places, value);
  // A fragment that is nothing but a value.
  const alone = place === 'fragment' && !raw.includes('=') ? reads.fragment.get('') : undefined;
  return alone && readPlace(alone, name);
}

/** What a text spells at a place that one setting holds, or several whose words differ. */
export function readPlace(places: readonly ReadPlace[], text: string): ReadSetting | undefined {
  for (const { setting, spelling } of places) {
    const value = unspell(spelling, text);
    const proper = value === undefined ? undefined : parseValue(settingOf(setting).value, String(value));
    if (proper !== undefined) return [setting, proper, spelling.form === 'list' && spelling.repeat !== undefined];
  }
  return undefined;
}

/** What stands in a parameter that holds several settings; null where it is none such. */
export function readMembers({ id, pack, members }: ReadPack, text: string): Pick<Read, 'settings' | 'unknown'> | null {
  const split = splitPack(pack, text);
  if (!split) return null;
  const settings: { [Id in SettingId]?: SettingValue } = {};
  const unknown: Parameter[] = [];
  for (const { name, text: value } of split) {
    const read = readPlace(members.get(name) ?? [], value);
    if (read && !(read[0] in settings)) settings[read[0]] = read[1];
    else unknown.push({ in: pack.in === 'fragment' ? 'fragment' : 'query', name, value, raw: value, within: id });
  }
  return { settings, unknown };
}

/** Parameters that say which item it is, or that only go along with a setting. */
export function isIdentity(form: CompiledForm, captures: Captures, parameter: Parameter): boolean {
  if (parameter.in === 'fragment') return form.fragment?.pattern.test(parameter.raw) ?? false;
  for (const { name } of form.query) if (name === parameter.name) return true;
  if (form.form.framed && form.target.fixed.get(parameter.name) === parameter.value) return true;
  return isCompanion(form, captures, parameter);
}

function isCompanion({ form, card }: CompiledForm, captures: Captures, { name, value }: Parameter): boolean {
  const held = form.framed && card.companions.get(name);
  return held ? held.some((one) => (one.startsWith('{') ? Object.values(captures).includes(value) : one === value)) : false;
}
