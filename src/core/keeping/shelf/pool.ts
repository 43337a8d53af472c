import type { SavedEmbed } from './saved.ts';

/** How long items are, in seconds from and up to; those of which nobody knows are in none. */
export const LENGTHS = { short: [0, 300], middle: [300, 1800], long: [1800, Infinity] } as const;
export type Length = keyof typeof LENGTHS;

/** What is looked for among embeds; empty for any. */
export interface Sought {
  text: string;
  kind: string;
  site: string;
  tag: string;
  length: Length | '';
  /** The day from which they were changed (`2026-11-02`). */
  since: string;
}

export const ANYTHING: Sought = { text: '', kind: '', site: '', tag: '', length: '', since: '' };

/** The embeds that are sought: all words of the text in title, host and tags, and all else as it is chosen. */
export function soughtIn(embeds: readonly SavedEmbed[], { text, kind, site, tag, length, since }: Sought): SavedEmbed[] {
  const words = text.trim().toLowerCase().split(/\s+/);
  const [least, most] = length === '' ? [0, Infinity] : LENGTHS[length];
  const from = since === '' ? 0 : Date.parse(since);
  return embeds.filter(
    (one) =>
      one.item !== '' &&
      (kind === '' || one.kind === kind) &&
      (site === '' || one.work.site === site) &&
      (tag === '' || one.tags.includes(tag)) &&
      (length === '' || (one.facts.duration !== undefined && one.facts.duration >= least && one.facts.duration < most)) &&
      one.changed >= from &&
      words.every((word) => `${one.title} ${one.host} ${one.tags.join(' ')}`.toLowerCase().includes(word)),
  );
}
