import { formsFor, type CompiledForm, type HostBook } from '../hosts/book.ts';
import type { Refusal } from '../model/candidate.ts';
import type { SettingId } from '../settings/list.ts';
import { decode, splitAddress, type Address } from './address.ts';

/** The link form that an address follows, with what it captured. */
export interface LinkMatch {
  form: CompiledForm;
  /** The setting that the address itself stands for. */
  byOrigin: { setting: SettingId; value: string } | undefined;
  captures: Readonly<Record<string, string>>;
  /** For a frame address that holds the whole share link: what that link is. */
  inner?: LinkMatch;
}

/** The match, a refusal where the host is known but the link is not usable, or null for an unknown host. */
export function matchLink(address: Address, book: HostBook): LinkMatch | { refusal: Refusal } | null {
  const entries = book.byHost.get(address.url.host);
  if (!entries) return null;
  let broken: Refusal | undefined;
  for (const entry of entries)
    for (const form of formsFor(entry, address.url.pathname)) {
      const captures = capture(form, address);
      if (!captures) continue;
      const misshapen = findMisshapen(form, captures);
      if (misshapen) {
        broken ??= brokenIdentifier(form, misshapen, captures);
        continue;
      }
      if (form.form.refused) return { refusal: notForVisitors(form, captures) };
      const found: LinkMatch = { form, byOrigin: entry.byOrigin, captures };
      return form.form.wraps ? unwrap(found, book) : found;
    }
  const { card } = entries[0]!.card;
  return { refusal: broken ?? { code: 'linkUnknown', host: card.name, example: card.links[0]!.examples[0]! } };
}

function capture(form: CompiledForm, { url, parameters }: Address): Record<string, string> | null {
  const path = url.pathname.length > 1 && url.pathname.endsWith('/') ? url.pathname.slice(0, -1) : url.pathname;
  const found = form.path.exec(path);
  if (!found) return null;
  const captures: Record<string, string> = {};
  for (let i = 0; i < form.names.length; i++) captures[form.names[i]!] = decode(found[i + 1]!);
  for (const { name, literal, capture } of form.query) {
    const parameter = parameters.find((p) => p.in === 'query' && p.name === name);
    if (!parameter || (literal !== undefined && parameter.value !== literal)) return null;
    if (capture) captures[capture] = parameter.value;
  }
  return captures;
}

function findMisshapen(form: CompiledForm, captures: Record<string, string>): string | undefined {
  for (const name in captures) {
    const shape = form.card.shapes.get(name);
    if (shape && (captures[name]!.length > 200 || !shape.test(captures[name]!))) return name;
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
