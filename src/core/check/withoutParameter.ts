import type { Range } from '../model/candidate.ts';

/** The text without a parameter of the address at this range, and without the sign that joined it. */
export function withoutParameter(text: string, [from, to]: Range, raw: string): string {
  const address = text.slice(from, to);
  const spelt = address.includes(raw) ? raw : raw.replaceAll('&', '&amp;');
  const at = address.indexOf(spelt);
  if (at < 0) return text;
  const head = address.slice(0, at).replace(/&(?:amp;)?$/i, '');
  const tail = address.slice(at + spelt.length);
  const rest = /[?#]$/.test(head) ? tail.replace(/^&(?:amp;)?/i, '') : tail;
  const tidy = rest === '' || rest.startsWith('#') ? head.replace(/[?#]$/, '') + rest : head + rest;
  return text.slice(0, from) + tidy + text.slice(to);
}
