import { makeBook } from '../known/hosts/book.ts';
import { cardSchema, type HostCard, type LinkForm } from '../known/hosts/card.ts';
import { ANYTHING } from '../known/hosts/shape.ts';
import { own } from '../model/own.ts';
import { shapeOf } from './build.ts';
import type { PutRight } from './examples.ts';
import { itemOf } from './plain.ts';
import { frameOf } from './reproduce.ts';

/** An edge of a part that was moved by hand: of which capture, at which side, and how many characters to the right. */
export type MovedEdge = PutRight['edges'][number];

/** A stretch of the path of a link: fixed text, or what a capture takes. */
export interface Piece {
  text: string;
  /** Of the capture; null for fixed text. */
  name: string | null;
}

const NAME = /\{:([A-Za-z]\w*)\}|:([A-Za-z]\w*)/g;

/** A pattern as fixed text and names, in order (URL Pattern Standard, section 1.1). */
function tokensOf(pattern: string): { text: string; name: string | null }[] {
  const tokens: { text: string; name: string | null }[] = [];
  let at = 0;
  for (const match of pattern.matchAll(NAME)) {
    if (match.index > at) tokens.push({ text: pattern.slice(at, match.index), name: null });
    tokens.push({ text: '', name: (match[1] ?? match[2])! });
    at = match.index + match[0].length;
  }
  return at < pattern.length ? [...tokens, { text: pattern.slice(at), name: null }] : tokens;
}

/** A name is set in braces where what follows would be read as part of it. */
const patternOf = (tokens: readonly Piece[]): string =>
  tokens
    .map(({ text, name }, i) => (name === null ? text : /^\w/.test(tokens[i + 1]?.text ?? '') ? `{:${name}}` : `:${name}`))
    .join('');

/** The path of an example of a link form, as fixed text and captures; what is one text is one piece. */
export function piecesOf(form: LinkForm, example: string, captures: Readonly<Record<string, string>>): Piece[] {
  const { pathname } = new URL(example);
  const tokens = tokensOf(form.path);
  const pieces = tokens.map(({ text, name }) => ({ text: name === null ? text : (own(captures, name) ?? ''), name }));
  // What is captured may be encoded there; then the path is told as one.
  return pieces.map(({ text }) => text).join('') === pathname ? pieces : [{ text: pathname, name: null }];
}

/**
 * The card with an edge moved: characters that were part of a capture become fixed text, or the other way about, in
 * every pattern and template that has it. Null where that would not hold for all examples of the card, and for `links`,
 * which are others of the same host.
 */
export function withEdge(card: HostCard, { link, name, side, by }: MovedEdge, links: readonly string[] = []): HostCard | null {
  const form = card.links.find(({ id }) => id === link);
  const identifier = own(card.identifiers, name);
  if (!form || !identifier || by === 0) return null;
  const book = makeBook([card]);
  const all = [...new Set([...card.links.flatMap(({ examples }) => examples), ...links])];
  const items = all.map((one) => itemOf(one, book)).filter((item) => item?.host === card.id && item.target === form.target);
  const texts = items.flatMap((item) => own(item!.captures, name) ?? []);
  if (texts.length === 0) return null;
  const inward = side === 'start' ? by > 0 : by < 0;
  const many = Math.abs(by);
  const chars = inward ? sharedAt(texts, side, many) : fixedBeside(form.path, name, { side, many });
  if (chars === null) return null;
  const moved = (text: string): string => (inward ? cut(text, side, many) : side === 'start' ? chars + text : text + chars);
  const change: Change = { name, side, chars, inward };
  const read = cardSchema.safeParse({
    ...card,
    identifiers: {
      ...card.identifiers,
      [name]: {
        ...identifier,
        ...(identifier.shape !== ANYTHING && { shape: shapeOf([...new Set(texts.map(moved))], '') }),
        example: moved(identifier.example).slice(0, 80),
        samples: identifier.samples.map(moved),
      },
    },
    links: card.links.map((one) => (one.target === form.target ? withPatterns(one, change) : one)),
    targets: Object.fromEntries(
      Object.entries(card.targets).map(([id, target]) => [
        id,
        id === form.target
          ? {
              ...target,
              canonical: inTemplate(target.canonical, change),
              ...(target.frame !== undefined && { frame: inTemplate(target.frame, change) }),
            }
          : target,
      ]),
    ),
  });
  return read.success && makesTheSame(card, read.data, all) ? read.data : null;
}

