import type { Item } from '../../model/item.ts';
import { makesSense, needsFrame, needsNoHost, settingOf, type SettingId } from '../settings/list.ts';
import { byElement, onPlaceholder } from './byElement.ts';
import type { HostBook } from './book.ts';

/** Whether a setting can be had for an item, before anybody asks for it. */
export type Offer = 'offered' | 'not offered' | 'not applicable';

/** Whether a setting can be had for an item: from its host, from the frame, or from what is written around it. */
export function offerOf(id: SettingId, item: Item, book: HostBook): Offer {
  const { moment } = settingOf(id);
  if (needsNoHost(id) && !makesSense(id, item.kind)) return 'not applicable';
  if (moment === 'around') return 'offered';
  if (item.form === 'file' && needsFrame(id)) return byElement(id, item.kind) ? 'offered' : 'not offered';
  if (needsNoHost(id)) return item.frame !== null || onPlaceholder.has(id) ? 'offered' : 'not offered';
  if (item.form === 'file')
    return !makesSense(id, item.kind) ? 'not applicable' : byElement(id, item.kind) ? 'offered' : 'not offered';
  const use = item.host === null ? undefined : book.byId.get(item.host)?.card.settings[id];
  if (item.host !== null && !makesSense(id, item.kind) && !(use && 'targets' in use && use.targets?.includes(item.target!)))
    return 'not applicable';
  if (!use || use.in === 'nowhere') return 'not offered';
  return 'targets' in use && use.targets && !use.targets.includes(item.target!) ? 'not applicable' : 'offered';
}
