import type { Attribute } from '../model/candidate.ts';
import type { Parameter } from '../model/item.ts';
import type { Seen } from './observe.ts';

/** What one code has that the plain one has not, or has otherwise. */
export interface Difference {
  in: 'query' | 'fragment' | 'path' | 'origin' | 'attribute' | 'frameAttribute';
  /** Of the parameter or the attribute; in the path, the place of the segment. */
  name: string;
  /** As it stands there; undefined where it is gone. */
  text: string | undefined;
  /** In the plain code. */
  was: string | undefined;
  /** A name without a value. */
  bare: boolean;
  /** A segment of its own that the plain path has not. */
  added?: boolean;
}

const valuesOf = (parameters: readonly Parameter[]): Map<string, Parameter[]> => {
  const values = new Map<string, Parameter[]>();
  for (const parameter of parameters) values.set(parameter.name, [...(values.get(parameter.name) ?? []), parameter]);
  return values;
};

const isBare = ({ raw }: Parameter): boolean => !raw.includes('=');

function ofParameters(place: 'query' | 'fragment', plain: readonly Parameter[], now: readonly Parameter[]): Difference[] {
  const [before, after] = [valuesOf(plain), valuesOf(now)];
  const found: Difference[] = [];
  for (const [name, parameters] of after) {
    const was = before.get(name) ?? [];
    if (parameters.map(({ value }) => value).join('\u0000') === was.map(({ value }) => value).join('\u0000') && was.length > 0)
      continue;
    for (const parameter of parameters)
      found.push({ in: place, name, text: parameter.value, was: was[0]?.value, bare: isBare(parameter) });
  }
  for (const [name, [was]] of before)
    if (!after.has(name)) found.push({ in: place, name, text: undefined, was: was!.value, bare: false });
  return found;
}

/** A fragment that holds parameters, taken apart; null for one that is nothing but a value. */
function fragmentParameters(fragment: string): Parameter[] | null {
  if (fragment === '') return [];
  if (!fragment.includes('=')) return null;
  return fragment.split('&').map((raw) => {
    const at = raw.indexOf('=');
    return { in: 'fragment', name: at < 0 ? raw : raw.slice(0, at), value: at < 0 ? '' : raw.slice(at + 1), raw };
  });
}

function ofFragments(plain: string, now: string): Difference[] {
  if (plain === now) return [];
  const behind = plain !== '' && now.startsWith(`${plain}&`);
  const [before, after] = behind
    ? [[], fragmentParameters(now.slice(plain.length + 1))]
    : [fragmentParameters(plain), fragmentParameters(now)];
  if (before && after) return ofParameters('fragment', before, after);
  return [{ in: 'fragment', name: '', text: now === '' ? undefined : now, was: plain === '' ? undefined : plain, bare: false }];
}

/** Segments that differ, or that one path has more; null where the paths have too little in common. */
function ofPaths(plain: readonly string[], now: readonly string[]): Difference[] | null {
  if (now.length === plain.length)
    return now.flatMap((text, i) =>
      text === plain[i] ? [] : [{ in: 'path' as const, name: String(i), text, was: plain[i], bare: false }],
    );
  if (now.length !== plain.length + 1) return null;
  const at = now.findIndex((text, i) => text !== plain[i]);
  // A closing slash of the plain one is where the segment goes.
  if (plain.at(-1) === '' && at === plain.length - 1) return null;
  return now.slice(at + 1).every((text, i) => text === plain[at + i])
    ? [{ in: 'path', name: String(at), text: now[at], was: undefined, bare: false, added: true }]
    : null;
}

/** What differs between the plain frame address of an item and another one; null where they are of different items. */
export function addressDifferences(plain: Seen, now: Seen): Difference[] | null {
  const path = ofPaths(plain.path, now.path);
  if (!path) return null;
  const origin: Difference[] =
    plain.origin === now.origin ? [] : [{ in: 'origin', name: '', text: now.origin, was: plain.origin, bare: false }];
  return [...origin, ...path, ...ofParameters('query', plain.query, now.query), ...ofFragments(plain.fragment, now.fragment)];
}

/** Attributes of the host's own, `data-*` of a frame or any of a placeholder, that differ. */
export function attributeDifferences(
  plain: readonly Attribute[],
  now: readonly Attribute[],
  { in: place, of }: { in: 'attribute' | 'frameAttribute'; of: (name: string) => boolean },
): Difference[] {
  const before = new Map(plain.map(({ name, value }) => [name, value]));
  const after = new Map(now.map(({ name, value }) => [name, value]));
  return [...new Set([...after.keys(), ...before.keys()])]
    .filter((name) => of(name) && (before.get(name) !== after.get(name) || before.has(name) !== after.has(name)))
    .map((name) => ({
      in: place,
      name,
      text: after.has(name) ? (after.get(name) ?? '') : undefined,
      was: before.has(name) ? (before.get(name) ?? '') : undefined,
      bare: after.has(name) && (after.get(name) ?? '') === '',
    }));
}
