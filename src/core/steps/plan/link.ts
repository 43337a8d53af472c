import { spell } from '../../known/hosts/spellings.ts';
import type { AddressPart, Plan } from '../../model/plan.ts';
import { encodeParameter } from '../../model/url.ts';
import type { Asked } from './asked.ts';

/** The share link, with those settings that this host reads from a share link. */
export function planLink({ item, settings, card, target }: Asked): Plan['link'] {
  const parts: AddressPart[] = [];
  for (const { in: place, name, setting, spelling } of target?.shareReads ?? []) {
    if (place === 'path') continue;
    const value = settings[setting];
    const spelt = value === undefined ? undefined : spell(spelling, value);
    if (spelt !== undefined) parts.push({ in: place, name, raw: `${name}=${encodeParameter(spelt)}`, origin: setting });
  }
  // What stood in a frame address means nothing to the share page.
  if (!card?.framedForms.has(item.form))
    for (const { in: place, name, raw, within } of item.unknown)
      if (within === undefined) parts.push({ in: place, name, raw, origin: 'item' });
  return { base: item.canonical, parts };
}
