import type { Candidate } from './candidate.ts';
import type { Item } from './item.ts';

/** What a check needs to know of the other embeds of a page. */
export interface Siblings {
  /** How many load with the page, and how many start without a press. */
  atOnce: number;
  starting: number;
  hasTitle: (title: string) => boolean;
  /** The script that another embed loads and that stands in this code too. */
  sharedScript: (code: string) => string | undefined;
}

/** One embed of a page. */
interface PageEmbed {
  /** The title of its frame; empty where it has none. */
  title: string;
  /** Whether it loads with the page, before anybody comes near it. */
  atOnce: boolean;
  /** Whether it starts by itself, and whether it then sounds. */
  starts: 'not' | 'muted' | 'sounding';
  /** The script that it loads; null where there is none. */
  script: string | null;
}

interface Found {
  candidate: Candidate;
  item?: Item;
}

/**
 * The embeds of a page beside any one of them, counted once for the whole page, so that a page of many frames takes
 * linear time. A link is none: it loads nothing.
 */
export function siblingsIn(found: readonly Found[]): (chosen: Found) => Siblings {
  const embeds = new Map(found.flatMap((one) => pageEmbedOf(one)));
  const all = [...embeds.values()];
  const titles = countOf(all.map(({ title }) => title));
  const scripts = countOf(all.flatMap(({ script }) => script ?? []));
  const [atOnce, starting] = [all.filter((one) => one.atOnce).length, all.filter(({ starts }) => starts !== 'not').length];
  return ({ candidate }) => {
    const own = embeds.get(candidate.range[0]);
    return {
      atOnce: atOnce - (own?.atOnce ? 1 : 0),
      starting: starting - (own && own.starts !== 'not' ? 1 : 0),
      hasTitle: (title) => (titles.get(title) ?? 0) > (own?.title === title ? 1 : 0),
      sharedScript: (code) =>
        [...scripts].find(([script, count]) => count > (own?.script === script ? 1 : 0) && code.includes(script))?.[0],
    };
  };
}

function pageEmbedOf({ candidate: { range, source, address }, item }: Found): [from: number, embed: PageEmbed][] {
  if (!item || source === 'link' || source === 'markdown') return [];
  const { title, load, autoplay, mute } = item.settings;
  const sounds = item.kind !== 'slideshow' && mute !== 'on';
  const embed: PageEmbed = {
    title: typeof title === 'string' ? title.trim() : '',
    atOnce: load === undefined || load === 'all',
    starts: autoplay !== 'on' ? 'not' : sounds ? 'sounding' : 'muted',
    script: source === 'script' ? address : null,
  };
  return [[range[0], embed]];
}

function countOf(values: readonly string[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return counts;
}
