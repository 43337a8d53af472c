import type { Spelling } from './spelling.ts';

/** Where in a card two things cannot both hold, or one cannot. */
interface Contradiction {
  path: readonly (string | number)[];
  message: string;
}

/** Where a setting stands. */
interface SettingPlace {
  in: string;
  name: string;
  pack?: string | undefined;
  spelling: Spelling;
}

type Use = SettingPlace & { targets?: string[] | undefined; instead: readonly (SettingPlace & { targets: string[] })[] };

/** The parts of a card that are looked at, whatever else is in it. */
interface Looked {
  targets: Readonly<Record<string, { frame?: string | undefined; script?: unknown; shortcode?: unknown }>>;
  settings: Readonly<Record<string, Use | { in: 'origin' | 'nowhere' } | undefined>>;
  packs: Readonly<Record<string, { in: string; name: string; as: string; fixed: Readonly<Record<string, string>> }>>;
}

const ORDINALS = 'values that stand by their place have numbers for names, from 0 to 99';
const isOrdinal = (name: string): boolean => /^\d{1,2}$/.test(name);

const ATTRIBUTE = /^(?!on)[a-z][\w-]*$/i;
const FRAME_ATTRIBUTE = /^data-[a-z][a-z0-9-]*$/;

/** Names that stand for settings in the paths of frames. */
export function inPath({ settings, packs }: Pick<Looked, 'settings' | 'packs'>): string[] {
  const places = Object.values(settings).flatMap((use) => (isPlaced(use) ? [use, ...use.instead] : []));
  return [...places, ...Object.values(packs)].filter((place) => place.in === 'path').map(({ name }) => name);
}

const isPlaced = (use: Looked['settings'][string]): use is Use =>
  use !== undefined && use.in !== 'origin' && use.in !== 'nowhere';

/** What a card says that cannot be so, each with its place. */
export function contradictions(card: Looked): Contradiction[] {
  const targets = Object.values(card.targets);
  const placeholders = targets.some(({ script, shortcode }) => script !== undefined || shortcode !== undefined);
  const found: Contradiction[] = [];
  const taken: { id: string; place: SettingPlace; targets: string[] | undefined }[] = [];
  for (const [id, pack] of Object.entries(card.packs))
    if (pack.as === 'places' && !Object.keys(pack.fixed).every(isOrdinal))
      found.push({ path: ['packs', id, 'fixed'], message: ORDINALS });
  for (const [id, use] of Object.entries(card.settings)) {
    if (!isPlaced(use)) continue;
    [
      { place: use, targets: use.targets, at: [] },
      ...use.instead.map((place, i) => ({ place, targets: place.targets, at: ['instead', i] })),
    ].forEach(({ place, targets: only, at }) => {
      const path = ['settings', id, ...at];
      const wrong = misplaced(place, card, placeholders);
      if (wrong) found.push({ path: [...path, wrong.key], message: wrong.message });
      const other = taken.find((one) => one.id !== id && isSame(one.place, place) && overlap(one.targets, only));
      if (other && !toldApart(other.place.spelling, place.spelling))
        found.push({ path: [...path, 'name'], message: `"${other.id}" stands there too, and the two cannot be told apart` });
      taken.push({ id, place, targets: only });
    });
  }
  return found;
}

function misplaced(place: SettingPlace, card: Looked, placeholders: boolean): { key: string; message: string } | undefined {
  if (place.in === 'packed' && !(place.pack !== undefined && Object.hasOwn(card.packs, place.pack)))
    return { key: 'pack', message: 'no pack has this name' };
  if (place.in === 'packed' && card.packs[place.pack!]!.as === 'places' && !isOrdinal(place.name))
    return { key: 'name', message: ORDINALS };
  if (place.in !== 'packed' && place.pack !== undefined) return { key: 'pack', message: 'only what is packed stands in a pack' };
  if (place.name === '' && place.in !== 'fragment') return { key: 'name', message: 'it needs a name' };
  if (place.in === 'attribute' && !ATTRIBUTE.test(place.name))
    return { key: 'name', message: 'an attribute is letters, digits, - and _, and none that runs code' };
  if (place.in === 'attribute' && !placeholders)
    return { key: 'in', message: 'no target has script code or a short code whose attribute this could be' };
  if (place.in === 'frameAttribute' && !FRAME_ATTRIBUTE.test(place.name))
    return { key: 'name', message: 'an attribute of the frame begins with data-' };
  if (place.in === 'path' && !Object.values(card.targets).some(({ frame }) => hasPlace(frame, place.name)))
    return { key: 'name', message: 'no frame template has a place of this name' };
  return undefined;
}

/** Whether a frame template has a place of a name: `{name}`, `{+name}` or `{/name}` (RFC 6570, sections 3.2.2, 3.2.3 and 3.2.6). */
export const hasPlace = (frame: string | undefined, name: string): boolean =>
  ['', '+', '/'].some((operator) => frame?.includes(`{${operator}${name}}`) === true);

const isSame = (a: SettingPlace, b: SettingPlace): boolean => a.in === b.in && a.pack === b.pack && a.name === b.name;

const overlap = (a: string[] | undefined, b: string[] | undefined): boolean => !a || !b || a.some((target) => b.includes(target));

/** Two spellings of words, none of which is in both. */
function toldApart(a: Spelling, b: Spelling): boolean {
  if (a.form !== 'words' || b.form !== 'words') return false;
  const words = new Set(Object.values(a.words).flat());
  return Object.values(b.words)
    .flat()
    .every((word) => !words.has(word));
}
