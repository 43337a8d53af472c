import type { HostBook } from '../../known/hosts/book.ts';
import type { CompiledForm, ReadPack } from '../../known/hosts/compile.ts';
import { attributeRuns } from '../../model/markup/running.ts';
import type { Candidate, PlacedAttribute, Range } from '../../model/candidate.ts';
import { splitFeatures } from '../../model/features.ts';
import type { Item, Parameter } from '../../model/item.ts';
import { own } from '../../model/own.ts';
import type { SettingValue } from '../../model/values.ts';
import type { SettingId, Settings } from '../../known/settings/list.ts';
import { decode, splitAddress } from './address.ts';
import { readFrameMarkup } from './frameMarkup.ts';
import { matchLink, type LinkMatch } from './match.ts';
import { isIdentity, readMembers, readSetting } from './parameters.ts';
import { codeOf, ON_PLACEHOLDER, readCodePack, readCodeSetting } from './script.ts';

/** What one part of a pasted text means. */
export type Meaning =
  | { role: 'host'; name: string | null }
  | { role: 'form'; name: string }
  /** Null for a whole link within the address. */
  | { role: 'identity'; name: string | null }
  | { role: 'setting'; setting: SettingId; value: SettingValue }
  /** Features that the frame may use (Permissions Policy). */
  | { role: 'permission'; features: readonly string[] }
  /** What is always written, in this or a newer way. */
  | { role: 'usual' }
  | { role: 'unknown'; name: string }
  | { role: 'dropped'; why: 'tracking' | 'duplicate' | 'runs' }
  | { role: 'broken' };

/** A stretch of what was brought in, and what it means. */
export interface Segment {
  range: Range;
  meaning: Meaning;
}

interface Taken {
  candidate: Candidate;
  item?: Item | undefined;
}

/** The chosen candidate taken apart, in the order of the text. Ranges are of the whole text. */
export function anatomy(text: string, taken: Taken, book: HostBook): Segment[] {
  const { address, addressRange, range, source, tag } = taken.candidate;
  if (taken.item && (source === 'script' || source === 'shortcode')) {
    const name = book.byId.get(taken.item.host!)!.card.name;
    const at = addressRange ?? tag;
    return inOrder([...(at ? [{ range: at, meaning: { role: 'host', name } as const }] : []), ...attributeSegments(taken, book)]);
  }
  if (address === null || addressRange === null) return range[1] > range[0] ? [{ range, meaning: { role: 'broken' } }] : [];
  const match = matchLink(splitAddress(address), book);
  const found = match && !('refusal' in match) ? match : null;
  const refused = match && 'refusal' in match ? match.refusal : null;
  const name = found?.form.card.card.name ?? (refused && 'host' in refused ? refused.host : null);
  const segments = addressSegments(text.slice(...addressRange), addressRange[0], found, name);
  return inOrder([...segments, ...attributeSegments(taken, book)]);
}

const inOrder = (segments: Segment[]): Segment[] => segments.sort((a, b) => a.range[0] - b.range[0]);

