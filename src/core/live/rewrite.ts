import { escapeHtml } from '../model/markup/escape.ts';
import { featureKey } from '../model/features.ts';
import type { Candidate, PlacedAttribute, Range } from '../model/candidate.ts';
import type { CodeRange } from '../model/code.ts';
import { trimmedEnd } from '../model/place.ts';
import { ratioOf } from '../model/values.ts';
import { decodeHTMLAttribute } from 'entities';
import { writtenParts } from '../model/markup/addressParts.ts';
import { rewriteList, rewriteParts, type Changes, type Span } from './lists.ts';
import type { Slot, Slots } from './slots.ts';

/** The code in hand, and what it says before and after settings were changed. */
export interface Rewriting {
  text: string;
  candidate: Candidate;
  before: Slots;
  after: Slots;
  /** The ratio that is wanted now, for a wrapper that holds it; null where the wrapper has to go. */
  ratio: string | null;
}

/**
 * Lays changed settings into code as it stands: only the bytes of what changed are changed; unknown
 * attributes, parameters, comments, order, quotes and white space stay.
 */
export function rewrite(rewriting: Rewriting): { text: string; map: CodeRange[] } {
  const replacements = [...addressSpans(rewriting), ...attributeSpans(rewriting), ...wrapperSpans(rewriting)];
  return assemble(rewriting.text, replacements);
}

interface Replacement {
  range: Range;
  spans: readonly Span[];
}

function assemble(source: string, replacements: Replacement[]): { text: string; map: CodeRange[] } {
  let text = '';
  let at = 0;
  const map: CodeRange[] = [];
  for (const { range, spans } of replacements.sort((a, b) => a.range[0] - b.range[0] || a.range[1] - b.range[1])) {
    text += source.slice(at, range[0]);
    for (const span of spans) {
      if (span.origin && span.text !== '')
        map.push({
          range: [text.length, text.length + span.text.length],
          origin: span.origin,
          ...(span.parameter !== undefined && { parameter: span.parameter }),
        });
      text += span.text;
    }
    at = range[1];
  }
  return { text: text + source.slice(at), map };
}

/** The keys whose slot is not what it was. */
function changed(before: ReadonlyMap<string, Slot>, after: ReadonlyMap<string, Slot>): Map<string, Slot | null> {
  const changes = new Map<string, Slot | null>();
  for (const [key, slot] of after) if (before.get(key)?.text !== slot.text || !before.has(key)) changes.set(key, slot);
  for (const key of before.keys()) if (!after.has(key)) changes.set(key, null);
  return changes;
}

function addressSpans({ text, candidate, before, after }: Rewriting): Replacement[] {
  const { holder, addressRange } = candidate;
  if (!addressRange || !holder?.range) return [];
  const written = text.slice(...addressRange);
  const lead = written.length - written.trimStart().length;
  const end = written.length - written.trimEnd().length;
  const { head, parts } = writtenParts(written.trim());
  const quote = quoteOf(holder, text);
  const spell = (value: string): string => escapeFor(quote, value);
  const joint = parts.find((part) => part.joint.startsWith('&'))?.joint ?? '&amp;';
  const changes = changed(before.parameters, after.parameters);
  const base: Span =
    before.base === after.base
      ? { text: head, origin: before.baseOrigin }
      : { text: moved(head, before.base, spell(after.base)), origin: after.baseOrigin };
  const tail = rewriteParts(parts, { changes, origins: before.parameters }, { spell, joint });
  return [{ range: [addressRange[0] + lead, addressRange[1] - end], spans: [base, ...tail] }];
}

