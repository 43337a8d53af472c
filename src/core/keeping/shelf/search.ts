import { z } from 'zod';
import { withoutAccents } from '../../model/words.ts';
import type { SavedEmbed, State } from './saved.ts';
import { stateOf, STATES } from './saved.ts';

/** What is shown of an embed in a list, and what it is found by. */
export interface Entry {
  embed: SavedEmbed;
  /** All its words, in small letters without accents. */
  words: string;
  state: State;
}

/** By what the Shelf is narrowed; an empty value lets all through. Dates as `2026-11-23`, both included. */
export interface Narrowing {
  text: string;
  kind: string;
  host: string;
  site: string;
  state: '' | State;
  /** The canonical link: all embeds of one item. */
  item: string;
  from: string;
  to: string;
}

export const NO_NARROWING: Narrowing = { text: '', kind: '', host: '', site: '', state: '', item: '', from: '', to: '' };

/** Whether it lets everything through. */
export const isWide = (narrowing: Narrowing): boolean => Object.values(narrowing).every((value) => value === '');

/** As the query of an address (URL Standard, section 5), without what lets everything through. */
export const queryOf = (narrowing: Narrowing): string =>
  new URLSearchParams(Object.entries(narrowing).filter(([, value]) => value !== '')).toString();

/** What a query narrows the Shelf by; what it names otherwise is not looked at. */
export function narrowingOf(query: string): Narrowing {
  const given = new URLSearchParams(query);
  const state = STATES.find((one) => one === given.get('state')) ?? '';
  const dayOf = (name: string): string => z.iso.date().catch('').parse(given.get(name));
  const texts = Object.keys(NO_NARROWING).map((name) => [name, given.get(name) ?? '']);
  return { ...(Object.fromEntries(texts) as Narrowing), state, from: dayOf('from'), to: dayOf('to') };
}

/** Names by which hosts and sites are known to people. */
export interface Names {
  host: (id: string) => string;
  site: (id: string) => string;
}

/** Code is not searched: nearly all of it is the same everywhere. Longer texts are pages, found by their beginning. */
const LONGEST = 2000;

/** What the Shelf looks through for an embed: its words in one text, and what it can be narrowed by. */
export function entryOf(embed: SavedEmbed, names: Names): Entry {
  const { title, host, kind, item, tags, placed, work, facts } = embed;
  const words = Object.entries(work.changes).flatMap(([, value]) =>
    typeof value === 'string' && value.length < 400 ? value : [],
  );
  const all = [
    title,
    names.host(host),
    kind,
    names.site(work.site),
    item,
    work.text.slice(0, LONGEST),
    facts.author ?? '',
    facts.description?.slice(0, LONGEST) ?? '',
    ...tags,
    ...placed.map(({ address }) => address),
    ...words,
  ];
  return { embed, words: withoutAccents(all.join('\n')), state: stateOf(embed) };
}

/** The entries in which every word stands, in the order given. */
export function search(entries: readonly Entry[], narrowing: Narrowing): Entry[] {
  if (isWide(narrowing)) return [...entries];
  const wanted = withoutAccents(narrowing.text).split(/\s+/).filter(Boolean);
  const { kind, host, site, state, item } = narrowing;
  const from = narrowing.from === '' ? -Infinity : dayStart(narrowing.from);
  const to = narrowing.to === '' ? Infinity : dayStart(narrowing.to) + DAY;
  return entries.filter(
    (entry) =>
      (kind === '' || entry.embed.kind === kind) &&
      (host === '' || entry.embed.host === host) &&
      (site === '' || entry.embed.work.site === site) &&
      (state === '' || entry.state === state) &&
      (item === '' || entry.embed.item === item) &&
      entry.embed.changed >= from &&
      entry.embed.changed < to &&
      wanted.every((word) => entry.words.includes(word)),
  );
}

const DAY = 86_400_000;
/** Days are those of the person who looks, so they begin at local midnight. */
const dayStart = (day: string): number => new Date(`${day}T00:00`).getTime();
