import type { CompiledCard, CompiledTarget } from '../hosts/book.ts';
import type { Item } from '../model/item.ts';
import type { Settings } from '../settings/list.ts';

/** What the planning of one setting looks at. */
export interface Asked {
  item: Item;
  settings: Settings;
  card: CompiledCard | null;
  target: CompiledTarget | null;
}
