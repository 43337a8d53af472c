import type { SweptEmbed } from './found.ts';

/** By what places can be put together. */
export const GROUPINGS = ['finding', 'host', 'item', 'file'] as const;
export type Grouping = (typeof GROUPINGS)[number];

/** Places that have one thing in common; an embed with several findings is in the group of each. */
export interface Group {
  /** The check, host, share link or file; empty where there is no finding, or no known host. */
  key: string;
  embeds: readonly SweptEmbed[];
}

const KEYS: { readonly [By in Grouping]: (embed: SweptEmbed) => Iterable<string> } = {
  finding: ({ findings }) => (findings.length > 0 ? new Set(findings.map(({ code }) => code)) : ['']),
  host: ({ host }) => [host ?? ''],
  item: ({ item }) => [item],
  file: ({ file }) => [file],
};

/** Places by what they have in common, the largest group first, and groups of one size in the order of the site. */
export function groupsOf(embeds: readonly SweptEmbed[], by: Grouping): Group[] {
  const groups = new Map<string, SweptEmbed[]>();
  for (const embed of embeds)
    for (const key of KEYS[by](embed)) {
      const its = groups.get(key);
      if (its) its.push(embed);
      else groups.set(key, [embed]);
    }
  return [...groups].map(([key, its]) => ({ key, embeds: its })).sort((a, b) => b.embeds.length - a.embeds.length);
}
