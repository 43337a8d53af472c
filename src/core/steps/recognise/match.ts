import { askedOf, entriesOf, formsFor, type HostBook, type HostEntry } from '../../known/hosts/book.ts';
import type { CompiledForm } from '../../known/hosts/compile.ts';
import type { Refusal } from '../../model/candidate.ts';
import { own } from '../../model/own.ts';
import type { Parameter } from '../../model/item.ts';
import { readMembers, readPlace, type Read } from './parameters.ts';
import { decode, splitAddress, type Address } from './address.ts';

/** The link form that an address follows, with what it captured. */
export interface LinkMatch {
  form: CompiledForm;
  /** The setting that the address itself stands for. */
  byOrigin: HostEntry['byOrigin'];
  captures: Readonly<Record<string, string>>;
  /** What stands in the path besides: settings, and what is unknown within a part that holds several. */
  inPath: Pick<Read, 'settings' | 'unknown'>;
  /** Names of other cards that claim this link just as well. */
  rivals?: readonly string[];
  /** For a frame address that holds the whole share link: what that link is. */
  inner?: LinkMatch;
}

/** The match, a refusal where the host is known but the link is not usable, or null for an unknown host. */
export function matchLink(address: Address, book: HostBook): LinkMatch | { refusal: Refusal } | null {
  const entries = entriesOf(book, address.host);
  if (!entries) return null;
  const found =
    entries.length === 1
      ? matchEntry(entries[0]!, address, book)
      : mostSpecific(entries.map((entry) => matchEntry(entry, address, book)));
  if ('form' in found || found.refusal) return found as LinkMatch | { refusal: Refusal };
  if (askedOf(book, address.host) !== undefined) return null;
  const { card } = entries[0]!.card;
  return { refusal: { code: 'linkUnknown', host: card.name, example: card.links[0]!.examples[0]! } };
}

type Try = LinkMatch | { refusal: Refusal | undefined };

/** What one card makes of an address. */
function matchEntry(entry: HostEntry, address: Address, book: HostBook): Try {
  let broken: Refusal | undefined;
  for (const form of formsFor(entry, address.path)) {
    const captured = capture(form, address, entry.wild);
    if (!captured) continue;
    const { captures, inPath } = captured;
    const misshapen = findMisshapen(form, captures);
    if (misshapen) {
      broken ??= brokenIdentifier(form, misshapen, captures);
      continue;
    }
    if (form.form.refused) return { refusal: notForVisitors(form, captures) };
    const sample = findSample(form, captures);
    if (sample) return { refusal: sample };
    const found: LinkMatch = { form, byOrigin: entry.byOrigin, captures, inPath };
    return form.form.wraps ? unwrap(found, book) : found;
  }
  return { refusal: broken };
}

/** Of several cards that claim a link, the more specific wins; equals are told. */
function mostSpecific(tries: readonly Try[]): Try {
  const matches = tries.filter((t) => 'form' in t).sort((a, b) => b.form.specificity - a.form.specificity);
  const [best] = matches;
  if (!best) return tries.find((t) => !('form' in t) && t.refusal) ?? tries[0]!;
  const rivals = matches.filter((m) => m.form.card !== best.form.card && m.form.specificity === best.form.specificity);
  return rivals.length > 0 ? { ...best, rivals: rivals.map((r) => r.form.card.card.name) } : best;
}

/** Instructions of hosts hold samples in the place of a name. */
function findSample({ card }: CompiledForm, captures: Record<string, string>): Refusal | undefined {
  if (card.sampled.length === 0) return undefined;
  for (const name of card.sampled) {
    const { samples, example } = card.card.identifiers[name]!;
    const found = own(captures, name);
    if (found !== undefined && samples.includes(found)) return { code: 'sampleIdentifier', host: card.card.name, found, example };
  }
  return undefined;
}

type Captured = Pick<LinkMatch, 'inPath'> & { captures: Record<string, string> };

