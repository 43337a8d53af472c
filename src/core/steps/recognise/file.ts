import type { Candidate, Refusal } from '../../model/candidate.ts';
import type { Item, Parameter } from '../../model/item.ts';
import type { Kind } from '../../model/kind.ts';
import { parseTime } from '../../model/time.ts';
import { parseValue, type SettingValue } from '../../model/values.ts';
import { settingOf, type SettingId } from '../../known/settings/list.ts';
import { decode, type Address } from './address.ts';
import { unknownItem } from './makeItem.ts';

/** Kinds of media files by extension; each is an item of its own, which needs no host. */
const EXTENSIONS: Readonly<Record<string, Kind>> = {
  mp4: 'video',
  m4v: 'video',
  webm: 'video',
  ogv: 'video',
  mov: 'video',
  mp3: 'audio',
  m4a: 'audio',
  ogg: 'audio',
  oga: 'audio',
  opus: 'audio',
  wav: 'audio',
  flac: 'audio',
  png: 'picture',
  jpg: 'picture',
  jpeg: 'picture',
  gif: 'picture',
  webp: 'picture',
  avif: 'picture',
  svg: 'picture',
  pdf: 'document',
};
const ELEMENTS: Readonly<Record<string, Kind>> = { video: 'video', audio: 'audio', img: 'picture' };

/** Files that browsers download, or cannot play by themselves, by extension. */
const NO_PLAYER: ReadonlyMap<string, Extract<Refusal, { code: 'noPlayerFile' }>['what']> = new Map([
  ...['m3u8', 'm3u', 'mpd', 'ism', 'f4m'].map((extension) => [extension, 'stream'] as const),
  ...['vtt', 'srt', 'sbv', 'ssa', 'ass', 'ttml', 'dfxp'].map((extension) => [extension, 'subtitles'] as const),
  ...['epub', 'mobi', 'azw3', 'fb2'].map((extension) => [extension, 'book'] as const),
  ...['doc', 'docx', 'odt', 'rtf', 'xls', 'xlsx', 'ods', 'ppt', 'pptx', 'odp', 'key', 'pages'].map(
    (extension) => [extension, 'office'] as const,
  ),
]);

/** Why a file cannot be shown, where it is one of those. */
export function refusedFile({ path }: Address): Refusal | null {
  const what = NO_PLAYER.get(extensionOf(path));
  return what ? { code: 'noPlayerFile', what, name: decode(path.slice(path.lastIndexOf('/') + 1)).slice(0, 80) } : null;
}

const extensionOf = (path: string): string => /\.([a-z0-9]{1,5})$/i.exec(path.slice(-8))?.[1]?.toLowerCase() ?? '';

/** A media file, by the element that holds it or by its extension; null for any other address. */
export function fileItem({ source, element }: Candidate, address: Address): Item | null {
  const extension = extensionOf(address.path);
  const byElement = source === 'media' ? ELEMENTS[element ?? ''] : undefined;
  const kind = byElement ?? (Object.hasOwn(EXTENSIONS, extension) ? EXTENSIONS[extension]! : undefined);
  if (!kind) return null;
  const item = unknownItem(address);
  const settings: { [Id in SettingId]?: SettingValue } = {};
  const unknown = address.parameters.filter((p) => p.in === 'query' || !readFragment(kind, p, settings));
  return { ...item, kind, form: 'file', settings, unknown };
}

/**
 * Media Fragments URI 1.0, section 4.2.1: `t=10,20` and `t=npt:10,20`; of a PDF, `page=3` (RFC 8118, section 3).
 * True where the fragment was one of these.
 */
function readFragment(kind: Kind, { name, value }: Parameter, settings: { [Id in SettingId]?: SettingValue }): boolean {
  if (kind === 'document' && name === 'page') {
    const page = parseValue(settingOf('page').value, value);
    if (page !== undefined) settings.page = page;
    return page !== undefined;
  }
  if (name !== 't' || (kind !== 'video' && kind !== 'audio')) return false;
  const [from = '', until = ''] = value.replace(/^npt:/, '').split(',');
  const [start, end] = [parseTime(from), parseTime(until)];
  if (start !== undefined) settings.start = start;
  if (end !== undefined) settings.end = end;
  return start !== undefined || end !== undefined;
}
