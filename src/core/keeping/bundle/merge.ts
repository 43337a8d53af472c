import { joinedTags, MOST, type SavedEmbed, type Version } from '../shelf/saved.ts';
import type { Bundle } from './bundle.ts';
import { sameJson } from '../../model/json.ts';

export type Part = 'embeds' | 'sites' | 'styles' | 'cards' | 'orders' | 'preferences';

/** What taking one thing of a bundle would do. */
export interface Step {
  part: Part;
  id: string;
  name: string;
  /** `add`: it is not here yet. `change`: it is here, and the bundle's is another. `keep`: nothing would change. */
  what: 'add' | 'change' | 'keep';
  /** Of a change: whether the one in the bundle is the newer. Only embeds and running orders say when they were changed. */
  newer?: boolean;
}

/** What is here already. */
export type Present = Pick<Bundle, Part | 'versions' | 'proofs' | 'backs'>;

/** By which each thing is known, and called. */
const IDENTITY: { [P in Part]: (one: Bundle[P][number]) => { id: string; name: string } } = {
  embeds: ({ id, title }) => ({ id, name: title }),
  sites: ({ id, name }) => ({ id, name }),
  styles: ({ site }) => ({ id: site, name: site }),
  cards: ({ id, name }) => ({ id, name }),
  orders: ({ order: { id, name } }) => ({ id, name }),
  preferences: ({ name }) => ({ id: name, name }),
};
const PARTS = Object.keys(IDENTITY) as Part[];

/** What taking the bundle in would add, change and keep, before anything is written. */
export const planMerge = (bundle: Bundle, present: Present): Step[] => PARTS.flatMap((part) => stepsOf(part, bundle, present));

/** Whether it goes without saying that a step is taken: what is not here yet, and what is the newer of two. */
export const isProposed = ({ what, newer }: Step): boolean => what === 'add' || newer === true;

function stepsOf<P extends Part>(part: P, bundle: Bundle, present: Present): Step[] {
  const identify = IDENTITY[part];
  const here = new Map((present[part] as Bundle[P][number][]).map((one) => [identify(one).id, one]));
  return (bundle[part] as Bundle[P][number][]).map((one): Step => {
    const { id, name } = identify(one);
    const mine = here.get(id);
    if (mine === undefined) return { part, id, name, what: 'add' };
    if (sameJson(mine, one)) return { part, id, name, what: 'keep' };
    const newer = 'changed' in one && 'changed' in mine ? one.changed > mine.changed : undefined;
    return { part, id, name, what: 'change', ...(newer !== undefined && { newer }) };
  });
}

/** What is to be written when the chosen steps are taken; what was here and differs stays as a version of its embed. */
export function merge(bundle: Bundle, present: Present, chosen: ReadonlySet<string>): Bundle {
  const taken = <P extends Part>(part: P): Bundle[P] => {
    const identify = IDENTITY[part] as (one: Bundle[P][number]) => { id: string };
    return (bundle[part] as Bundle[P][number][]).filter((one) =>
      chosen.has(stepKey({ part, id: identify(one).id })),
    ) as Bundle[P];
  };
  const mine = new Map(present.embeds.map((embed) => [embed.id, embed]));
  const embeds = taken('embeds');
  const ids = new Set(embeds.map(({ id }) => id));
  const latest = <Row extends { id: string; date: number }>(theirs: readonly Row[], ours: readonly Row[]): Row[] => {
    const here = new Map(ours.map((row) => [row.id, row]));
    return theirs.filter((row) => ids.has(row.id) && !((here.get(row.id)?.date ?? -1) > row.date));
  };
  const cards = taken('cards');
  const learnt = new Set(cards.map(({ id }) => id));
  return {
    ...bundle,
    embeds: embeds.map((theirs) => joined(theirs, mine.get(theirs.id))),
    versions: [
      ...bundle.versions.filter(({ embed }) => ids.has(embed)),
      ...embeds.flatMap((theirs) => replaced(theirs, mine.get(theirs.id))),
    ],
    proofs: latest(bundle.proofs, present.proofs),
    backs: latest(bundle.backs, present.backs),
    sites: taken('sites'),
    styles: taken('styles'),
    cards,
    lessons: bundle.lessons.filter(({ id }) => learnt.has(id)),
    orders: taken('orders'),
    preferences: taken('preferences'),
    pictures: bundle.pictures.filter(({ id }) => ids.has(id)),
  };
}

/** What tells one step from another: the part of the bundle and the id in it. */
export const stepKey = ({ part, id }: Pick<Step, 'part' | 'id'>): string => `${part} ${id}`;

/** Theirs, with the pages and tags of both, as many as an embed can have; without mine, theirs as it is. */
function joined(theirs: SavedEmbed, mine: SavedEmbed | undefined): SavedEmbed {
  if (!mine) return theirs;
  const placed = [
    ...theirs.placed,
    ...mine.placed.filter((one) => !theirs.placed.some(({ address }) => address === one.address)),
  ];
  return {
    ...theirs,
    placed: placed.slice(0, MOST.placed),
    tags: joinedTags(theirs.tags, mine.tags),
    revision: Math.max(theirs.revision, mine.revision) + 1,
  };
}

/** What theirs takes the place of, as a version. */
const replaced = (theirs: SavedEmbed, mine: SavedEmbed | undefined): Version[] =>
  mine && mine.code !== theirs.code && mine.code !== ''
    ? [
        {
          id: `was-${mine.id}-${mine.revision}`,
          embed: mine.id,
          taken: mine.changed,
          code: mine.code,
          work: mine.work,
        },
      ]
    : [];
