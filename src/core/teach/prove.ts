import { z } from 'zod';
import { makeBook, type HostBook } from '../known/hosts/book.ts';
import type { HostCard, LinkForm } from '../known/hosts/card.ts';
import type { Site } from '../model/site.ts';
import { bringIn, reachAddress } from '../pipeline.ts';
import { proofSchema } from '../proof/playThrough/proof.ts';
import { reachedSchema, type Reached } from '../proof/reach/reached.ts';
import type { Example } from './examples.ts';
import { observe } from './observe.ts';
import { reproduces } from './reproduce.ts';

const OUTCOMES = ['holds', 'notRead', 'otherHost', 'otherForm', 'otherFrame', 'otherCode'] as const;

const provedLink = z.object({
  /** The link, or the code where an example has no link. */
  text: z.string(),
  outcome: z.enum(OUTCOMES),
  frame: z.string().nullable(),
  /** What a visitor gets at the frame address, where it was asked. */
  reached: z.array(reachedSchema).optional(),
});

/** An example of a card, and whether it is what the card says; `otherFrame`: its frame address is not read as the same item. */
export type ProvedLink = z.infer<typeof provedLink>;

/** What came of proving a card. `date` is milliseconds since the epoch. */
export const cardProofSchema = z.object({
  id: z.string(),
  date: z.number(),
  links: z.array(provedLink),
  /** By target: what was asked of its player, beside what was seen. */
  played: z.record(z.string(), proofSchema.shape.rows),
});
export type CardProof = z.infer<typeof cardProofSchema>;

/** Runs the examples of a card, and those that it was learnt from: each must be recognised as said, its frame as the same item. */
export function proveLinks(card: HostCard, learntFrom: readonly Example[] = [], site: Site | null = null): ProvedLink[] {
  const book = makeBook([card]);
  const own = card.links.flatMap((form) => form.examples.map((example) => proveLink(example, form, { card, book, site })));
  const learnt = observe(learntFrom).observations.flatMap((one): ProvedLink[] => {
    const text = one.link?.address ?? one.frame?.address;
    if (text === undefined || reproduces(one, book)) return [];
    return [{ text, outcome: 'otherCode', frame: one.frame?.address ?? null }];
  });
  return [...own, ...learnt];
}

function proveLink(
  text: string,
  form: LinkForm,
  { card, book, site }: { card: HostCard; book: HostBook; site: Site | null },
): ProvedLink {
  const row = (outcome: ProvedLink['outcome'], frame: string | null = null): ProvedLink => ({ text, outcome, frame });
  const [read] = bringIn(text, book);
  const item = read?.item;
  if (!item) return row(form.refused && read?.refusal?.code === 'notForVisitors' ? 'holds' : 'notRead');
  if (item.host !== card.id) return row('otherHost');
  // Frame addresses of one item may be written in several ways.
  const framedBoth =
    form.framed && card.links.some(({ id, framed, target }) => id === item.form && framed && target === form.target);
  if (item.form !== form.id && !framedBoth) return row('otherForm', item.frame);
  const framed = item.frame === null ? item : bringIn(item.frame, book)[0]?.item;
  return row(framed?.host === card.id && framed.id === item.id ? 'holds' : 'otherFrame', reachAddress(item, {}, { book, site }));
}

/** Whether a visitor gets the frame; what was not asked is no objection. */
export const isThere = (reached: readonly Reached[] | undefined): boolean =>
  reached?.every(({ code }) => code === 'reachable' || code === 'slow' || code === 'moved') ?? true;

/** Whether a link was proved: recognised as it should be, and there for visitors. */
export const holds = ({ outcome, reached }: ProvedLink): boolean => outcome === 'holds' && isThere(reached);
