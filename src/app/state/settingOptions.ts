import { settingOf, type SettingId } from '../../core/known/settings/list.ts';
import type { Moment } from '../../core/model/setting.ts';
import { saySetting } from '../../messages/en.ts';
import { MOMENT_NAMES } from '../../messages/moments.ts';
import { selectCard, selectEmbed, selectStations } from './selectors.ts';
import type { State } from './store.ts';

/** A setting as it is found by typing. */
export interface SettingOption {
  id: SettingId;
  group: string;
  label: string;
  words: string;
  more: string;
}

/** All settings of a moment, or of all: those to be had first, then those that the host does not offer. */
export function selectSettingOptions(state: State, listed: Moment | 'all'): SettingOption[] {
  const stations = selectStations(state);
  const settings = selectEmbed(state)?.settings ?? {};
  if (!stations) return [];
  const moments = (Object.keys(MOMENT_NAMES) as Moment[]).filter((moment) => listed === 'all' || moment === listed);
  const option =
    (group: string) =>
    (id: SettingId): SettingOption => {
      const { label, help: more } = settingOf(id);
      return { id, group, label, words: saySetting(id, settings[id]), more };
    };
  const host = selectCard(state)?.name ?? 'this host';
  return [
    ...moments.flatMap((moment) => stations[moment].offered.map(option(MOMENT_NAMES[moment].name))),
    ...moments.flatMap((moment) => stations[moment]['not offered'].map(option(`Not offered by ${host}`))),
    ...moments.flatMap((moment) => stations[moment]['not applicable'].map(option('Not for this kind'))),
  ];
}
