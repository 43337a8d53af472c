import type { Attribute } from '../../model/candidate.ts';
import { readCoverPage } from '../../model/coverPage.ts';
import type { Kept } from '../../model/item.ts';
import type { Kind } from '../../model/kind.ts';
import { parseRatio, parseValue, type SettingValue } from '../../model/values.ts';
import { settingOf, type SettingId, type Settings } from '../../known/settings/list.ts';

/** What attributes ask for, and what of them is kept. */
export interface Markup {
  settings: Settings;
  kept: Kept;
}

type Draft = { [Id in SettingId]?: SettingValue };

/** What the attributes of an iframe, or of a media element of a kind (`file` for an attribute by itself), ask for, and what of them is kept. */
export function readFrameMarkup(attributes: readonly Attribute[], media: Kind | 'file' | false = false): Markup {
  const named = media !== false && attributes.some(({ name, value }) => (name === 'alt' || name === 'aria-label') && value);
  const settings: Draft = {};
  const kept = { attributes: [] as Attribute[], style: [] as string[] };
  for (const { name, value } of attributes) {
    if (named && name === 'title') {
      kept.attributes.push({ name, value });
      continue;
    }
    const read = (media ? MEDIA_READERS.get(name) : undefined) ?? READERS.get(name);
    if (!read?.(value ?? '', settings, kept) && NAME.test(name)) kept.attributes.push({ name, value });
  }
  // HTML, section 4.8.11.13: without the attribute there are none.
  if (media === 'video' || media === 'audio') settings.controls ??= 'off';
  tidyWidth(settings);
  return { settings, kept };
}

