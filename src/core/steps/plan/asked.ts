import type { CompiledCard, CompiledTarget } from '../../known/hosts/compile.ts';
import type { Item } from '../../model/item.ts';
import type { Settings } from '../../known/settings/list.ts';

/** What the planning of one setting looks at. */
export interface Asked {
  item: Item;
  settings: Settings;
  card: CompiledCard | null;
  target: CompiledTarget | null;
}
