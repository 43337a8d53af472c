import type { SettingPlace } from '../known/hosts/card.ts';
import { spell } from '../known/hosts/spellings.ts';
import type { Spelling } from '../known/hosts/spelling.ts';
import { settingOf, type SettingId } from '../known/settings/list.ts';
import type { DraftSetting, DraftTarget } from './draft.ts';
import type { Sight, Trace } from './evidence.ts';
import { learnSpelling, type LearntSpelling } from './spell.ts';

/** What was learnt of a setting besides: what was filled in, and which examples say otherwise. */
export interface LearntSetting extends DraftSetting {
  filled: readonly string[];
  against: readonly number[];
}

/** How each setting is sent, by what was seen of it. */
export function learnSettings(sights: readonly Sight[], targets: readonly DraftTarget[]): LearntSetting[] {
  const byId = new Map<SettingId, Sight[]>();
  for (const sight of sights) byId.set(sight.setting, [...(byId.get(sight.setting) ?? []), sight]);
  return [...byId].flatMap(([id, own]) => learnSetting(id, own, targets) ?? []);
}

/** Another origin stands for one value; the plain one for the other. */
function byOrigin(id: SettingId, sights: readonly Sight[]): LearntSetting | null {
  const { value: type } = settingOf(id);
  const [{ value } = { value: '' }] = sights;
  const options = type.type === 'switch' ? ['on', 'off'] : type.type === 'choice' ? type.options : [];
  const usual = options.find((option) => option !== value);
  if (usual === undefined) return null;
  const from = sights.flatMap((sight) => sight.from);
  return { id, places: [], byOrigin: String(value), with: {}, usual, from, certain: false, filled: [usual], against: [] };
}

interface Placed {
  place: SettingPlace;
  learnt: LearntSpelling;
  sights: readonly Sight[];
}

function learnSetting(id: SettingId, sights: readonly Sight[], targets: readonly DraftTarget[]): LearntSetting | null {
  const groups = new Map<string, Sight[]>();
  for (const sight of sights) groups.set(placeKey(sight), [...(groups.get(placeKey(sight)) ?? []), sight]);
  if (sights.some(({ main }) => main.in === 'origin')) return byOrigin(id, sights);
  const placed = [...groups.values()].flatMap((group): Placed[] => {
    const one = placedAt(id, group);
    return one ? [one] : [];
  });
  if (placed.length === 0) return null;
  // Where one target shows two places, the one that more examples show holds.
  placed.sort((a, b) => b.sights.length - a.sights.length);
  const taken = new Set<string>();
  const kept = placed.filter(({ sights: own }) => {
    const mine = [...new Set(own.map(({ target }) => target))].filter((target) => !taken.has(target));
    mine.forEach((target) => taken.add(target));
    return mine.length > 0;
  });
  const used = kept.flatMap(({ sights: own }) => own);
  const along = commonAlong(kept[0]!.sights);
  const words = kept[0]!.learnt.spelling;
  return {
    id,
    places: kept.map(({ place, sights: own }) => ({ place, targets: [...new Set(own.map(({ target }) => target))] })),
    with: along,
    ...usualOf(words),
    ...allowOf(id, used),
    from: [...new Set(used.flatMap(({ from }) => from))].sort((a, b) => a - b),
    certain:
      kept.every(({ learnt }) => learnt.certain) &&
      !used.some(({ guessed }) => guessed) &&
      (targets.length === 1 || taken.size === targets.length),
    filled: kept.flatMap(({ learnt }) => learnt.filled),
    against: sights.filter((sight) => !used.includes(sight)).flatMap(({ from }) => from),
  };
}

const placeKey = ({ main: { in: place, name, pack } }: Sight): string => `${place}:${pack ?? ''}:${name.replace(/\[\d*\]$/, '')}`;

function placedAt(id: SettingId, sights: readonly Sight[]): Placed | null {
  const { main } = sights[0]!;
  const repeated = sights.find(({ more }) => more.length > 0);
  const bare = sights.every((sight) => sight.main.bare);
  const indexed = /\[\d+\]$/.test(main.name);
  if (repeated || indexed) return repeatedAt(id, sights, indexed);
  const learnt = learnSpelling(
    id,
    sights.map(({ value, main: { text, was, in: place } }) => ({ value, text: place === 'path' ? behind(text!, was) : text! })),
  );
  if (!learnt) return null;
  return { place: placeOf(main, { spelling: learnt.spelling, bare, sights }), learnt, sights };
}

/** In the path, what stands behind the identifier in its segment. */
const behind = (text: string, was: string | undefined): string =>
  was !== undefined && was !== '' && text.startsWith(was) ? text.slice(was.length) : text;

function placeOf(
  { in: place, name, pack, quoted }: Trace,
  { spelling, bare, sights }: { spelling: Spelling; bare: boolean; sights: readonly Sight[] },
): SettingPlace {
  const rest = sights.find((sight) => sight.rest !== undefined)?.rest;
  return {
    in: place as SettingPlace['in'],
    name,
    bare,
    quoted: quoted ?? false,
    spelling,
    ...(pack !== undefined && { pack }),
    ...(rest !== undefined && { rest }),
  };
}

/** A list that repeats its parameter, with an index or by the name alone. */
function repeatedAt(id: SettingId, sights: readonly Sight[], indexed: boolean): Placed | null {
  const spelt = sights.map(({ value, main, more }) => ({ value, text: [main, ...more].map(({ text }) => text!).join(',') }));
  const learnt = learnSpelling(id, spelt);
  if (learnt?.spelling.form !== 'list') return null;
  const { words } = learnt.spelling;
  const spelling: Spelling = { form: 'list', repeat: indexed ? 'index' : 'name', ...(words && { words }) };
  const { main } = sights[0]!;
  const name = indexed ? main.name.replace(/\[\d+\]$/, '') : main.name;
  const place = placeOf({ ...main, name }, { spelling, bare: false, sights });
  return { place, learnt: { ...learnt, spelling, filled: [] }, sights };
}

/** The feature that came with it; what starts by itself needs one wherever it stands (Permissions Policy, `autoplay`). */
function allowOf(id: SettingId, sights: readonly Sight[]): { allow?: string } {
  const [feature] = sights.flatMap(({ features }) => features).filter((one) => /^[a-z-]+$/.test(one));
  const allow = feature ?? (id === 'autoplay' ? 'autoplay' : undefined);
  return allow === undefined ? {} : { allow };
}

/** What went along in every example in the same way. */
function commonAlong(sights: readonly Sight[]): Record<string, string> {
  const [first, ...others] = sights;
  const same = first!.along.filter(
    (trace) =>
      trace.in === 'query' &&
      others.every(({ along }) => along.some((one) => one.in === 'query' && one.name === trace.name && one.text === trace.text)),
  );
  return Object.fromEntries(same.map(({ name, text }) => [name, text!]));
}

/** What goes without saying, where one of two values has no word. */
function usualOf(spelling: Spelling): { usual?: string } {
  if (spelling.form !== 'words') return {};
  const said = ['on', 'off'].filter((value) => spell(spelling, value) !== undefined);
  const keys = Object.keys(spelling.words);
  if (said.length !== 1 || keys.length !== 1) return {};
  return { usual: said[0] === 'on' ? 'off' : 'on' };
}