/** HTML, section 13.1.2.3, and nothing that a broken quote leaves behind. */
const NAME = /^[a-z_:@][^\s"'<>/=`]*$/i;

type AttributeReader = (value: string, settings: Draft, kept: { style: string[] }) => boolean;

/** Each says whether it took the attribute; what none takes is kept unchanged. */
const READERS = new Map<string, AttributeReader>(
  Object.entries({
    title: (value, settings) => put(settings, 'title', value),
    width: (value, settings) => (value.trim() === '100%' ? put(settings, 'widthMode', 'fill') : putWidth(settings, value)),
    height: (value, settings) => put(settings, 'height', value),
    loading: (value, settings) => put(settings, 'load', value === 'lazy' ? 'near' : value === 'eager' ? 'all' : ''),
    srcdoc: (value, settings) => readCover(value, settings),
    referrerpolicy: (value, settings) => put(settings, 'referrer', REFERRERS.get(value.toLowerCase()) ?? ''),
    sandbox: (value, settings) => put(settings, 'sandbox', value),
    id: (value, settings) => put(settings, 'elementId', value),
    class: (value, settings) => put(settings, 'className', value),
    // Obsolete (HTML, 16.2), and done by the style that is written anyway.
    frameborder: (value) => value === '0' || value === 'no',
    allow: (value, settings) => put(settings, 'permissions', value),
    style: (value, settings, kept) => {
      for (const declaration of value.split(';'))
        if (declaration.trim() && !readDeclaration(declaration, settings)) kept.style.push(declaration.trim());
      return true;
    },
  } satisfies Record<string, AttributeReader>),
);

/** A cover of ours; any other page in the frame is kept as it is. */
function readCover(page: string, settings: Draft): boolean {
  const cover = readCoverPage(page);
  if (!cover) return false;
  put(settings, 'load', 'ask');
  put(settings, 'coverWords', cover.words);
  if (cover.picture !== null) put(settings, 'cover', cover.picture);
  if (cover.consent !== null) put(settings, 'consent', cover.consent);
  return true;
}

/** Referrer Policy, section 3: the policies that the setting can say. */
const REFERRERS: ReadonlyMap<string, string> = new Map([
  ['no-referrer', 'none'],
  ['origin', 'origin'],
  ['strict-origin-when-cross-origin', 'usual'],
]);

/** HTML, 4.8.11: attributes of media elements; their mere presence is what counts. */
const on =
  (id: SettingId): AttributeReader =>
  (_, settings) =>
    put(settings, id, 'on');
const MEDIA_READERS = new Map<string, AttributeReader>(
  Object.entries({
    autoplay: on('autoplay'),
    muted: on('mute'),
    loop: on('loop'),
    controls: on('controls'),
    playsinline: () => true,
    preload: (value, settings) => put(settings, 'load', value === 'none' ? 'near' : value === 'metadata' ? 'all' : ''),
    alt: (value, settings) => put(settings, 'title', value),
    'aria-label': (value, settings) => put(settings, 'title', value),
    poster: (value, settings) => put(settings, 'cover', value),
  } satisfies Record<string, AttributeReader>),
);

function put(settings: Draft, id: SettingId, text: string): boolean {
  const value = parseValue(settingOf(id).value, text);
  if (value === undefined) return false;
  settings[id] = value;
  return true;
}

function putWidth(settings: Draft, text: string): boolean {
  if (!put(settings, 'width', text)) return false;
  settings.widthMode ??= 'fixed';
  return true;
}

/** Style declarations that are settings of ours; `border: 0` and `display: block` are always written. */
type DeclarationReader = (value: string, settings: Draft) => boolean;
const DECLARATIONS = new Map<string, DeclarationReader>(
  Object.entries({
    border: (value, settings) => {
      if (value === '0' || value === 'none') return true;
      const width = /^(\d+)px solid(?: currentcolor)?$/.exec(value)?.[1];
      return width !== undefined && put(settings, 'border', width);
    },
    display: (value) => value === 'block',
    width: (value, settings) =>
      value === '100%' ? put(settings, 'widthMode', 'fill') : value.endsWith('px') && putWidth(settings, value),
    'max-width': (value, settings) => {
      if (value === '100%') return true;
      if (!value.endsWith('px') || !put(settings, 'width', value)) return false;
      settings.widthMode = 'atMost';
      return true;
    },
    height: (value, settings) => value === 'auto' || (value.endsWith('px') && put(settings, 'height', value)),
    'aspect-ratio': (value, settings) => {
      const ratio = parseRatio(value);
      if (ratio) settings.ratio = ratio;
      return ratio !== undefined;
    },
    'border-radius': (value, settings) => value.endsWith('px') && put(settings, 'radius', value.slice(0, -2)),
    background: (value, settings) => put(settings, 'background', value),
    'background-color': (value, settings) => put(settings, 'background', value),
    'margin-top': (value, settings) => put(settings, 'spaceAbove', value),
    'margin-bottom': (value, settings) => put(settings, 'spaceBelow', value),
    'margin-left': (value, settings) => value === 'auto' && putAuto(settings, 'end'),
    'margin-right': (value, settings) => value === 'auto' && putAuto(settings, 'start'),
  } satisfies Record<string, DeclarationReader>),
);

/** One automatic margin pushes to the other side; two centre. */
function putAuto(settings: Draft, side: 'start' | 'end'): boolean {
  settings.align = settings.align && settings.align !== side ? 'centre' : side;
  return true;
}

function readDeclaration(declaration: string, settings: Draft): boolean {
  const colon = declaration.indexOf(':');
  if (colon < 0) return false;
  // Styles written as an object of a script have names such as maxWidth.
  const name = declaration
    .slice(0, colon)
    .trim()
    .replace(/(?<=[a-z])[A-Z]/g, '-$&');
  const read = DECLARATIONS.get(name.toLowerCase());
  return (
    read?.(
      declaration
        .slice(colon + 1)
        .replace(/\s*!\s*important\s*$/i, '')
        .trim()
        .toLowerCase(),
      settings,
    ) ?? false
  );
}

/** `max-width` turns a full width into one that is at most so wide, in whichever order they stand. */
function tidyWidth(settings: Draft): void {
  if (settings.widthMode === 'fill' && settings.width !== undefined) settings.widthMode = 'atMost';
}
