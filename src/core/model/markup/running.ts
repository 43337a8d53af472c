import type { Attribute } from '../candidate.ts';
import { OPENER } from '../coverScript.ts';
import { isHandler, runsAsAddress, type Running, type RunningKind } from '../running.ts';
import { findTags, type Tag } from './tags.ts';

/**
 * Everything in a text that runs where the text stands in a page: the one idea of it, for whatever was pasted. A script
 * of data (JSON-LD) runs nothing, and the one that serves our own covers is known.
 */
export function findRunning(text: string): Running[] {
  return text.includes('<') ? runningIn(text, 0) : NONE;
}

const NONE: Running[] = [];
/** Pages within pages are followed so far; deeper ones are taken for running. */
const DEEPEST = 4;

function runningIn(text: string, depth: number): Running[] {
  const found: Running[] = [];
  // In HTML what begins like CDATA is a comment that ends sooner (section 13.2.5.42).
  for (const tag of findTags(text.replaceAll('<![CDATA[', '<!-[CDATA['), null)) {
    const element = elementRuns(tag, text);
    if (element) found.push(element);
    for (const attribute of tag.attributes) {
      const kind = attributeRuns(attribute, tag.name, depth);
      if (kind) found.push({ kind, name: attribute.name, range: attribute.whole });
    }
  }
  return found;
}

/** Values in braces that a script component would reckon out: calls, assignments, templates (JSX). */
export function findExpressions(text: string): Running[] {
  const found: Running[] = [];
  for (const { 0: part, index } of text.matchAll(BRACED))
    if (part.startsWith('{') && RECKONED.test(part.replace(/"[^"]*"|'[^']*'/g, '""')))
      found.push({ kind: 'expression', name: part.slice(0, 40), range: [index, index + part.length] });
  return found;
}
const BRACED = /"[^"]*"|'[^']*'|\{[^{}]*\}/g;
const RECKONED = /[(=]|\$\{|\bnew\b/;

function elementRuns(tag: Tag, text: string): Running | null {
  const value = (name: string): string => tag.attributes.find((a) => a.name === name)?.value ?? '';
  if (tag.name === 'meta' && value('http-equiv').trim().toLowerCase() === 'refresh')
    return { kind: 'refresh', name: 'meta', range: [tag.from, tag.to] };
  if (tag.name !== 'script' || !isScriptType(value('type'))) return null;
  CLOSING.lastIndex = tag.to;
  const end = CLOSING.exec(text);
  if (text.slice(tag.to, end?.index) === OPENER) return null;
  const address = value('src');
  return {
    kind: 'script',
    name: 'script',
    range: [tag.from, end ? CLOSING.lastIndex : text.length],
    ...(address && { address }),
  };
}

const CLOSING = /<\/script[^>]*>/gi;

/** HTML, section 4.12.1.1: of any other type it is a block of data. */
const isScriptType = (type: string): boolean =>
  /^\s*(?:$|module\s*$|importmap|speculationrules|(?:text|application)\/(?:x-)?(?:java|ecma|j|live)script)/i.test(type);

/** Attributes that hold an address; those of animations become one (SVG Animations, section 2.3). */
const ADDRESSES = new Set(
  'href src data action formaction xlink:href background poster ping manifest codebase classid code archive lowsrc dynsrc to from by values content'.split(
    ' ',
  ),
);

/** In which way an attribute of an element runs, or null. */
export function attributeRuns(attribute: Attribute, element: string, depth = 0): RunningKind | null {
  const { name, value } = attribute;
  if (value === null) return null;
  if (isHandler(attribute)) return 'handler';
  if (name === 'srcdoc' || name === 'dangerouslysetinnerhtml' || name === 'v-html' || name === 'x-html')
    return depth >= DEEPEST || (value.includes('<') && runningIn(value, depth + 1).length > 0) ? 'page' : null;
  const address = ADDRESSES.has(name) || (name === 'value' && element === 'param');
  return address && value.split(name === 'values' ? ';' : /(?!)/).some(runsAsAddress) && element !== 'meta' ? 'address' : null;
}
