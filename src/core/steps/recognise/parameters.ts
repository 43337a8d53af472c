import type { CompiledForm } from '../../known/hosts/book.ts';
import { unspell } from '../../known/hosts/spellings.ts';
import type { Dropped, Item, Parameter } from '../../model/item.ts';
import { parseValue, type SettingValue } from '../../model/values.ts';
import { settingOf, type SettingId } from '../../known/settings/list.ts';
import type { Address } from './address.ts';

type Captures = Readonly<Record<string, string>>;
type Read = Pick<Item, 'settings' | 'unknown' | 'dropped'>;
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
    const read = readSetting(form, parameter);
    if (!read) unknown.push(parameter);
    else if (read[0] in settings) dropped.push({ ...parameter, why: 'duplicate' });
    else settings[read[0]] = read[1];
  }
  return { settings, unknown, dropped };
}

/** The setting that a parameter spells, with its value; undefined where it spells none. */
export function readSetting(form: CompiledForm, parameter: Parameter): [SettingId, SettingValue] | undefined {
  const place = form.reads[parameter.in].get(parameter.name);
  if (!place) return undefined;
  const value = unspell(place.spelling, parameter.value);
  if (value === undefined) return undefined;
  const proper = parseValue(settingOf(place.setting).value, String(value));
  return proper === undefined ? undefined : [place.setting, proper];
}

/** Parameters that say which item it is, or that only go along with a setting. */
export function isIdentity(form: CompiledForm, captures: Captures, parameter: Parameter): boolean {
  if (parameter.in !== 'query') return false;
  for (const { name } of form.query) if (name === parameter.name) return true;
  return isCompanion(form, captures, parameter);
}

function isCompanion({ form, card }: CompiledForm, captures: Captures, { name, value }: Parameter): boolean {
  return form.framed && card.companions.has(name) && Object.values(captures).includes(value);
}
