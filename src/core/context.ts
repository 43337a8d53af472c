import type { HostBook } from './known/hosts/book.ts';
import type { Facts } from './model/item.ts';
import type { RunningChoice } from './model/running.ts';
import type { Siblings } from './model/sibling.ts';
import type { Site } from './model/site.ts';
import type { Reached } from './proof/reach/reached.ts';

/** What holds for an embed, whatever step looks at it: what is known, where it goes, and what was found out. */
export interface Context {
  book: HostBook;
  site: Site | null;
  /** What the host says of the item. */
  facts: Facts;
  /** What a visitor of the site gets at the frame address, where somebody has looked. */
  reached?: readonly Reached[] | undefined;
  /** What was decided about code that runs in what was pasted; until then, and unless it is to be kept, it is left out. */
  running?: RunningChoice;
  /** The other embeds of the page that it stands in, where that is known. */
  siblings?: Siblings | undefined;
}
