import type { HostCard } from '../known/hosts/card.ts';
import type { SettingId } from '../known/settings/list.ts';
import type { DraftTarget } from './draft.ts';
import type { Observation } from './observe.ts';
import { isPlain } from './plain.ts';
import type { LearntSetting } from './settings.ts';

/** What would settle something, as data; the sentences are in the message file. */
export type Question =
  /** A link and its code, to begin with. */
  | { code: 'bringPair' }
  /** The code for a link that stands alone, or the link of a code. */
  | { code: 'bringCounterpart'; example: number; missing: 'link' | 'code' }
  /** A second item shows which part names it. */
  | { code: 'secondItem'; at: string; example: number }
  /** A part of the frame address is in none of the links. */
  | { code: 'innerPart'; at: string; part: string }
  /** Two settings at once show what stands between them. */
  | { code: 'twoAtOnce'; at: string; settings: readonly SettingId[] }
  /** Another value shows how the setting is spelt. */
  | { code: 'otherValue'; at: string; setting: SettingId; values: readonly string[] };

interface Asking {
  observations: readonly Observation[];
  settings: readonly LearntSetting[];
  targets: readonly DraftTarget[];
  guessed: ReadonlySet<string>;
}

/** Questions, the one first that settles most. */
export function questionsOf(card: HostCard | null, { observations, settings, targets, guessed }: Asking): Question[] {
  const questions: Question[] = [];
  const lone = observations.filter(
    (one) => isPlain(one) && (one.link === null || (one.frame === null && one.placeholder === null)),
  );
  if (!card) {
    for (const one of lone)
      questions.push({ code: 'bringCounterpart', example: one.from[0]!, missing: one.link ? 'code' : 'link' });
    return questions.length > 0 ? questions : [{ code: 'bringPair' }];
  }
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
