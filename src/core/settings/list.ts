import type { Kind } from '../model/kind.ts';
import type { Setting } from '../model/setting.ts';
import type { SettingValue } from '../model/values.ts';
import { tracking } from './tracking.ts';
import { accent } from './accent.ts';
import { showTitle } from './showTitle.ts';
import { showAuthor } from './showAuthor.ts';
import { artwork } from './artwork.ts';
import { density } from './density.ts';
import { autoplay } from './autoplay.ts';
import { mute } from './mute.ts';
import { start } from './start.ts';
import { page } from './page.ts';
import { captions } from './captions.ts';
import { controls } from './controls.ts';
import { end } from './end.ts';
import { loop } from './loop.ts';
import { related } from './related.ts';
import { load } from './load.ts';
import { title } from './title.ts';
import { widthMode } from './widthMode.ts';
import { width } from './width.ts';
import { ratio } from './ratio.ts';
import { height } from './height.ts';
import { align } from './align.ts';
import { spaceAbove } from './spaceAbove.ts';
import { spaceBelow } from './spaceBelow.ts';

/** Every setting, in the order in which they are listed and written. One file each. */
export const SETTINGS = [
  tracking,
  accent,
  showTitle,
  showAuthor,
  artwork,
  density,
  autoplay,
  mute,
  start,
  page,
  captions,
  controls,
  end,
  loop,
  related,
  load,
  title,
  widthMode,
  width,
  ratio,
  height,
  align,
  spaceAbove,
  spaceBelow,
] as const;

export type SettingId = (typeof SETTINGS)[number]['id'];

/** What is asked for. A setting that is absent is left to the host, and nothing is sent for it. */
export type Settings = { readonly [Id in SettingId]?: SettingValue };

const BY_ID: ReadonlyMap<string, Setting<SettingId>> = new Map(SETTINGS.map((s) => [s.id, s]));

export const settingOf = (id: SettingId): Setting<SettingId> => BY_ID.get(id)!;
export const isSettingId = (id: string): id is SettingId => BY_ID.has(id);

/** Whether the setting makes sense for this kind of item. */
export function makesSense(id: SettingId, kind: Kind): boolean {
  const { kinds } = settingOf(id);
  return !kinds || kinds.includes(kind);
}
