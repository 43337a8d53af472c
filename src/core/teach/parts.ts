import { cardSchema, namesIn, type HostCard, type LinkForm } from '../known/hosts/card.ts';
import { own } from '../model/own.ts';
import { ANYTHING } from '../known/hosts/shape.ts';
import type { PutRight } from './examples.ts';

/** What one part of the path of a share link is: it names the item, may be any text, or is always the same. */
export type PartIs = 'item' | 'any' | 'same';

/** A part of the path of a share link that was put right by hand: the id of the link form, and its place from 0. */
export type SaidPart = PutRight['parts'][number];

const segmentsOf = (path: string): string[] => path.split('/').slice(1);

/** The parts of the path of a link form, with what stands there in its example. */
export function partsOf(card: HostCard, form: LinkForm): { text: string; is: PartIs }[] {
  const shown = segmentsOf(new URL(form.examples[0]!).pathname);
  return segmentsOf(form.path).map((segment, i) => {
    const names = namesIn(segment);
    const is = names.length === 0 ? 'same' : names.every((name) => isFree(card, form, name)) ? 'any' : 'item';
    return { text: decodeURIComponent(shown[i] ?? ''), is };
  });
}

/** Whether a capture says nothing of which item it is. */
export const isFree = (card: HostCard, form: LinkForm, name: string): boolean =>
  own(card.identifiers, name)?.shape === ANYTHING && !card.targets[form.target]!.id.includes(name);

/** The card with what was said by hand of parts of its links; what the card cannot say so is left as it is. */
export const withParts = (card: HostCard, parts: readonly SaidPart[]): HostCard => parts.reduce(withPart, card);

function withPart(card: HostCard, { link, segment, is }: SaidPart): HostCard {
  const form = card.links.find(({ id }) => id === link);
  const part = form && partsOf(card, form)[segment];
  if (!part || part.is === is || part.is === 'item') return card;
  const name = freeName(card);
  const segments = segmentsOf(form.path);
  const path = `/${segments.with(segment, is === 'any' ? `:${name}` : encodeURIComponent(part.text)).join('/')}`;
  const identifiers =
    is === 'any'
      ? {
          ...card.identifiers,
          [name]: { name: 'any words', shape: ANYTHING, words: 'any text', example: part.text.slice(0, 80), samples: [] },
        }
      : card.identifiers;
  const target = card.targets[form.target]!;
  const canonical = withSegment(target.canonical, form.path, {
    segment,
    text: is === 'any' ? `{${name}}` : encodeURIComponent(part.text),
  });
  const read = cardSchema.safeParse({
    ...card,
    identifiers,
    links: card.links.map((one) => (one === form ? { ...form, path } : one)),
    targets: { ...card.targets, [form.target]: { ...target, canonical } },
  });
  return read.success ? read.data : card;
}

function freeName({ identifiers }: HostCard): string {
  for (let n = 1; ; n++) if (!Object.hasOwn(identifiers, `any${n}`)) return `any${n}`;
}

/** The share link of a target follows, where it is made of the same form. */
function withSegment(template: string, path: string, { segment, text }: { segment: number; text: string }): string {
  const [, origin = '', rest = '', query = ''] = /^(https?:\/\/[^/]*)?(\/[^?#]*)(.*)$/.exec(template) ?? [];
  const asPath = rest.replace(/\{(\w+)\}/g, ':$1');
  return asPath === path ? `${origin}/${segmentsOf(rest).with(segment, text).join('/')}${query}` : template;
}
