import { nameOf, type AddressPart } from '../model/markup/addressParts.ts';
import type { Origin } from '../model/plan.ts';
import type { Slot } from './slots.ts';

/** A stretch of rewritten text with what it comes from. */
export interface Span {
  text: string;
  origin?: Origin | undefined;
  /** The parameter that nobody knows which it is, as the item has it. */
  parameter?: string;
}

/** What is to become of each key: the slot that it must have, or null where it must go. Keys that are not here stay as they are. */
export type Changes = ReadonlyMap<string, Slot | null>;

/** What a key that stays comes from. */
export type Origins = ReadonlyMap<string, Slot>;

/**
 * The parameters of an address: some change, come and go, all others keep their bytes, and so does a sign with nothing
 * behind it. `spell` escapes a parameter for where it stands, `joint` is the ampersand as this text writes it.
 */
export function rewriteParts(
  written: readonly AddressPart[],
  { changes, origins }: { changes: Changes; origins: Origins },
  { spell, joint }: { spell: (text: string) => string; joint: string },
): Span[] {
  const spans: Span[] = [];
  for (const place of ['query', 'fragment'] as const) {
    const parts = written.filter((part) => part.place === place);
    const seen = new Set<string>();
    let first = true;
    const push = (span: Span, sign: string): void => {
      spans.push({ text: first ? (place === 'query' ? '?' : '#') : sign }, span);
      first = false;
    };
    for (const [i, part] of parts.entries()) {
      const key = keyOf(part, changes, origins);
      const change = changes.get(key);
      const again = seen.has(key);
      seen.add(key);
      if (change === null) continue;
      const sign = i === 0 ? joint : part.joint;
      if (change && !again) push(spanOf(change, spell), sign);
      else {
        const { origin, parameter } = origins.get(key) ?? {};
        push({ text: part.text, origin, ...(parameter !== undefined && { parameter }) }, sign);
      }
    }
    for (const [key, slot] of changes)
      if (slot && key.startsWith(`${place}:`) && !seen.has(key)) push(spanOf(slot, spell), joint);
  }
  return spans;
}

/** A fragment without a name, such as `#0:59`, has the key of the one parameter that stands there without its name. */
function keyOf({ place, text, meant }: AddressPart, changes: Changes, origins: Origins): string {
  if (text === '') return 'bare';
  const [key, nameless] = [`${place}:${nameOf(meant)}`, `${place}:`];
  const isNamed = meant.includes('=') || changes.has(key) || origins.has(key);
  return !isNamed && (changes.has(nameless) || origins.has(nameless)) ? nameless : key;
}

const spanOf = ({ text, origin, parameter }: Slot, spell: (text: string) => string): Span => ({
  text: spell(text!),
  origin,
  ...(parameter !== undefined && { parameter }),
});

/** The items of a list, as they are written; the semicolon of an entity parts nothing. */
function splitItems(written: string): string[] {
  const masked = written.replace(/&(?:#\w{1,7}|[a-z]\w{1,30});/gi, (entity) => '_'.repeat(entity.length));
  let at = 0;
  return masked.split(';').map((item) => {
    const whole = written.slice(at, at + item.length);
    at += item.length + 1;
    return whole;
  });
}

/** A list within an attribute, such as the declarations of a style: items change, come and go, the rest keeps its bytes. */
export function rewriteList(
  text: string,
  { changes, origins }: { changes: Changes; origins: Origins },
  { joint, keyOf, spell }: { joint: ';' | '; '; keyOf: (item: string) => string; spell: (text: string) => string },
): Span[] {
  const seen = new Set<string>();
  const left: Span[][] = [];
  const items = text === '' ? [''] : splitItems(text);
  for (const item of items) {
    const bare = item.trim();
    const key = bare === '' ? '' : keyOf(bare);
    const change = key === '' ? undefined : seen.has(key) && changes.has(key) ? null : changes.get(key);
    seen.add(key);
    if (change === null) continue;
    const [lead, tail] = [item.slice(0, item.length - item.trimStart().length), item.slice(item.trimEnd().length)];
    const span = change
      ? { text: spell(change.text!), origin: change.origin }
      : { text: bare, origin: key === '' ? undefined : origins.get(key)?.origin };
    left.push(bare === '' ? [{ text: item }] : [{ text: lead }, span, { text: tail }]);
  }
  // What closes the list stays its end.
  const open = left.length > 0 && left.at(-1)!.every((span) => span.text.trim() === '') ? [left.pop()!] : [];
  for (const [key, slot] of changes)
    if (slot && !seen.has(key)) {
      const lead = joint === '; ' && left.length > 0 ? ' ' : '';
      left.push([{ text: lead }, { text: spell(slot.text!), origin: slot.origin }]);
    }
  return [...left, ...open].flatMap((spans, i) => (i === 0 ? spans : [{ text: ';' }, ...spans]));
}
