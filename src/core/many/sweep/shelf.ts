import { MOST, type SavedEmbed } from '../../keeping/shelf/saved.ts';
import type { SweptEmbed } from './found.ts';

/** An item that the Shelf does not know: the first embed of it. */
export type Unshelved = Pick<SweptEmbed, 'file' | 'range' | 'item'> & { pages: readonly string[] };

/** What stands on a site against what is kept. */
export interface AgainstShelf {
  /** Embeds of the Shelf that stand there, with the pages that they do not name yet. */
  placed: readonly { id: string; pages: readonly string[] }[];
  unshelved: readonly Unshelved[];
}

/** The address at which a file of a site stands, below the address of the site; null for what is no page (RFC 3986, section 5). */
export function pageAddress(file: string, site: string): string | null {
  const path = /^https?:/i.test(file)
    ? file
    : /\.(?:html?|xhtml|php)$/i.test(file)
      ? file.split('/').map(encodeURIComponent).join('/')
      : null;
  const address =
    path === null ? null : URL.parse(path.replace(/(^|\/)index\.(?:html?|php)$/i, '$1'), `${site.replace(/\/$/, '')}/`);
  return address && address.href.length <= MOST.address ? address.href : null;
}

const NONE: ReadonlySet<string> = new Set();

/** The embeds of a site by their items: those that the Shelf has, and those that it has not, each item once. */
export function againstShelf(
  embeds: readonly SweptEmbed[],
  shelf: readonly Pick<SavedEmbed, 'id' | 'item' | 'placed'>[],
  site: string,
): AgainstShelf {
  const byItem = new Map<string, { first: SweptEmbed; files: Set<string> }>();
  for (const embed of embeds) {
    const known = byItem.get(embed.item);
    if (known) known.files.add(embed.file);
    else byItem.set(embed.item, { first: embed, files: new Set([embed.file]) });
  }
  /** Pages of an item that are not among these. Few are kept, so that most files need not be made addresses. */
  const pagesOf = (item: string, named: ReadonlySet<string>, most: number): string[] => {
    const pages = new Set<string>();
    for (const file of byItem.get(item)?.files ?? []) {
      if (pages.size >= most) break;
      const page = pageAddress(file, site);
      if (page !== null && !named.has(page)) pages.add(page);
    }
    return [...pages];
  };
  const kept = new Set(shelf.map(({ item }) => item));
  return {
    placed: shelf.flatMap(({ id, item, placed }) => {
      const named = new Set(placed.map(({ address }) => address));
      const pages = pagesOf(item, named, MOST.placed - placed.length);
      return pages.length > 0 ? [{ id, pages }] : [];
    }),
    unshelved: [...byItem.values()].flatMap(({ first: { file, range, item } }) =>
      kept.has(item) ? [] : [{ file, range, item, pages: pagesOf(item, NONE, MOST.placed) }],
    ),
  };
}
