import { isProposed, type HonouredSetting, type HostCard } from '../known/hosts/card.ts';
import { makesSense, type SettingId, type Settings } from '../known/settings/list.ts';
import type { Kind } from '../model/kind.ts';
import type { Parameter } from '../model/item.ts';
import type { ProofRow } from '../proof/playThrough/proof.ts';
import { QUESTIONS } from '../proof/playThrough/questions/list.ts';
import { pairOf, type Guess } from './guess.ts';

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
    const use = { in: 'query', name, spelling, bare: false, quoted: false, proposed: true } as const;
    return {
      setting,
      value,
      raw: `${name}=${text}`,
      use: { ...use, instead: [], with: {}, needed: false, limits: [], withdrawn: [] },
    };
  });
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
