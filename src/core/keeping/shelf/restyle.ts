import type { Kind } from '../../model/kind.ts';
import type { SettingValue } from '../../model/values.ts';
import type { SettingId } from '../../known/settings/list.ts';
import type { SavedEmbed } from './saved.ts';
import type { Work } from './work.ts';
import { styleFor, type HouseStyle } from '../../known/styles/style.ts';

/** A saved embed under a house style as it is now: its work then, and the settings that would change. */
export interface Restyled {
  embed: SavedEmbed;
  work: Work;
  settings: { setting: SettingId; before: SettingValue | undefined; after: SettingValue | undefined }[];
}

/** What a house style would change of a saved embed; null where it follows it already. What somebody set by hand stays. */
export function restyled(embed: SavedEmbed, style: HouseStyle | undefined): Restyled | null {
  const before = embed.work.style ?? {};
  const after = styleFor(style, embed.kind as Kind);
  const ids = [...new Set([...Object.keys(before), ...Object.keys(after)])] as SettingId[];
  const settings = ids
    .filter((id) => before[id] !== after[id] && !(id in embed.work.changes))
    .map((setting) => ({ setting, before: before[setting], after: after[setting] }));
  return settings.length === 0 || embed.work.code !== null ? null : { embed, work: { ...embed.work, style: after }, settings };
}
