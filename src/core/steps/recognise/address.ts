import type { Parameter } from '../../model/item.ts';
import { parseUrl } from '../../model/url.ts';

/** An address taken apart: the parsed URL, and its parameters in order, from query and fragment. */
export interface Address {
  url: URL;
  parameters: readonly Parameter[];
}

/** `address` must be one that `URL` parses. */
export function splitAddress(address: string): Address {
  const url = parseUrl(address)!;
  const { search, hash } = url;
  const parameters: Parameter[] = [];
  if (search.length > 1) splitInto(parameters, search.slice(1), 'query');
  if (hash.length > 1) splitInto(parameters, hash.slice(1), 'fragment');
  return { url, parameters };
}

function splitInto(parameters: Parameter[], text: string, place: Parameter['in']): void {
  for (const raw of text.split('&')) {
    if (raw === '') continue;
    const equals = raw.indexOf('=');
    const name = equals < 0 ? raw : raw.slice(0, equals);
    const value = equals < 0 ? '' : raw.slice(equals + 1);
    parameters.push({ in: place, name: decode(name), value: decode(value), raw });
  }
}

/** application/x-www-form-urlencoded decoding (URL Standard, section 5.1); what is malformed stays as it is. */
export function decode(text: string): string {
  if (!text.includes('%') && !text.includes('+')) return text;
  try {
    return decodeURIComponent(text.replaceAll('+', ' '));
  } catch {
    return text;
  }
}
