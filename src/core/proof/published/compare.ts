import { elementsOf, type Element } from './markup.ts';
import { own } from '../../model/own.ts';
import type { Loss } from './loss.ts';

/**
 * What a site made of a code: the code as it was given, and the source of the page, or of the part of it that was
 * brought in. Elements are found again by what their attributes still say.
 */
export function compareBack(given: string, back: string): Loss[] {
  const wanted = elementsOf(given);
  const there = elementsOf(back);
  // Words alone, such as a link or Markdown.
  if (wanted.length === 0) return unescaped(back).includes(given.trim()) ? [] : [{ code: 'gone' }];
  const free = new Set(there);
  const byTag = new Map<string, Set<Element>>();
  for (const element of there) byTag.set(element.tag, (byTag.get(element.tag) ?? new Set()).add(element));
  const losses: Loss[] = [];
  const missing: string[] = [];
  for (const element of wanted) {
    const alike = byTag.get(element.tag);
    const found = alike && nearest(element, alike);
    if (!found) missing.push(element.tag);
    else {
      free.delete(found);
      alike.delete(found);
      losses.push(...differences(element, found));
    }
  }
  const main = mainOf(wanted);
  // Without its script a placeholder is still there.
  if (main && main.tag !== 'script' && missing.includes(main.tag)) return [whatIsLeft(main, back, there)];
  const times = main ? 1 + [...free].filter((other) => isSame(main, other)).length : 1;
  return [
    ...(times > 1 ? [{ code: 'doubled' as const, times }] : []),
    ...[...new Set(missing)].map((tag) => ({ code: 'elementGone' as const, tag })),
    ...losses,
  ];
}

/** Elements that are the embed itself; all others stand around it. */
const MAIN = ['iframe', 'video', 'audio', 'script'];

const unescaped = (text: string): string => text.replace(/&amp;/gi, '&');

const mainOf = (elements: readonly Element[]): Element | undefined =>
  elements.find(({ tag }) => MAIN.includes(tag)) ?? elements[0];

/** Name of the element in a code that is the embed itself. */
export const mainTag = (code: string): string => mainOf(elementsOf(code))?.tag ?? 'iframe';

/** The element that still says most of what this one said; undefined where none says anything of it. */
function nearest(element: Element, free: ReadonlySet<Element>): Element | undefined {
  const names = Object.keys(element.attributes);
  let best: { found: Element; score: number } | undefined;
  let looked = 0;
  for (const found of free) {
    if (looked++ >= MOST_COMPARED) break;
    const score = names.filter((name) => alike(name, element, found)).length;
    if (score > (best?.score ?? (names.length === 0 ? -1 : 0))) best = { found, score };
    if (best?.score === names.length) break;
  }
  return best?.found;
}

/** Elements of one kind that are compared with each; a page in earnest has its embed among the first. */
const MOST_COMPARED = 400;

const alike = (name: string, a: Element, b: Element): boolean =>
  name === 'style'
    ? Object.keys(a.style).some((property) => a.style[property] === own(b.style, property))
    : a.attributes[name] === own(b.attributes, name);

const isSame = (a: Element, b: Element): boolean => a.tag === b.tag && a.attributes.src === b.attributes.src;

function differences(was: Element, now: Element): Loss[] {
  const { tag } = was;
  const losses: Loss[] = [];
  for (const [name, value] of Object.entries(was.attributes)) {
    const found = own(now.attributes, name);
    if (found === undefined) losses.push({ code: 'attributeGone', tag, name, was: value });
    else if (name === 'style') losses.push(...styleDifferences(was, now));
    else if (found !== value) losses.push({ code: 'attributeChanged', tag, name, was: value, now: found });
  }
  for (const [name, value] of Object.entries(now.attributes))
    if (own(was.attributes, name) === undefined) losses.push({ code: 'attributeNew', tag, name, now: value });
  return losses;
}

function styleDifferences({ tag, style }: Element, now: Element): Loss[] {
  return Object.entries(style).flatMap(([name, was]): Loss[] => {
    const found = own(now.style, name);
    if (found === undefined) return [{ code: 'propertyGone', tag, name, was }];
    return plain(found) === plain(was) ? [] : [{ code: 'propertyChanged', tag, name, was, now: found }];
  });
}

/** Editors write the same value with other spaces. */
const plain = (value: string): string => value.toLowerCase().replace(/\s*([/,;])\s*/g, '$1');

function whatIsLeft({ tag, attributes }: Element, back: string, there: readonly Element[]): Loss {
  if (new RegExp(`&lt;\\s*${tag}\\b`, 'i').test(back)) return { code: 'asText' };
  const address = attributes.src ?? attributes.href ?? '';
  const page = address.split(/[?#]/)[0]!;
  const linked = page !== '' && (back.includes(page) || there.some(({ attributes: { href = '' } }) => href.startsWith(page)));
  return { code: linked ? 'linkOnly' : 'gone' };
}
