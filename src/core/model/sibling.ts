import type { Candidate } from './candidate.ts';
import type { Item } from './item.ts';

/** Another embed of the same page, as it stands there. */
export interface Sibling {
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

/** The embeds of a page beside one of them. A link is none: it loads nothing. */
export function siblingsOf(found: readonly Found[], chosen: Found): readonly Sibling[] {
  return found.flatMap(({ candidate: { range, source, address }, item }): Sibling[] => {
    if (!item || source === 'link' || source === 'markdown' || range[0] === chosen.candidate.range[0]) return [];
    const { title, load, autoplay, mute } = item.settings;
    const sounds = item.kind !== 'slideshow' && mute !== 'on';
    return [
      {
        title: typeof title === 'string' ? title.trim() : '',
        atOnce: load === undefined || load === 'all',
        starts: autoplay !== 'on' ? 'not' : sounds ? 'sounding' : 'muted',
        script: source === 'script' ? address : null,
      },
    ];
  });
}