/** The card with edges moved in their order; those that no longer fit are left as they are. */
export const withEdges = (card: HostCard, edges: readonly MovedEdge[], links: readonly string[]): HostCard =>
  edges.reduce((now, edge) => withEdge(now, edge, links) ?? now, card);

interface Change {
  name: string;
  side: 'start' | 'end';
  chars: string;
  /** Whether the capture gets shorter. */
  inward: boolean;
}

const cut = (text: string, side: 'start' | 'end', many: number): string =>
  side === 'start' ? text.slice(many) : text.slice(0, -many);

/** What all texts have at a side, as fixed text; null where they differ, or where nothing would be left of one. */
function sharedAt(texts: readonly string[], side: 'start' | 'end', many: number): string | null {
  const ends = new Set(texts.map((text) => (side === 'start' ? text.slice(0, many) : text.slice(-many))));
  const [one] = ends;
  return ends.size === 1 && texts.every((text) => text.length > many) && /^[\w.~-]+$/.test(one!) ? one! : null;
}

/** Fixed text beside a capture, within its segment. */
function fixedBeside(pattern: string, name: string, { side, many }: { side: 'start' | 'end'; many: number }): string | null {
  const tokens = tokensOf(pattern);
  const at = tokens.findIndex((token) => token.name === name);
  const beside = tokens[side === 'start' ? at - 1 : at + 1]?.text ?? '';
  const chars = side === 'start' ? beside.slice(-many) : beside.slice(0, many);
  return chars.length === many && !chars.includes('/') ? chars : null;
}

/** The tokens with the edge moved; where fixed text lacks what the capture takes, they stay, and the examples tell. */
function moveIn(tokens: readonly Piece[], { name, side, chars, inward }: Change): Piece[] {
  const at = tokens.findIndex((token) => token.name === name);
  if (at < 0) return [...tokens];
  const fixed = { text: chars, name: null };
  if (inward) return side === 'start' ? tokens.toSpliced(at, 0, fixed) : tokens.toSpliced(at + 1, 0, fixed);
  const beside = side === 'start' ? at - 1 : at + 1;
  const text = tokens[beside]?.text ?? '';
  const left = side === 'start' ? text.slice(0, -chars.length) : text.slice(chars.length);
  return tokens.with(beside, { text: left, name: null }).filter((token) => token.name !== null || token.text !== '');
}

/** Neighbouring fixed texts are one. */
const joined = (tokens: readonly Piece[]): Piece[] =>
  tokens.reduce<Piece[]>((all, token) => {
    const last = all.at(-1);
    return last?.name === null && token.name === null
      ? [...all.slice(0, -1), { text: last.text + token.text, name: null }]
      : [...all, token];
  }, []);

const inPattern = (pattern: string, change: Change): string => patternOf(joined(moveIn(tokensOf(pattern), change)));

const withPatterns = (form: LinkForm, change: Change): LinkForm => ({
  ...form,
  path: inPattern(form.path, change),
  query: Object.fromEntries(Object.entries(form.query).map(([key, pattern]) => [key, inPattern(pattern, change)])),
  ...(form.fragment !== undefined && { fragment: inPattern(form.fragment, change) }),
});

/** `{name}` of a URI Template, with the fixed text beside it. */
function inTemplate(template: string, { name, side, chars, inward }: Change): string {
  const place = `{${name}}`;
  if (inward) return template.replaceAll(place, () => (side === 'start' ? chars + place : place + chars));
  return template.replaceAll(side === 'start' ? chars + place : place + chars, () => place);
}

/** Whether every example is still one of the card, and its frame the same. */
function makesTheSame(before: HostCard, after: HostCard, links: readonly string[]): boolean {
  const [was, is] = [makeBook([before]), makeBook([after])];
  return links.every((link) => {
    const known = itemOf(link, was)?.host === before.id;
    return !known || (itemOf(link, is)?.host === after.id && frameOf(link, {}, is) === frameOf(link, {}, was));
  });
}
