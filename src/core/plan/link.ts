import { spell } from '../hosts/spellings.ts';
import type { AddressPart, Plan } from '../model/plan.ts';
import type { Asked } from './asked.ts';

/** The share link, with those settings that this host reads from a share link. */
export function planLink({ item, settings, card }: Asked): Plan['link'] {
  const parts: AddressPart[] = [];
  const form = card?.card.links.find((link) => link.target === item.target && !link.framed && !link.refused);
  for (const { in: place, name, setting, spelling } of form?.reads ?? []) {
    const value = settings[setting];
    const spelt = value === undefined ? undefined : spell(spelling, value);
    if (spelt !== undefined) parts.push({ in: place, name, raw: `${name}=${encodeURIComponent(spelt)}`, origin: setting });
  }
  const framed = card?.card.links.some((link) => link.id === item.form && link.framed);
  if (!framed) for (const { in: place, name, raw } of item.unknown) parts.push({ in: place, name, raw, origin: 'item' });
  return { base: item.canonical, parts };
}
