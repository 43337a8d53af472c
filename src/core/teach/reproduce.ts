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

/** The frame address that a card makes of a link or a code with settings; null where it knows nothing of it. */
export function frameOf(text: string, settings: Observation['settings'], book: HostBook): string | null {
  const item = itemOf(text, book);
  if (!item || item.host === null || item.frame === null) return null;
  const planned = plan(item, settings, { book, site: null });
  return frameAddress(planned)
    .map((piece) => piece.text)
    .join('');
}

/** Whether a card makes of the example's link the code that the host made. */
export function reproduces({ link, frame, placeholder, attributes, settings }: Observation, book: HostBook): boolean {
  if (link && frame) {
    const ours = frameOf(link.address, settings, book);
    return ours !== null && meant(ours) === meant(frame.address);
  }
  const item = link && itemOf(link.address, book);
  if (placeholder) {
    if (!item || item.host === null) return false;
    const { script } = plan(item, settings, { book, site: null });
    const written = new Map(script?.attributes.map(({ name, value }) => [name, value]));
    return placeholder.attributes.every(({ name, value }) => (written.get(name) ?? '') === (value ?? ''));
  }
  void attributes;
  if (link) return item !== null && item.host !== null;
  const own = frame && itemOf(frame.address, book);
  return own !== null && own.host !== null && own.unknown.length === 0;
}
