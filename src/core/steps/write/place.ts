import { runsAsAddress } from '../../model/running.ts';

/** Where a value stands in markup, or in the short code of a page editor, which has tags of the same make in square brackets. */
export interface Place {
  in: 'text' | 'tag' | 'value' | 'code';
  /** Around the value; empty where it has none. */
  quote: '"' | "'" | '';
  /** Name of the attribute whose value it begins, in small letters. */
  begins: string | null;
}

const TAG = /[<[][/a-z!]/gi;

/** The place right behind a text. */
export function placeAfter(text: string): Place {
  const script = text.search(/<(?:script|style)\b(?![^]*<\/(?:script|style))/i);
  if (script >= 0 && text.indexOf('>', script) >= 0) return { in: 'code', quote: '', begins: null };
  let at = 0;
  for (;;) {
    TAG.lastIndex = at;
    const tag = TAG.exec(text);
    if (!tag) return { in: 'text', quote: '', begins: null };
    const inside = placeInTag(text, tag.index + 1, tag[0].startsWith('[') ? ']' : '>');
    if (typeof inside !== 'number') return inside;
    at = inside;
  }
}

/** The place in a tag that is not closed; otherwise where it ends. */
function placeInTag(text: string, from: number, close: string): Place | number {
  let quote: Place['quote'] = '';
  let name = '';
  let began = -1;
  for (let at = from; at < text.length; at++) {
    const sign = text.charAt(at);
    if (quote !== '') {
      if (sign === quote) {
        quote = '';
        began = -1;
      }
    } else if ((sign === '"' || sign === "'") && began === at) {
      quote = sign;
      began = at + 1;
    } else if (sign === close) return at + 1;
    else if (sign === '=') {
      name = /[^\s"'<>[\]/=]*$/.exec(text.slice(Math.max(from, at - 60), at).trimEnd())![0].toLowerCase();
      began = at + 1;
    } else if (/\s/.test(sign) && began === at) began = at + 1;
    else if (/\s/.test(sign)) began = -1;
  }
  if (began < 0) return { in: 'tag', quote: '', begins: null };
  return { in: HOLDS_CODE.test(name) ? 'code' : 'value', quote, begins: began === text.length ? name : null };
}

const reference = (sign: string): string => `&#${sign.codePointAt(0)};`;
/** In a string of a script (ECMAScript, 12.9.4), in whichever quotes; outside of one it is an error, and runs nothing. */
const unit = (sign: string): string => `\\u${sign.charCodeAt(0).toString(16).padStart(4, '0')}`;

/** A value as it may stand at a place: nothing in it ends the value, the tag or the short code, or begins markup. */
export function escapeAt({ in: where, quote, begins }: Place, value: string): string {
  if (where === 'code') return value.replace(/[^A-Za-z0-9 ]/g, unit);
  if (begins !== null && TAKES_ADDRESS.test(begins) && runsAsAddress(value)) return '';
  const safe = value.replace(/[<>"'`[\]{}\n\r\u0000]/g, reference);
  return where === 'text' || quote !== '' ? safe : safe.replace(/[\s=]/g, reference);
}

const TAKES_ADDRESS = /^(?:href|src|action|formaction|data|poster|xlink:href|background)$/;
/** Attributes whose value is read once more, as code or as a page. */
const HOLDS_CODE = /^(?:on.*|style|srcdoc)$/;