const PARTS = /^((?:https?:)?\/\/)?([^/?#]*)([^?#]*)(\?[^#]*)?(#.*)?$/is;

function addressSegments(written: string, offset: number, match: LinkMatch | null, name: string | null): Segment[] {
  const parts = PARTS.exec(written.trim());
  if (!parts) return [];
  const [, scheme = '', host = '', path = '', query = '', fragment = ''] = parts;
  const start = offset + written.length - written.trimStart().length;
  const pathFrom = start + scheme.length + host.length;
  const queryFrom = pathFrom + path.length;
  return [
    { range: [start, pathFrom], meaning: { role: 'host', name } },
    ...pathSegments(path, pathFrom, match, name !== null),
    ...parameterSegments(query, queryFrom, 'query', match),
    ...parameterSegments(fragment, queryFrom + query.length, 'fragment', match),
  ];
}

/** Captured parts of the path are the identity, the rest tells the form. A path that no form takes is broken. */
function pathSegments(path: string, from: number, match: LinkMatch | null, known: boolean): Segment[] {
  if (path.length < 2) return [];
  if (!match)
    return [{ range: [from, from + path.length], meaning: known ? { role: 'broken' } : { role: 'form', name: 'address' } }];
  const found = new RegExp(match.form.path.source, 'd').exec(path.replace(/(?<=.)\/$/, ''));
  if (!found) return [];
  const segments: Segment[] = [];
  const told = (to: number, begin: number): void => {
    if (begin - to > 1)
      segments.push({ range: [from + to, from + begin], meaning: { role: 'form', name: match.form.form.name } });
  };
  let at = 0;
  match.form.names.forEach((name, i) => {
    const [begin, end] = found.indices![i + 1]!;
    told(at, begin);
    segments.push({ range: [from + begin, from + end], meaning: captureMeaning(name, match) });
    at = end;
  });
  told(at, path.length);
  return segments;
}

/** A capture is a setting, or says which item it is. */
function captureMeaning(name: string, { form, inPath: { settings, unknown } }: LinkMatch): Meaning {
  const pack = form.packs.path.get(name);
  if (pack) return packMeaning(name, settings, { pack, unknown });
  const setting = form.reads.path.get(name)?.find((place) => settings[place.setting] !== undefined)?.setting;
  const value = setting && settings[setting];
  return setting && value !== undefined
    ? { role: 'setting', setting, value }
    : { role: 'identity', name: identityName(form, name) };
}

/** What holds several settings stands for the first of them. */
function packMeaning(
  name: string,
  settings: Settings,
  { pack, unknown }: { pack: ReadPack; unknown: readonly Parameter[] },
): Meaning {
  const [first] = Object.entries(settings).filter(([id]) =>
    [...pack.members.values()].flat().some(({ setting }) => setting === id),
  ) as [SettingId, SettingValue][];
  if (first) return { role: 'setting', setting: first[0], value: first[1] };
  return unknown.length > 0 ? { role: 'unknown', name } : { role: 'usual' };
}

function parameterSegments(written: string, from: number, place: Parameter['in'], match: LinkMatch | null): Segment[] {
  const segments: Segment[] = [];
  const seen = new Set<SettingId>();
  for (const part of written.matchAll(/[^?#&]+/g)) {
    const raw = part[0].replace(/^amp;/i, '');
    if (raw === '') continue;
    const begin = from + part.index + part[0].length - raw.length;
    segments.push({ range: [begin, begin + raw.length], meaning: parameterMeaning(parameterOf(raw, place), match, seen) });
  }
  return segments;
}

function parameterOf(raw: string, place: Parameter['in']): Parameter {
  const [name = '', ...rest] = raw.split('=');
  return { in: place, name: decode(name), value: decode(rest.join('=')), raw };
}

function parameterMeaning(parameter: Parameter, match: LinkMatch | null, seen: Set<SettingId>): Meaning {
  if (!match) return { role: 'unknown', name: parameter.name };
  const form: CompiledForm = match.form;
  if (isIdentity(form, match.captures, parameter)) return { role: 'identity', name: identityName(form, parameter.name) };
  if (form.card.tracking.has(parameter.name)) return { role: 'dropped', why: 'tracking' };
  const pack = form.packs[parameter.in].get(parameter.name);
  const members = pack && readMembers(pack, parameter.value);
  if (members) return packMeaning(parameter.name, members.settings, { pack, unknown: members.unknown });
  const read = readSetting(form, parameter);
  if (!read) return { role: 'unknown', name: parameter.name };
  if (seen.has(read[0]) && !read[2]) return { role: 'dropped', why: 'duplicate' };
  seen.add(read[0]);
  return { role: 'setting', setting: read[0], value: read[1] };
}

/** The card's word for a capture, or for the capture that a parameter holds. */
function identityName({ card, form, query }: CompiledForm, name: string): string | null {
  const capture = query.find((q) => q.name === name)?.names[0] ?? name;
  return capture === form.wraps ? null : (own(card.card.identifiers, capture)?.name ?? name);
}

/** Attributes: settings of the frame or of the host, what says which item it is, and what is not known. */
function attributeSegments({ candidate, item }: Taken, book: HostBook): Segment[] {
  const code = item?.form === 'script' || item?.form === 'shortcode';
  return candidate.attributes.map((attribute): Segment => {
    const meaning = code ? codeMeaning(attribute, item, book) : frameMeaning(attribute, item?.form === 'file');
    return { range: attribute.whole, meaning };
  });
}

function frameMeaning(attribute: PlacedAttribute, media: boolean): Meaning {
  if (attributeRuns(attribute, 'iframe') !== null) return { role: 'dropped', why: 'runs' };
  const { settings, kept } = readFrameMarkup([attribute], media && 'file');
  if (settings.permissions !== undefined) return { role: 'permission', features: splitFeatures(String(settings.permissions)) };
  const [first] = Object.entries(settings) as [SettingId, SettingValue][];
  if (first) return { role: 'setting', setting: first[0], value: first[1] };
  if (attribute.name === 'allowfullscreen' && !media) return { role: 'permission', features: ['fullscreen'] };
  const nothingKept = kept.attributes.length === 0 && kept.style.length === 0;
  return nothingKept ? { role: 'usual' } : { role: 'unknown', name: attribute.name };
}

function codeMeaning({ name, value }: PlacedAttribute, { host, target, form }: Item, book: HostBook): Meaning {
  const card = book.byId.get(host!)!;
  const found = { card, target: card.targets.get(target!)! };
  const { attributes, prefix } = codeOf(found, form === 'script');
  const template = own(attributes, name);
  if (template !== undefined)
    return { role: 'identity', name: own(card.card.identifiers, template.replace(/[{}]/g, ''))?.name ?? null };
  const ours = ON_PLACEHOLDER.get(name);
  if (ours && value) return { role: 'setting', setting: ours, value };
  const packed = readCodePack({ name, text: value ?? '' }, found, prefix);
  if (packed) {
    const [first] = Object.entries(packed.settings) as [SettingId, SettingValue][];
    return first ? { role: 'setting', setting: first[0], value: first[1] } : { role: 'unknown', name };
  }
  const read = readCodeSetting({ name, text: value ?? '' }, found, prefix);
  return read ? { role: 'setting', setting: read[0], value: read[1] } : { role: 'unknown', name };
}
