import { Tokenizer } from 'htmlparser2';
import type { PlacedAttribute, Range } from '../candidate.ts';

/** A start tag, as it stands in the text. */
export interface Tag {
  name: string;
  from: number;
  to: number;
  attributes: PlacedAttribute[];
  unclosed?: boolean;
}

const ignore = (): void => undefined;

/** The start tags of the wanted elements (null for all, with every attribute), in one pass of the tokeniser. */
export function findTags(text: string, wanted: ReadonlySet<string> | null): Tag[] {
  const tags: Tag[] = [];
  const lengths = [...(wanted ?? [])].map((w) => w.length);
  const [shortest, longest] = wanted ? [Math.min(...lengths), Math.max(...lengths)] : [1, Infinity];
  const most = wanted ? MOST_ATTRIBUTES : Infinity;
  let names = new Set<string>();
  let tag = null as Tag | null;
  let name = '';
  let value: string | null = null;
  let nameFrom = 0;
  let nameEnd = 0;
  /** Where the value begins that has not ended yet. */
  let open = -1;

  const close = (end: number): void => {
    if (!tag) return;
    tag.to = end + 1;
    tags.push(tag);
    tag = null;
  };
  const append = (piece: string): void => {
    value = (value ?? '') + piece;
  };
  const tokenizer = new Tokenizer(
    { decodeEntities: true },
    {
      onopentagname(from, to) {
        const length = to - from;
        tag = null;
        if (length > longest || length < shortest) return;
        const tagName = text.slice(from, to).toLowerCase();
        if (wanted && !wanted.has(tagName)) return;
        tag = { name: tagName, from: from - 1, to, attributes: [] };
        names = new Set();
      },
      onattribname(from, to) {
        if (tag) name = text.slice(from, to).toLowerCase();
        value = null;
        nameFrom = from;
        nameEnd = to;
        open = -1;
      },
      onattribdata(from, to) {
        if (!tag) return;
        if (open < 0) open = from;
        append(text.slice(from, to));
      },
      onattribentity(codepoint) {
        if (tag) append(String.fromCodePoint(codepoint));
      },
      onattribend(quote, end) {
        if (!tag) return;
        open = -1;
        const range: Range | null = value === null ? null : valueRange(text, nameEnd, end, Number(quote) > UNQUOTED);
        // HTML, 13.2.5.33: of two attributes with one name, the first holds.
        if (tag.attributes.length < most && !names.has(name)) {
          names.add(name);
          tag.attributes.push({
            name,
            value: value ?? (Number(quote) > 0 ? '' : null),
            whole: [nameFrom, range ? end : nameEnd],
            range,
          });
        }
      },
      onopentagend: close,
      onselfclosingtag: close,
      ontext: ignore,
      ontextentity: ignore,
      onclosetag: ignore,
      oncomment: ignore,
      oncdata: ignore,
      ondeclaration: ignore,
      onprocessinginstruction: ignore,
      onend: ignore,
    },
  );
  tokenizer.write(text);
  tokenizer.end();
  if (tag) {
    tag.unclosed = true;
    if (open >= 0) tag.attributes.push(cutOff(text, name, nameFrom, open));
    close(text.length - 1);
  }
  return tags;
}

/** The last attribute of a text that ends before its closing quote: up to the first thing that no address holds. */
function cutOff(text: string, name: string, nameFrom: number, from: number): PlacedAttribute {
  const value = /^[^\s<>"'`]*/.exec(text.slice(from, from + 4000))![0];
  const to = from + value.length;
  return { name, value, whole: [nameFrom, to], range: [from, to] };
}

/** Where the value of an attribute stands, between its quotes, with whatever entities are in it. */
function valueRange(text: string, nameEnd: number, end: number, quoted: boolean): Range {
  let from = text.indexOf('=', nameEnd) + 1;
  while (/\s/.test(text.charAt(from))) from++;
  return quoted ? [from + 1, end - 1] : [from, end];
}

/** The tokeniser's word for a value without quotes; quoted ones end one later, after the quote. */
const UNQUOTED = 1;
/** More than any code in earnest has; keeps the search for doubles short. */
const MOST_ATTRIBUTES = 200;