/** The address with another path, or on another origin with its path as it was written. */
function moved(written: string, before: string, after: string): string {
  const origin = /^(?:https?:)?\/\/[^/?#]*/i;
  const pathOf = (address: string): string => address.replace(origin, '').replace(/[?#].*$/s, '');
  if (pathOf(before) !== pathOf(after)) {
    const moves = origin.exec(before)?.[0] !== origin.exec(after)?.[0];
    return (moves ? origin.exec(after)![0] : (origin.exec(written)?.[0] ?? '')) + pathOf(after);
  }
  return origin.test(written) && before !== after ? written.replace(origin, origin.exec(after)![0]) : after;
}

/** Size stands in several places; where one of them changes, all of them are made to agree. */
const SIZE_ATTRIBUTES = ['width', 'height'];
const SIZE_STYLE = ['width', 'max-width', 'height', 'aspect-ratio'];
/** What lays a frame over its wrapper. */
const OVERLAID = ['position', 'top', 'left', 'right', 'bottom', 'inset'];

function attributeSpans(rewriting: Rewriting): Replacement[] {
  const { candidate, before, after } = rewriting;
  const attributes = changed(before.attributes, after.attributes);
  const style = changed(before.style, after.style);
  const allow = changed(before.allow, after.allow);
  if (sizeChanged(attributes, style)) agree(rewriting, attributes, style);
  const replacements: Replacement[] = [];
  const present = new Set(candidate.attributes.map((a) => a.name));
  for (const attribute of candidate.attributes)
    replacements.push(...attributeSpan(attribute, rewriting, { attributes, style, allow }));
  const added: Span[] = [];
  const put = (name: string, value: string | null, origin: Slot['origin']): void => {
    added.push({ text: ' ' }, { text: value === null ? name : `${name}="${escapeFor('"', value)}"`, origin });
  };
  for (const [name, slot] of attributes) if (slot && !present.has(name)) put(name, slot.text, slot.origin);
  const first = (changes: Changes): Slot[] => [...changes.values()].filter((slot) => slot !== null);
  if (!present.has('style') && first(style).length > 0)
    put(
      'style',
      first(style)
        .map((s) => s.text)
        .join(';'),
      first(style)[0]!.origin,
    );
  if (!present.has('allow') && first(allow).length > 0)
    put(
      'allow',
      first(allow)
        .map((s) => s.text)
        .join('; '),
      first(allow)[0]!.origin,
    );
  const end = lastEnd(candidate);
  if (added.length > 0 && end !== null) replacements.push({ range: [end, end], spans: added });
  return replacements;
}

function sizeChanged(attributes: Changes, style: Changes): boolean {
  return SIZE_ATTRIBUTES.some((name) => attributes.has(name)) || SIZE_STYLE.some((name) => style.has(name));
}

function agree(
  { after, ratio, candidate }: Rewriting,
  attributes: Map<string, Slot | null>,
  style: Map<string, Slot | null>,
): void {
  // A wrapper that stays holds the size itself.
  if (candidate.wrapper && ratio !== null) {
    for (const name of SIZE_ATTRIBUTES) attributes.delete(name);
    for (const name of SIZE_STYLE) style.delete(name);
    return;
  }
  for (const name of SIZE_ATTRIBUTES) attributes.set(name, after.attributes.get(name) ?? null);
  for (const name of SIZE_STYLE) style.set(name, after.style.get(name) ?? null);
  if (candidate.wrapper) for (const name of OVERLAID) style.set(name, null);
}

function attributeSpan(
  attribute: PlacedAttribute,
  { text, before }: Rewriting,
  changes: { attributes: Changes; style: Changes; allow: Changes },
): Replacement[] {
  const { name, whole, range } = attribute;
  const gone: Replacement = { range: [trimmedEnd(text, whole[0]), whole[1]], spans: [] };
  const spell = (value: string): string => escapeFor(quoteOf(attribute, text), value);
  if ((name === 'style' || name === 'allow') && range) {
    const keyOf =
      name === 'style'
        ? (written: string) => propertyOf(decodeHTMLAttribute(written))
        : (written: string) => featureKey(decodeHTMLAttribute(written));
    const list = { changes: changes[name], origins: before[name] };
    // Without quotes, a space would end the value.
    const joint = name === 'style' || quoteOf(attribute, text) === '' ? ';' : '; ';
    const spans = rewriteList(text.slice(...range), list, { joint, keyOf, spell });
    return spans.length === 0 && changes[name].size > 0 ? [gone] : [{ range, spans }];
  }
  const change = changes.attributes.get(name);
  if (change === null) return [gone];
  if (!change) return [{ range: whole, spans: [{ text: text.slice(...whole), origin: before.attributes.get(name)?.origin }] }];
  if (change.text === null) return [{ range: whole, spans: [{ text: name, origin: change.origin }] }];
  if (!range) return [{ range: whole, spans: [{ text: `${name}="${escapeFor('"', change.text)}"`, origin: change.origin }] }];
  const quote = quoteOf(attribute, text);
  const value = quote === '' && change.text === '' ? '""' : spell(change.text);
  return [
    {
      range: whole,
      spans: [{ text: text.slice(whole[0], range[0]) + value + text.slice(range[1], whole[1]), origin: change.origin }],
    },
  ];
}

const propertyOf = (declaration: string): string => declaration.slice(0, declaration.indexOf(':')).trim().toLowerCase();

/** A wrapper that holds the ratio in its padding, or that has to go for another way of sizing. */
function wrapperSpans({ text, candidate, ratio, before, after }: Rewriting): Replacement[] {
  const { wrapper, range } = candidate;
  if (!wrapper) return [];
  // In the place of a sum the number needs its sign.
  const reckoned = text.charAt(wrapper.padding[1]) !== '%';
  const same = before.style.get('aspect-ratio')?.text === after.style.get('aspect-ratio')?.text;
  if (ratio !== null)
    return same
      ? []
      : [
          {
            range: wrapper.padding,
            spans: [{ text: `${Math.round(1e6 / ratioOf(ratio)) / 1e4}${reckoned ? '%' : ''}`, origin: 'ratio' }],
          },
        ];
  return [
    { range: [range[0], wrapper.frame[0]], spans: [] },
    { range: [wrapper.frame[1], range[1]], spans: [] },
  ];
}

function lastEnd({ attributes, holder, tag, source }: Candidate): number | null {
  const ends = attributes.filter((a) => source !== 'script' || !tag || a.whole[1] <= tag[1]).map((a) => a.whole[1]);
  if (holder) ends.push(holder.whole[1]);
  if (ends.length > 0) return Math.max(...ends);
  return tag && source === 'shortcode' ? tag[1] : null;
}

/** The quotation mark around the value; empty where there is none. */
function quoteOf({ range, whole }: PlacedAttribute, text: string): string {
  return range && range[1] < whole[1] ? text.charAt(range[1]) : '';
}

/** HTML, section 13.1.2.3: what may not stand in a value between these quotes, or without any; curly ones would be put right. */
function escapeFor(quote: string, value: string): string {
  const quoted = escapeHtml(value);
  if (quote === '"') return quoted;
  const single = quoted.replace(/'/g, '&#39;');
  return quote === '' ? single.replace(/[\s`={}\u2018-\u201f\u2033\u00ab\u00bb]/g, (c) => `&#${c.charCodeAt(0)};`) : single;
}