function capture(form: CompiledForm, { host, path: whole, parameters }: Address, wild: boolean): Captured | null {
  const path = whole.length > 1 && whole.endsWith('/') ? whole.slice(0, -1) : whole;
  const found = form.path.exec(path);
  if (!found) return null;
  const captures: Record<string, string> = wild ? { subdomain: host.slice(0, host.indexOf('.')) } : {};
  for (let i = 0; i < form.names.length; i++) captures[form.names[i]!] = decode(found[i + 1]!);
  for (const { name, pattern, names } of form.query) {
    const value = queryValue(parameters, name);
    const held = value === undefined ? null : pattern.exec(value);
    if (!held) return null;
    names.forEach((capture, i) => (captures[capture] = held[i + 1]!));
  }
  if (form.fragment) {
    const held = form.fragment.pattern.exec(fragmentOf(parameters));
    if (!held) return null;
    form.fragment.names.forEach((name, i) => (captures[name] = decode(held[i + 1]!)));
  }
  const inPath = form.readsPath ? takeSettings(form, captures) : NOTHING;
  return inPath && { captures, inPath };
}

/** What stands behind the # as it was written, without settings that follow it. */
const fragmentOf = (parameters: readonly Parameter[]): string =>
  parameters.find((parameter) => parameter.in === 'fragment')?.raw ?? '';

function queryValue(parameters: Address['parameters'], name: string): string | undefined {
  for (const parameter of parameters) if (parameter.in === 'query' && parameter.name === name) return parameter.value;
  return undefined;
}

const NOTHING: LinkMatch['inPath'] = { settings: {}, unknown: [] };

/** Takes out the captures that are settings; null where one does not spell its setting. */
function takeSettings(form: CompiledForm, captures: Record<string, string>): LinkMatch['inPath'] | null {
  let read: LinkMatch['inPath'] = NOTHING;
  for (const [name, places] of form.reads.path) {
    const text = own(captures, name);
    if (text === undefined) continue;
    const found = readPlace(places, text);
    if (!found) return null;
    read = { ...read, settings: { ...read.settings, [found[0]]: found[1] } };
    delete captures[name];
  }
  for (const [name, pack] of form.packs.path) {
    const text = own(captures, name);
    const members = text === undefined ? null : readMembers(pack, text);
    if (text === undefined) continue;
    if (!members) return null;
    read = { settings: { ...read.settings, ...members.settings }, unknown: [...read.unknown, ...members.unknown] };
    delete captures[name];
  }
  return read;
}

function findMisshapen(form: CompiledForm, captures: Record<string, string>): string | undefined {
  for (const { name, shape } of form.shaped) {
    const value = captures[name];
    if (value !== undefined && (value.length > 200 || !shape(value))) return name;
  }
  return undefined;
}

function brokenIdentifier(form: CompiledForm, name: string, captures: Record<string, string>): Refusal {
  const { words, example } = form.card.card.identifiers[name]!;
  return { code: 'brokenIdentifier', host: form.card.card.name, found: captures[name]!.slice(0, 60), shape: words, example };
}

function notForVisitors(form: CompiledForm, captures: Record<string, string>): Refusal {
  const { why, remedy } = form.form.refused!;
  return {
    code: 'notForVisitors',
    host: form.card.card.name,
    form: form.form.name,
    why,
    remedy,
    instead: form.target.canonical(captures),
  };
}

/** The share link inside a frame address must be one of the same host's own. */
function unwrap(outer: LinkMatch, book: HostBook): LinkMatch | { refusal: Refusal } {
  const link = outer.captures[outer.form.form.wraps!]!;
  const unknown: Refusal = {
    code: 'linkUnknown',
    host: outer.form.card.card.name,
    example: outer.form.card.card.links[0]!.examples[0]!,
  };
  if (!/^https?:/i.test(link) || !URL.canParse(link)) return { refusal: unknown };
  const inner = matchLink(splitAddress(link), book);
  if (!inner) return { refusal: unknown };
  if ('refusal' in inner) return inner;
  if (inner.form.card !== outer.form.card || inner.form.form.wraps) return { refusal: unknown };
  return { ...outer, inner };
}
