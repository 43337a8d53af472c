import { scriptKey, type CodeTarget, type HostBook } from '../../known/hosts/book.ts';
import { isHonoured, membersOf, placeOf } from '../../known/hosts/compile.ts';
import { unspell } from '../../known/hosts/spellings.ts';
import type { Attribute, Candidate, Refusal } from '../../model/candidate.ts';
import type { Item, Parameter } from '../../model/item.ts';
import { own } from '../../model/own.ts';
import { splitUrl } from '../../model/url.ts';
import { parseValue, type SettingValue } from '../../model/values.ts';
import { settingOf, type SettingId } from '../../known/settings/list.ts';
import { splitAddress } from './address.ts';
import { makeItem } from './makeItem.ts';
import { matchLink } from './match.ts';
import { readMembers, readParameters } from './parameters.ts';

type Recognition = { item: Item; refusal?: undefined } | { item?: undefined; refusal: Refusal };

/** Script code, or a short code: its placeholder says which item it is, as the card of its host declares. */
export function recogniseCode(candidate: Candidate, book: HostBook): Recognition {
  const script = candidate.source === 'script';
  const targets = script
    ? book.byScript.get(scriptKey(candidate.address ?? ''))
    : book.byShortcode.get(candidate.element?.toLowerCase() ?? '');
  for (const found of targets ?? []) {
    const { attributes, prefix } = codeOf(found, script);
    const values = readIdentity(attributes, candidate.attributes, found, book);
    if (values) return { item: codeItem(found, values, { candidate, prefix, fixed: attributes }) };
  }
  return {
    refusal: script
      ? { code: 'scriptUnknown', address: (candidate.address ?? '').replace(/^https?:\/\//, '').slice(0, 80) }
      : { code: 'shortcodeUnknown', name: candidate.element ?? '' },
  };
}

/** What a card says of its script code, or of its short code. */
export function codeOf(
  { target: { target } }: CodeTarget,
  script: boolean,
): { attributes: Record<string, string>; prefix: string } {
  return script
    ? { attributes: target.script!.attributes, prefix: target.script!.prefix }
    : { attributes: target.shortcode!.attributes, prefix: '' };
}

interface Identity {
  values: Record<string, string>;
  /** Parameters of the share link that nobody knows. */
  unknown: Item['unknown'];
}

/** The captures that the placeholder's attributes hold; null where they are not this target's. */
function readIdentity(
  fixed: Readonly<Record<string, string>>,
  attributes: readonly Attribute[],
  { card, target }: CodeTarget,
  book: HostBook,
): Identity | null {
  const values: Record<string, string> = {};
  let unknown: Item['unknown'] = [];
  for (const [name, template] of Object.entries(fixed)) {
    const value = attributes.find((a) => a.name === name)?.value;
    if (value === null || value === undefined) return null;
    const capture = /^\{(\w+)\}$/.exec(template)?.[1];
    if (capture === 'canonical') {
      const address = splitUrl(value) && splitAddress(value);
      const link = address && matchLink(address, book);
      if (!link || 'refusal' in link || link.form.target !== target) return null;
      if (Object.entries(link.captures).some(([name, held]) => (own(values, name) ?? held) !== held)) return null;
      Object.assign(values, link.captures);
      unknown = readParameters(link.form, link.captures, address).unknown;
    } else if (capture !== undefined) {
      if ((own(values, capture) ?? value) !== value) return null;
      values[capture] = value;
    } else if (value !== template) return null;
  }
  for (const name of target.target.id) if (own(values, name) === undefined) return null;
  for (const name in values) if (card.shapes.get(name)?.(values[name]!) === false) return null;
  return { values, unknown };
}

/** Attributes of a placeholder that are settings of the frame; the words of its picture are the title. */
export const ON_PLACEHOLDER: ReadonlyMap<string, SettingId> = new Map([
  ['id', 'elementId'],
  ['class', 'className'],
  ['alt', 'title'],
]);

/** The placeholder's own attributes: settings of the host's, and what is kept. */
function codeItem(
  { card, target }: CodeTarget,
  { values, unknown }: Identity,
  { candidate, prefix, fixed }: { candidate: Candidate; prefix: string; fixed: Readonly<Record<string, string>> },
): Item {
  const settings: { [Id in SettingId]?: SettingValue } = {};
  const kept: Attribute[] = [];
  const within: Parameter[] = [];
  for (const { name, value } of candidate.attributes) {
    if (Object.hasOwn(fixed, name) || (candidate.source === 'shortcode' && value === null)) continue;
    const ours = ON_PLACEHOLDER.get(name);
    const laid = ours && value ? parseValue(settingOf(ours).value, value) : undefined;
    if (ours === 'title' && !value) continue;
    if (laid !== undefined) {
      settings[ours!] = laid;
      continue;
    }
    const packed = readCodePack({ name, text: value ?? '' }, { card, target }, prefix);
    if (packed) {
      for (const [id, held] of Object.entries(packed.settings)) settings[id as SettingId] ??= held;
      within.push(...packed.unknown);
      continue;
    }
    const read = readCodeSetting({ name, text: value ?? '' }, { card, target }, prefix);
    if (read) settings[read[0]] ??= read[1];
    else kept.push({ name, value });
  }
  return {
    ...makeItem(card, target, values),
    form: candidate.source,
    settings,
    unknown: [...unknown, ...within],
    kept: { attributes: kept, style: [] },
  };
}

/** What an attribute of the placeholder holds that stands for several settings. */
export function readCodePack(
  { name, text }: { name: string; text: string },
  { card, target }: CodeTarget,
  prefix: string,
): ReturnType<typeof readMembers> {
  if (!card.hasPacks) return null;
  const found = Object.entries(card.card.packs).find(([, pack]) => pack.in === 'attribute' && prefix + pack.name === name);
  return found ? readMembers({ id: found[0], pack: found[1], members: membersOf(card.card, found[0], target.name) }, text) : null;
}

/** The setting that an attribute of the placeholder spells. */
export function readCodeSetting(
  { name, text }: { name: string; text: string },
  { card, target }: CodeTarget,
  prefix: string,
): [SettingId, SettingValue] | undefined {
  for (const [id, use] of Object.entries(card.card.settings)) {
    if (!isHonoured(use) || (use.targets && !use.targets.includes(target.name))) continue;
    const place = placeOf(use, target.name);
    if (place.in === 'packed' || prefix + place.name !== name) continue;
    const value = unspell(place.spelling, text);
    const proper = value === undefined ? undefined : parseValue(settingOf(id as SettingId).value, String(value));
    if (proper !== undefined) return [id as SettingId, proper];
  }
  return undefined;
}
