import { needsNoHost, type SettingId } from '../settings/list.ts';
import type { HostCard } from './card.ts';

/** How a host deals with a setting, for all its items taken together. */
export type Honour =
  | { how: 'sent'; as: string }
  | { how: 'in part'; as: string; note: string; date: string }
  | { how: 'withdrawn'; note: string; date: string }
  /** Our own markup does it, whatever the host can do. */
  | { how: 'done here' }
  | { how: 'not offered' };

/** What a card says of a setting, in one cell. */
export function honourOf(card: HostCard, id: SettingId): Honour {
  const use = card.settings[id];
  if (!use) return { how: needsNoHost(id) ? 'done here' : 'not offered' };
  if (use.in === 'nowhere') return { how: 'withdrawn', note: use.note, date: use.since };
  if (use.in === 'origin') return { how: 'sent', as: 'domain' };
  const as = use.in === 'fragment' ? `#${use.name}` : use.in === 'attribute' ? `${use.name}=""` : use.name;
  const [limit] = use.limits;
  const [gone] = use.withdrawn;
  if (gone) return { how: 'in part', as, note: gone.note, date: gone.since };
  return limit ? { how: 'in part', as, note: limit.happens, date: limit.date } : { how: 'sent', as };
}
