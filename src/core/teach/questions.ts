import type { HostCard, Pack } from '../known/hosts/card.ts';
import { splitPack } from '../known/hosts/packs.ts';
import type { Kind } from '../model/kind.ts';
import type { SettingId } from '../known/settings/list.ts';
import type { DraftTarget } from './draft.ts';
import { codedIn, type Observation } from './observe.ts';
import { isPlain } from './plain.ts';
import type { Difference } from './differences.ts';
import { guess, type Guess } from '../known/hosts/guess.ts';
import type { Open } from './open.ts';
import type { LearntSetting } from './settings.ts';

/** One thing that a code has more than the plain one. */
export interface WhatDoesPart {
  name: string;
  text: string;
  likely: readonly Guess[];
}

/** What would settle something, as data; the sentences are in the message file. */
export type Question =
  /** A link and its code, to begin with. */
  | { code: 'bringPair' }
  /** The code for a link that stands alone, or the link of a code. */
  | { code: 'bringCounterpart'; example: number; missing: 'link' | 'code' }
  /** The code has more than the plain one: what does each of these do? */
  | { code: 'whatDoes'; example: number; parts: readonly WhatDoesPart[] }
  /** A second item shows which part names it. */
  | { code: 'secondItem'; at: string; example: number }
  /** A part of the frame address is in none of the links. */
  | { code: 'innerPart'; at: string; part?: string }
  /** Two settings at once show what stands between them. */
  | { code: 'twoAtOnce'; at: string; settings: readonly SettingId[] }
  /** Another value shows how the setting is spelt. */
  | { code: 'otherValue'; at: string; setting: SettingId; values: readonly string[] };

interface Asking {
  observations: readonly Observation[];
  settings: readonly LearntSetting[];
  targets: readonly DraftTarget[];
  guessed: ReadonlySet<string>;
  open: readonly Open[];
  inner: boolean;
}

/** What of a difference somebody may be asked about: what is joined in one, each by itself. */
function partsOf({ in: place, name, text }: Difference, kind: Kind | undefined): WhatDoesPart[] {
  if (text === undefined) return [];
  const part = (word: string, held: string): WhatDoesPart => ({ name: word, text: held, likely: guess(word, held, kind) });
  const object = splitPack(OBJECT, text) ?? splitPack({ ...OBJECT, base64url: true }, text);
  if (object) return object.map((member) => part(member.name, member.text));
  const words = text.split(/[,;|]/).map((one) => /^([a-z][\w-]*)(?:[:=](.+))?$/i.exec(one));
  const joined = words.every((word) => word !== null) && (place === 'path' || words.length > 1 || words[0]![2] !== undefined);
  if (joined) return words.map((word) => part(word[1]!, word[2] ?? ''));
  const one = part(place === 'path' ? '' : name, text);
  // A parameter whose name says nothing: its value may be a word that does.
  return [one.likely.length === 0 && words[0] ? part(text, '') : one];
}

const OBJECT: Pack = { in: 'query', name: 'p', as: 'json', separator: ',', equals: ':', base64url: false, order: [], fixed: {} };

/** Questions, the one first that settles most. */
export function questionsOf(
  card: HostCard | null,
  { observations, settings, targets, guessed, open, inner: asked }: Asking,
): Question[] {
  const questions: Question[] = [];
  const lone = observations.filter(
    (one) => isPlain(one) && (one.link === null || (one.frame === null && one.placeholder === null)),
  );
  if (!card) {
    for (const one of lone)
      questions.push({ code: 'bringCounterpart', example: one.from[0]!, missing: one.link ? 'code' : 'link' });
    return questions.length > 0 ? questions : [{ code: 'bringPair' }];
  }
  const inTurn = [...open].sort((a, b) => codedIn(a.pair.observation)[0]! - codedIn(b.pair.observation)[0]!);
  for (const { pair, differences } of inTurn)
    questions.push({
      code: 'whatDoes',
      example: codedIn(pair.observation)[0]!,
      parts: differences.flatMap((one) => partsOf(one, pair.observation.kind)),
    });
  if (asked) questions.push({ code: 'innerPart', at: '/links' });
  for (const { name, inner } of targets)
    for (const part of inner) questions.push({ code: 'innerPart', at: `/targets/${name}/frame`, part });
  for (const { name, forms } of targets) {
    const items = forms.flatMap(({ pairs }) => pairs);
    if (new Set(items.map(({ link }) => link.address)).size === 1)
      questions.push({ code: 'secondItem', at: `/targets/${name}/frame`, example: items[0]!.observation.from[0]! });
  }
  for (const id of guessed) {
    const within = settings.filter(({ places }) => places.some(({ place }) => place.pack === id)).map((setting) => setting.id);
    questions.push({ code: 'twoAtOnce', at: `/packs/${id}/separator`, settings: within });
  }
  for (const { id, certain, filled } of settings)
    if (!certain) questions.push({ code: 'otherValue', at: `/settings/${id}/spelling`, setting: id, values: filled });
  return questions;
}
