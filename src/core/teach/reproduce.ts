import { fromBase64url } from '../known/hosts/packs.ts';
import { readJson } from '../model/json.ts';
import type { HostBook } from '../known/hosts/book.ts';
import { plan } from '../steps/plan/plan.ts';
import { splitAddress } from '../steps/recognise/address.ts';
import { frameAddress } from '../steps/write/address.ts';
import type { Observation } from './observe.ts';
import { itemOf } from './plain.ts';

/** An address in a form in which two that mean the same are equal: parameters by name, and all decoded. */
export function meant(address: string): string {
  const { origin, path, parameters } = splitAddress(address);
  const named = parameters.map((one) => JSON.stringify([one.in, one.name, meantValue(one.value)])).sort();
  return JSON.stringify([origin, decodedPath(path), named]);
}

/** A JSON object, encoded or not, by its names in order. */
function meantValue(value: string): unknown {
  const text = value.startsWith('{') ? value : (fromBase64url(value) ?? '');
  const read = text.startsWith('{') ? readJson(text) : { wrong: '' };
  return 'wrong' in read ? value : Object.entries(read.value as object).sort(([a], [b]) => (a < b ? -1 : 1));
}

function decodedPath(path: string): string {
  try {
    return decodeURIComponent(path);
  } catch {
    return path;
  }
}

/** What a card makes of a link: the frame address, or null where there is only a placeholder, and attributes of the host's own. */
export interface Made {
  frame: string | null;
  attributes: ReadonlyMap<string, string>;
}

/** What a card makes of a link or an address with settings; null where it knows nothing of it. */
export function madeOf(text: string, settings: Observation['settings'], book: HostBook): Made | null {
  const item = itemOf(text, book);
  if (!item || item.host === null) return null;
  const planned = plan(item, settings, { book, site: null });
  const own = planned.entries.flatMap(({ sent }) => sent.filter((one) => one.in === 'frameAttribute'));
  return {
    frame:
      item.frame &&
      frameAddress(planned)
        .map((piece) => piece.text)
        .join(''),
    attributes: new Map([...own, ...(planned.script?.attributes ?? [])].map(({ name, value }) => [name, value])),
  };
}

/** The frame address that a card makes of a link with settings; null where there is none. */
export const frameOf = (text: string, settings: Observation['settings'], book: HostBook): string | null =>
  madeOf(text, settings, book)?.frame ?? null;

/** Whether a card makes of the example's link the code that the host made. */
export function reproduces({ link, frame, placeholder, attributes, settings }: Observation, book: HostBook): boolean {
  if (!link) {
    const own = frame && itemOf(frame.address, book);
    return own !== null && own.host !== null && own.unknown.length === 0;
  }
  const made = madeOf(link.address, settings, book);
  if (!made) return false;
  const held = (name: string, value: string | null): boolean => (made.attributes.get(name) ?? '') === (value ?? '');
  if (placeholder) return made.frame === null && placeholder.attributes.every(({ name, value }) => held(name, value));
  if (!frame) return true;
  return (
    made.frame !== null &&
    meant(made.frame) === meant(frame.address) &&
    [...made.attributes].every(([name, value]) => attributes.some((one) => one.name === name && one.value === value))
  );
}
