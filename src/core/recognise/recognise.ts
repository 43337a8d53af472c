import type { HostBook } from '../hosts/book.ts';
import type { Candidate, Refusal } from '../model/candidate.ts';
import type { Item } from '../model/item.ts';
import { readFrameMarkup } from './frameMarkup.ts';
import { matchLink, type LinkMatch } from './match.ts';
import { splitAddress, type Address } from './address.ts';
import { readParameters } from './parameters.ts';

/** An item, or why there is none. */
export type Recognition = { item: Item; refusal?: undefined } | { item?: undefined; refusal: Refusal };

/** Step 2, `candidate + host book → item`. Finds the card by host name in constant time. */
export function recognise(candidate: Candidate, book: HostBook): Recognition {
  if (candidate.refusal || candidate.address === null) return { refusal: candidate.refusal ?? { code: 'nothingFound' } };
  const address = splitAddress(candidate.address);
  const match = matchLink(address, book);
  if (match && 'refusal' in match) return match;
  const item = match ? knownItem(match, address) : unknownItem(address);
  return { item: candidate.attributes.length > 0 ? withMarkup(item, candidate) : item };
}

function knownItem(match: LinkMatch, address: Address): Item {
  const { form, captures, byOrigin } = match;
  const { card, target } = form;
  const read = readParameters(form, captures, address);
  const inner = match.inner;
  const values = inner ? inner.captures : captures;
  const shape = inner ? inner.form.target : target;
  const canonical = shape.canonical(values);
  return {
    host: card.card.id,
    kind: shape.target.kind,
    scope: shape.target.scope,
    id: identifierOf(shape.target.id, values),
    form: form.form.id,
    target: shape.name,
    captures: values,
    canonical,
    frame: shape.frame(shape.holdsLink ? { ...values, canonical } : values),
    ratio: shape.target.fit.by === 'ratio' ? shape.target.fit.ratio : null,
    settings: byOrigin ? { ...read.settings, [byOrigin.setting]: byOrigin.value } : read.settings,
    unknown: read.unknown,
    dropped: read.dropped,
    kept: NOTHING_KEPT,
  };
}

function identifierOf(names: readonly string[], values: Readonly<Record<string, string>>): string {
  return names.length === 1 ? values[names[0]!]! : names.map((name) => values[name]).join('/');
}

/** An address of no card: the frame can be set, its own parameters stay. */
function unknownItem(address: Address): Item {
  const base = address.url.origin + address.url.pathname;
  return {
    host: null,
    kind: 'page',
    scope: 'item',
    id: null,
    form: 'address',
    target: null,
    captures: {},
    canonical: base,
    frame: base,
    ratio: null,
    settings: {},
    unknown: address.parameters,
    dropped: [],
    kept: NOTHING_KEPT,
  };
}

const NOTHING_KEPT: Item['kept'] = { attributes: [], allow: [], style: [] };

function withMarkup(item: Item, candidate: Candidate): Item {
  const { settings, kept } = readFrameMarkup(candidate.attributes);
  return { ...item, settings: { ...item.settings, ...settings }, kept };
}
