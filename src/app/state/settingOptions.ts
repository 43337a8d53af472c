import type { SettingId } from '../../core/known/settings/list.ts';
import type { Moment } from '../../core/model/setting.ts';
import { saySetting } from '../../messages/settings.ts';
import { MOMENT_NAMES } from '../../messages/moments.ts';
import { selectCard, selectEmbed, selectStations } from './selectors.ts';
import type { State } from './store.ts';
import { t } from '../../messages/t.ts';
import { labelOf, helpOf } from '../../messages/labels.ts';

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
      return { id, group, label: labelOf(id), words: saySetting(id, settings[id]), more: helpOf(id) };
    };
  const host = selectCard(state)?.name ?? t('this host');
  return [
    ...moments.flatMap((moment) => stations[moment].offered.map(option(MOMENT_NAMES[moment].name))),
    ...moments.flatMap((moment) => stations[moment]['not offered'].map(option(t('Not offered by {host}', { host })))),
    ...moments.flatMap((moment) => stations[moment]['not applicable'].map(option(t('Not for this kind')))),
  ];
}
