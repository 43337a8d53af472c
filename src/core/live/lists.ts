import type { Origin } from '../model/plan.ts';
import type { Slot } from './slots.ts';

/** A stretch of rewritten text with what it comes from. */
export interface Span {
  text: string;
  origin?: Origin | undefined;
}

/** What is to become of each key: the slot that it must have, or null where it must go. Keys that are not here stay as they are. */
export type Changes = ReadonlyMap<string, Slot | null>;

/** What a key that stays comes from. */
export type Origins = ReadonlyMap<string, Slot>;

interface Part {
  place: 'query' | 'fragment';
  joint: string;
  text: string;
  key: string;
}

/**
 * The tail of an address, from its first `?` or `#`: parameters change, come and go, all others keep their
 * bytes. `spell` escapes a parameter for where it stands, `joint` is the ampersand as this text writes it.
 */
export function rewriteTail(
  tail: string,
  { changes, origins }: { changes: Changes; origins: Origins },
  { spell, joint }: { spell: (text: string) => string; joint: string },
): Span[] {
  const parts = splitTail(tail);
  const spans: Span[] = [];
  for (const place of ['query', 'fragment'] as const) {
    const sign = place === 'query' ? '?' : '#';
    const kept = parts.filter((p) => p.place === place);
    const texts: { part: Part | null; span: Span }[] = [];
    for (const part of kept) {
      const change = changes.get(part.key);
      if (change === null) continue;
      const first = kept.find((p) => p.key === part.key) === part;
      texts.push({
        part,
        span:
          change && first
            ? { text: spell(change.text!), origin: change.origin }
            : { text: part.text, origin: origins.get(part.key)?.origin },
      });
    }
    for (const [key, slot] of changes)
      if (slot && key.startsWith(`${place}:`) && !kept.some((p) => p.key === key))
        texts.push({ part: null, span: { text: spell(slot.text!), origin: slot.origin } });
    texts.forEach(({ part, span }, i) => {
      const before = i === 0 ? (part && part === kept[0] ? part.joint : sign) : part && part.joint !== sign ? part.joint : joint;
      // A sign with nothing behind it is taken up by what is put in next.
      const taken = part === null && texts[i - 1]?.part?.text === '';
      spans.push({ text: taken ? '' : before }, span);
    });
  }
  return spans;
}

/** Entities in an address that are not ampersands: their `&` and `#` join nothing. */
const ENTITY = /&(?!amp;|#38;)(?:#\w{1,6}|[a-z]{2,8});/gi;

/** `?a=1&amp;b=2#t=3` as parts, each with the sign before it; a sign with nothing behind it is a part of its own. */
function splitTail(tail: string): Part[] {
  const masked = tail.replace(ENTITY, (entity) => '_'.repeat(entity.length));
  const hash = masked.indexOf('#');
  const query = hash < 0 ? masked.length : hash;
  return [
    ...splitPlace(tail.slice(0, query), masked.slice(0, query), 'query'),
    ...splitPlace(tail.slice(query), masked.slice(query), 'fragment'),
  ];
}

function splitPlace(written: string, masked: string, place: 'query' | 'fragment'): Part[] {
  const parts: Part[] = [];
  for (const m of masked.matchAll(/(^[?#]|&(?:amp;|#38;)?)([^&]*)/gi)) {
    const joint = m[1]!;
    const text = written.slice(m.index + joint.length, m.index + m[0].length);
    parts.push({ place, joint, text, key: text === '' ? 'bare' : `${place}:${decodeName(text)}` });
  }
  return parts;
}

function decodeName(text: string): string {
  const name = text.split('=', 1)[0]!;
  try {
    return decodeURIComponent(name.replaceAll('+', ' '));
  } catch {
    return name;
  }
}

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
  const spans: Span[] = [];
  const seen = new Set<string>();
  const items = splitItems(text);
  const push = (span: Span, lead: string): void =>
    void spans.push({ text: spans.length === 0 ? lead.trimStart() : `;${lead}` }, span);
  let trailing = false;
  items.forEach((item, i) => {
    const bare = item.trim();
    if (bare === '') {
      trailing ||= i === items.length - 1 && items.length > 1;
      return;
    }
    const key = keyOf(bare);
    const change = seen.has(key) && changes.has(key) ? null : changes.get(key);
    seen.add(key);
    if (change === null) return;
    const lead = item.slice(0, item.length - item.trimStart().length);
    if (change) push({ text: spell(change.text!), origin: change.origin }, lead);
    else push({ text: item.slice(lead.length), origin: origins.get(key)?.origin }, lead);
  });
  for (const [key, slot] of changes)
    if (slot && !seen.has(key)) push({ text: spell(slot.text!), origin: slot.origin }, joint === '; ' ? ' ' : '');
  if (trailing && spans.length > 0) spans.push({ text: ';' });
  return spans;
}
