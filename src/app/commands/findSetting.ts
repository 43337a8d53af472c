import { selectEmbed } from '../state/selectors.ts';
import { settingsListed } from '../state/view.ts';
import type { Command } from './command.ts';
import { t } from '../../messages/t.ts';

export const findSetting: Command = {
  id: 'findSetting',
  label: t('Find a setting'),
  keys: 'f',
  run: (store, act) => {
    const there = selectEmbed(store.getState()) !== null;
    if (there && act) store.dispatch(settingsListed('all'));
    return there;
  },
};
