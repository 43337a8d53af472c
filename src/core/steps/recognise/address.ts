import type { Parameter } from '../../model/item.ts';
import { splitUrl, type SplitUrl } from '../../model/url.ts';

/** An address taken apart, with its parameters in order, from query and fragment. */
export interface Address extends Pick<SplitUrl, 'origin' | 'host' | 'path'> {
  parameters: readonly Parameter[];
}

/** `address` must be one that is one (`splitUrl`). */
export function splitAddress(address: string): Address {
  const { origin, host, path, query, fragment } = splitUrl(address)!;
  const parameters: Parameter[] = [];
  if (query.length > 1) splitInto(parameters, query.slice(1), 'query');
  if (fragment.length > 1) splitInto(parameters, fragment.slice(1), 'fragment');
  return { origin, host, path, parameters };
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
