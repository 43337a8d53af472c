import { cardSchema, type HostCard } from '../known/hosts/card.ts';
import type { SettingId } from '../known/settings/list.ts';

/**
 * A card learnt anew, with what an earlier one says that examples cannot show: settings that none of them has, how its
 * player reports, where it answers, what is noise. What the examples show holds over what was said before.
 */
export function withBefore(card: HostCard, before: HostCard | undefined): { card: HostCard; kept: SettingId[] } {
  if (!before) return { card, kept: [] };
  const targets = new Set(Object.keys(card.targets));
  const packs = { ...before.packs, ...card.packs };
  const left = Object.entries(before.settings).filter(([id, use]) => {
    if (!use || Object.hasOwn(card.settings, id)) return false;
    const named = 'targets' in use ? [...(use.targets ?? []), ...use.instead.flatMap((one) => one.targets)] : [];
    return named.every((target) => targets.has(target));
  });
  const joined = {
    ...card,
    packs,
    settings: { ...Object.fromEntries(left), ...card.settings },
    tracking: [...new Set([...before.tracking, ...card.tracking])],
    asks: [...new Set([...before.asks, ...card.asks])],
    ...(before.oembed && { oembed: before.oembed }),
    ...(before.search && { search: before.search }),
    ...(before.player && { player: before.player }),
  };
  const read = cardSchema.safeParse(joined);
  return read.success ? { card: read.data, kept: left.map(([id]) => id as SettingId) } : { card, kept: [] };
}
