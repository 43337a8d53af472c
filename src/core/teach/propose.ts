import { isProposed, type HonouredSetting, type HostCard } from '../known/hosts/card.ts';
import { makesSense, settingOf, type SettingId, type Settings } from '../known/settings/list.ts';
import { spell } from '../known/hosts/spellings.ts';
import type { SettingValue } from '../model/values.ts';
import { decode } from '../steps/recognise/address.ts';
import type { Kind } from '../model/kind.ts';
import type { Parameter } from '../model/item.ts';
import type { ProofRow } from '../proof/playThrough/proof.ts';
import { QUESTIONS } from '../proof/playThrough/questions/list.ts';
import { namesFor, pairOf, type Guess } from '../known/hosts/guess.ts';
import { learnSpelling } from './spell.ts';

/** A setting that a host may well have, though nobody has shown it: how it would be spelt, and what is asked by it. */
export interface Proposal extends Guess {
  /** As it stands in the query: `autoplay=1`. */
  raw: string;
  use: HonouredSetting;
}

/**
 * What most players have, each called as the attributes of media elements are (HTML Standard, section 4.8.11), and the
 * time as in Media Fragments URI 1.0, section 4.2.1.
 */
const COMMON: readonly (Guess & { name: string })[] = [
  { setting: 'autoplay', value: 'on', name: 'autoplay' },
  { setting: 'mute', value: 'on', name: 'muted' },
  { setting: 'loop', value: 'on', name: 'loop' },
  { setting: 'controls', value: 'off', name: 'controls' },
  { setting: 'start', value: 30, name: 't' },
];
const USUAL = ['1', '0'] as const;

/**
 * Settings that are worth a try, in the order of how often they are asked for; none that the card has already, and none
 * whose name is taken. Switches are spelt as the page's own parameters suggest.
 */
export function propose(
  kind: Kind,
  parameters: readonly Pick<Parameter, 'name' | 'value'>[],
  card?: Pick<HostCard, 'settings'>,
): Proposal[] {
  const [on, off] = parameters.map(({ value }) => pairOf(value)).find((pair) => pair !== undefined) ?? USUAL;
  const taken = new Set([...parameters.map(({ name }) => name), ...namesOf(card)]);
  return COMMON.filter(
    ({ setting, name }) => !card?.settings[setting] && !taken.has(name) && (kind === 'page' || makesSense(setting, kind)),
  ).map(({ name, setting, value }) => {
    const spelling: HonouredSetting['spelling'] =
      typeof value === 'number' ? { form: 'seconds' } : { form: 'words', words: { on, off } };
    const text = typeof value === 'number' ? String(value) : value === 'on' ? on : off;
    return { setting, value, raw: `${name}=${text}`, use: inQuery(name, spelling) };
  });
}

const MOST_SPELLINGS = 6;

/** Ways in which a host may spell a setting that nobody has an example of, in the manner of what its card has already. */
export function spellingsFor(setting: SettingId, value: SettingValue, card: Pick<HostCard, 'settings'>): Proposal[] {
  const taken = new Set(namesOf(card));
  const { type } = settingOf(setting).value;
  const uses = (Object.entries(card.settings) as [SettingId, HonouredSetting][]).filter(([, use]) => 'spelling' in use);
  const alike = uses.find(([id]) => settingOf(id).value.type === type)?.[1].spelling;
  const text = alike && alike.form !== 'list' ? spell(alike, value) : undefined;
  const texts = [text, type === 'switch' ? (value === 'on' ? '1' : '0') : String(value).replace(/^#/, '')];
  return namesFor(setting)
    .filter((name) => !taken.has(name))
    .slice(0, MOST_SPELLINGS)
    .flatMap((name) => proposed(setting, value, `${name}=${texts.find((one) => one !== undefined)!}`) ?? []);
}

/** A parameter as somebody typed it, as what sets a setting to a value; null where it can be none. */
export function proposed(setting: SettingId, value: SettingValue, raw: string): Proposal | null {
  const [, name = '', text = ''] = /^[?&]?([^=&#\s]{1,60})(?:=([^&#\s]{0,200}))?$/.exec(raw.trim()) ?? [];
  const learnt = name === '' ? null : learnSpelling(setting, [{ value, text: decode(text) }]);
  return learnt && { setting, value, raw: text === '' ? name : `${name}=${text}`, use: inQuery(name, learnt.spelling) };
}

const inQuery = (name: string, spelling: HonouredSetting['spelling']): HonouredSetting => ({
  in: 'query',
  name,
  spelling,
  bare: false,
  quoted: false,
  proposed: true,
  instead: [],
  with: {},
  needed: false,
  limits: [],
  withdrawn: [],
});

/** The card with what somebody saw of a setting with their own eyes: that it is obeyed, or that nothing comes of it. */
export function withSeen(
  card: HostCard,
  { setting, use, raw }: Proposal,
  { obeyed, date }: { obeyed: boolean; date: string },
): HostCard {
  const seen: HostCard['settings'][SettingId] = obeyed
    ? { ...use, proposed: false, note: { date, text: 'It was seen to do so, beside the player without it.' } }
    : { in: 'nowhere', since: date, note: `Tried as ${raw}: the player does the same without it.` };
  return { ...card, settings: { ...card.settings, [setting]: seen } };
}

const namesOf = (card: Pick<HostCard, 'settings'> | undefined): string[] =>
  Object.values(card?.settings ?? {}).flatMap((use) => (use && 'name' in use ? [use.name] : []));

/** The card with what was proposed. */
export const withProposal = (card: HostCard, { setting, use }: Proposal): HostCard => ({
  ...card,
  settings: { ...card.settings, [setting]: use },
});

/**
 * What a play-through makes of the proposals that it asked for: what was seen to be obeyed is one of the host's own from
 * then on, what was not goes out of the card. Null where it decides nothing.
 */
export function settled(
  card: HostCard,
  { rows, settings: asked }: { rows: readonly ProofRow[]; settings: Settings },
  day: string,
): { card: HostCard; gone: SettingId[] } | null {
  const decided = rows.flatMap((row) => {
    const question = QUESTIONS.find(({ id }) => id === row.question);
    // What was seen then says nothing of what is asked for by now.
    if (!question || question.expected(asked) !== row.expected) return [];
    // What happens at the end tells of the loop, where one was asked for.
    const setting: SettingId = row.expected === 'again' ? 'loop' : question.setting;
    const use = asked[setting] !== undefined ? card.settings[setting] : undefined;
    if (!isProposed(use) || (row.verdict !== 'as asked' && row.verdict !== 'differs')) return [];
    const obeyed = row.verdict === 'as asked';
    // With sound, it is the browser that does not let it begin.
    if (!obeyed && setting === 'autoplay' && asked.mute !== 'on') return [];
    return [{ setting, use: use as HonouredSetting, obeyed }];
  });
  if (decided.length === 0) return null;
  const settings = { ...card.settings };
  for (const { setting, use, obeyed } of decided) {
    if (obeyed) settings[setting] = { ...use, proposed: false, note: { date: day, text: 'It was seen to do so.' } };
    else delete settings[setting];
  }
  return { card: { ...card, settings }, gone: decided.flatMap(({ setting, obeyed }) => (obeyed ? [] : [setting])) };
}
