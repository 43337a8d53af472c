import type { CompiledCard, CompiledTarget } from '../../known/hosts/compile.ts';
import type { Pack } from '../../known/hosts/card.ts';
import { joinPack, type Member } from '../../known/hosts/packs.ts';
import type { Item } from '../../model/item.ts';
import type { Origin, PlanEntry } from '../../model/plan.ts';

/** A parameter that holds several things, filled. */
export interface FilledPack {
  pack: Pack;
  /** Empty where nothing stands in it. */
  text: string;
  /** The first setting in it. */
  origin: Origin;
}

/** Signs that may stand in a query or a fragment as they are (RFC 3986, sections 3.4 and 3.5), but for those that part parameters. */
const MAY_STAND = /%(?:3A|3B|2C|2F|40|24|3F|21|28|29|2A)/g;
/** A whole pack, encoded no more than it must be. */
export const encodePack = (text: string): string =>
  encodeURIComponent(text).replace(MAY_STAND, decodeURIComponent).replaceAll("'", '%27');

/** The packs that something stands in: settings, what must be there, and what nobody knows. */
export function fillPacks(
  { card, target, item }: { card: CompiledCard | null; target: CompiledTarget | null; item: Item },
  entries: readonly PlanEntry[],
): ReadonlyMap<string, FilledPack> {
  const filled = new Map<string, FilledPack>();
  if (!card) return filled;
  const members = new Map<string, { origin: Origin; held: Member[] }>();
  const put = (id: string, member: Member | null, origin: Origin): void => {
    const before = members.get(id);
    if (!before) members.set(id, { origin, held: member ? [member] : [] });
    else if (member) before.held.push(member);
  };
  for (const { setting, sent } of entries)
    for (const { in: place, pack, name, value, quoted } of sent)
      if (place === 'packed') put(pack!, { name, text: value, ...(quoted && { quoted }) }, setting);
  for (const { within, name, raw } of item.unknown) if (within !== undefined) put(within, { name, text: raw }, 'item');
  for (const id of target?.fixedPacks ?? []) put(id, null, 'item');
  for (const [id, { origin, held }] of members) {
    const pack = card.card.packs[id];
    if (pack) filled.set(id, { pack, text: joinPack(pack, held), origin });
  }
  return filled;
}
