import type { Attribute } from '../model/candidate.ts';
import type { Kept } from '../model/item.ts';
import { parseRatio, parseValue, type SettingValue } from '../model/values.ts';
import { settingOf, type SettingId, type Settings } from '../settings/list.ts';

type Draft = { [Id in SettingId]?: SettingValue };

/** What an iframe's attributes ask for, and what of them is kept as it is. */
export function readFrameMarkup(attributes: readonly Attribute[]): { settings: Settings; kept: Kept } {
  const settings: Draft = {};
  const kept = { attributes: [] as Attribute[], allow: [] as string[], style: [] as string[] };
  for (const attribute of attributes) {
    const read = READERS.get(attribute.name);
    if (!read?.(attribute.value ?? '', settings, kept)) kept.attributes.push(attribute);
  }
  tidyWidth(settings);
  return { settings, kept };
}

type AttributeReader = (value: string, settings: Draft, kept: { allow: string[]; style: string[] }) => boolean;

/** Each says whether it took the attribute; what none takes is kept unchanged. */
const READERS = new Map<string, AttributeReader>(
  Object.entries({
    title: (value, settings) => put(settings, 'title', value),
    width: (value, settings) => (value.trim() === '100%' ? put(settings, 'widthMode', 'fill') : putWidth(settings, value)),
    height: (value, settings) => put(settings, 'height', value),
    loading: (value, settings) => put(settings, 'load', value === 'lazy' ? 'near' : value === 'eager' ? 'all' : ''),
    // Obsolete (HTML, 16.2), and done by the style that is written anyway.
    frameborder: (value) => value === '0' || value === 'no',
    allow: (value, _, kept) => {
      kept.allow.push(
        ...value
          .split(';')
          .map((f) => f.trim())
          .filter((f) => f !== ''),
      );
      return true;
    },
    style: (value, settings, kept) => {
      for (const declaration of value.split(';'))
        if (declaration.trim() && !readDeclaration(declaration, settings)) kept.style.push(declaration.trim());
      return true;
    },
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
    border: (value) => value === '0' || value === 'none',
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
  const read = DECLARATIONS.get(declaration.slice(0, colon).trim().toLowerCase());
  return (
    read?.(
      declaration
        .slice(colon + 1)
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
