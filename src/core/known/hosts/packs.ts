import { readJson } from '../../model/json.ts';
import { own } from '../../model/own.ts';
import type { Pack } from './card.ts';

/** One thing within a pack: under its name, or its place from 0. */
export interface Member {
  name: string;
  text: string;
  /** In JSON, text even where it looks like a number or a truth value. */
  quoted?: boolean;
}

/** What a pack holds, in its order, or null where the text is none such. What must always be in it is left out. */
export function splitPack(pack: Pack, text: string): Member[] | null {
  const plain = pack.base64url ? fromBase64url(text) : text;
  if (plain === null) return null;
  const members = pack.as === 'json' ? fromJson(plain) : pack.as === 'places' ? places(pack, plain) : pairs(pack, plain);
  return members && members.filter(({ name, text: held }) => own(pack.fixed, name) !== held);
}

const places = ({ separator }: Pack, text: string): Member[] =>
  text.split(separator).flatMap((held, place) => (held === '' ? [] : [{ name: String(place), text: held }]));

const pairs = ({ separator, equals }: Pack, text: string): Member[] =>
  splitOutside(text, separator).flatMap((held) => {
    if (held === '') return [];
    const at = held.indexOf(equals);
    return [at < 0 ? { name: held, text: '' } : { name: held.slice(0, at), text: held.slice(at + equals.length) }];
  });

/** Parts between separators, but for those within brackets, as in `rgb(1,2,3)`. */
function splitOutside(text: string, separator: string): string[] {
  const parts = text.split(separator);
  if (separator === '' || !text.includes('(')) return parts;
  return parts.reduce<string[]>((joined, part) => {
    const last = joined.at(-1);
    const open = last !== undefined && last.lastIndexOf('(') > last.lastIndexOf(')');
    return open ? [...joined.slice(0, -1), last + separator + part] : [...joined, part];
  }, []);
}

/** The values of an object, those of objects within it under names with dots. */
function fromJson(text: string): Member[] | null {
  const read = readJson(text);
  if ('wrong' in read || typeof read.value !== 'object' || read.value === null || Array.isArray(read.value)) return null;
  return leaves(read.value, '');
}

function leaves(value: object, before: string): Member[] {
  return Object.entries(value).flatMap(([key, held]: [string, unknown]) => {
    const name = before + key;
    if (typeof held === 'object' && held !== null && !Array.isArray(held)) return leaves(held, `${name}.`);
    return [
      typeof held === 'string'
        ? { name, text: held, ...(isLiteral(held) && { quoted: true }) }
        : { name, text: JSON.stringify(held) },
    ];
  });
}

/** Whether a text, written in JSON without quotes, would be something else than text. */
const isLiteral = (text: string): boolean =>
  /^(?:true|false|null|-?\d+(?:\.\d+)?|\[.*\])$/s.test(text) && !('wrong' in readJson(text));

/** The pack with what must be in it, and the members in their order; empty where there is nothing. */
export function joinPack(pack: Pack, members: readonly Member[]): string {
  const given = new Set(members.map(({ name }) => name));
  const fixed = Object.entries(pack.fixed).flatMap(([name, text]) => (given.has(name) ? [] : [{ name, text }]));
  const rank = (name: string): number => (pack.order.includes(name) ? pack.order.indexOf(name) : Infinity);
  const all = [...fixed, ...members].sort((a, b) => (rank(a.name) < rank(b.name) ? -1 : rank(a.name) > rank(b.name) ? 1 : 0));
  if (all.length === 0) return '';
  const text = pack.as === 'json' ? toJson(all) : pack.as === 'places' ? toPlaces(pack, all) : toPairs(pack, all);
  return pack.base64url ? toBase64url(text) : text;
}

const toPairs = ({ separator, equals }: Pack, members: readonly Member[]): string =>
  members.map(({ name, text }) => (text === '' ? name : name + equals + text)).join(separator);

function toPlaces({ separator }: Pack, members: readonly Member[]): string {
  const last = Math.max(...members.map(({ name }) => Number(name)));
  return Array.from({ length: last + 1 }, (_, place) => members.find(({ name }) => Number(name) === place)?.text ?? '').join(
    separator,
  );
}

type Tree = Map<string, Tree | string>;

function toJson(members: readonly Member[]): string {
  const root: Tree = new Map();
  for (const { name, text, quoted } of members) {
    const keys = name.split('.');
    let at = root;
    for (const key of keys.slice(0, -1)) {
      const next = at.get(key);
      const inner: Tree = typeof next === 'object' ? next : new Map<string, Tree | string>();
      if (inner !== next) at.set(key, inner);
      at = inner;
    }
    at.set(keys.at(-1)!, !quoted && isLiteral(text) ? text : JSON.stringify(text));
  }
  return write(root);
}

const write = (tree: Tree): string =>
  `{${[...tree].map(([key, held]) => `${JSON.stringify(key)}:${typeof held === 'string' ? held : write(held)}`).join(',')}}`;

/** RFC 4648, section 5, without padding, over UTF-8. */
function toBase64url(text: string): string {
  const bytes = Array.from(new TextEncoder().encode(text), (byte) => String.fromCharCode(byte)).join('');
  return btoa(bytes).replaceAll('+', '-').replaceAll('/', '_').replace(/=+$/, '');
}

/** Null where it is no such text; either alphabet is read. */
export function fromBase64url(text: string): string | null {
  if (!/^[\w+/-]+={0,2}$/.test(text)) return null;
  try {
    const bytes = atob(text.replaceAll('-', '+').replaceAll('_', '/').replace(/=+$/, ''));
    return new TextDecoder('utf-8', { fatal: true }).decode(Uint8Array.from(bytes, (sign) => sign.charCodeAt(0)));
  } catch {
    return null;
  }
}
