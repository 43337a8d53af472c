import type { Kind } from '../../model/kind.ts';
import type { Setting } from '../../model/setting.ts';
import { parseValue, writeValue, type SettingValue } from '../../model/values.ts';
import { tracking } from './tracking.ts';
import { language } from './language.ts';
import { theme } from './theme.ts';
import { accent } from './accent.ts';
import { showTitle } from './showTitle.ts';
import { showAuthor } from './showAuthor.ts';
import { shownName } from './shownName.ts';
import { artwork } from './artwork.ts';
import { header } from './header.ts';
import { footer } from './footer.ts';
import { density } from './density.ts';
import { sizeStep } from './sizeStep.ts';
import { zoom } from './zoom.ts';
import { marker } from './marker.ts';
import { mapStyle } from './mapStyle.ts';
import { panels } from './panels.ts';
import { domain } from './domain.ts';
import { autoplay } from './autoplay.ts';
import { mute } from './mute.ts';
import { volume } from './volume.ts';
import { start } from './start.ts';
import { page } from './page.ts';
import { captions } from './captions.ts';
import { controls } from './controls.ts';
import { movement } from './movement.ts';
import { scroll } from './scroll.ts';
import { interval } from './interval.ts';
import { spread } from './spread.ts';
import { cues } from './cues.ts';
import { soundBed } from './soundBed.ts';
import { fullscreen } from './fullscreen.ts';
import { pictureInPicture } from './pictureInPicture.ts';
import { download } from './download.ts';
import { end } from './end.ts';
import { loop } from './loop.ts';
import { related } from './related.ts';
import { continueOn } from './continue.ts';
import { load } from './load.ts';
import { cover } from './cover.ts';
import { coverWords } from './coverWords.ts';
import { consent } from './consent.ts';
import { title } from './title.ts';
import { widthMode } from './widthMode.ts';
import { width } from './width.ts';
import { ratio } from './ratio.ts';
import { height } from './height.ts';
import { align } from './align.ts';
import { spaceAbove } from './spaceAbove.ts';
import { spaceBelow } from './spaceBelow.ts';
import { border } from './border.ts';
import { radius } from './radius.ts';
import { background } from './background.ts';
import { referrer } from './referrer.ts';
import { sandbox } from './sandbox.ts';
import { permissions } from './permissions.ts';
import { elementId } from './elementId.ts';
import { className } from './className.ts';
import { heading } from './heading.ts';
import { text } from './text.ts';
import { beside } from './beside.ts';
import { caption } from './caption.ts';
import { textLink } from './textLink.ts';
import { transcript } from './transcript.ts';
import { structuredData } from './structuredData.ts';

/** Every setting, in the order in which they are listed and written. One file each. */
export const SETTINGS = [
  tracking,
  language,
  theme,
  accent,
  showTitle,
  showAuthor,
  shownName,
  artwork,
  header,
  footer,
  density,
  sizeStep,
  zoom,
  marker,
  mapStyle,
  panels,
  domain,
  autoplay,
  mute,
  volume,
  start,
  page,
  captions,
  controls,
  movement,
  scroll,
  interval,
  spread,
  cues,
  soundBed,
  fullscreen,
  pictureInPicture,
  download,
  end,
  loop,
  related,
  continueOn,
  load,
  cover,
  coverWords,
  consent,
  title,
  widthMode,
  width,
  ratio,
  height,
  align,
  spaceAbove,
  spaceBelow,
  border,
  radius,
  background,
  referrer,
  sandbox,
  permissions,
  elementId,
  className,
  heading,
  text,
  beside,
  caption,
  textLink,
  transcript,
  structuredData,
] as const;

export type SettingId = (typeof SETTINGS)[number]['id'];

/** What is asked for. A setting that is absent is left to the host, and nothing is sent for it. */
export type Settings = { readonly [Id in SettingId]?: SettingValue };

const BY_ID: ReadonlyMap<string, Setting<SettingId>> = new Map(SETTINGS.map((s) => [s.id, s]));

/** The setting of an id. */
export const settingOf = (id: SettingId): Setting<SettingId> => BY_ID.get(id)!;
const RANKS: ReadonlyMap<string, number> = new Map(SETTINGS.map(({ id }, rank) => [id, rank]));
/** Its place in the list. */
export const rankOf = (id: SettingId): number => RANKS.get(id)!;
/** Whether a word from outside is the id of a setting. */
export const isSettingId = (id: string): id is SettingId => BY_ID.has(id);

/** A value from outside as the setting takes it; undefined where it takes none such. */
export function properValue(id: SettingId, value: SettingValue): SettingValue | undefined {
  const type = settingOf(id).value;
  return parseValue(type, writeValue(type, value));
}

/** Whether our own markup does it, whatever the host can do. */
export function needsNoHost(id: SettingId): boolean {
  const { moment, here } = settingOf(id);
  return here === true || moment === 'frame' || moment === 'around';
}

/** Whether it is done by a frame, or by a cover before it: an element of our own has no use for it. */
export function needsFrame(id: SettingId): boolean {
  const { here, framesOnly } = settingOf(id);
  return framesOnly === true || (here === true && id !== 'load');
}

/** Whether the setting makes sense for this kind of item. */
export function makesSense(id: SettingId, kind: Kind): boolean {
  const { kinds } = settingOf(id);
  return !kinds || kinds.includes(kind);
}
