import { selectEmbed } from '../state/selectors.ts';
import { settingsListed } from '../state/view.ts';
import type { Command } from './command.ts';

export const findSetting: Command = {
  id: 'findSetting',
  label: 'Find a setting',
  keys: 'f',
  run: (store, act) => {
    const there = selectEmbed(store.getState()) !== null;
    if (there && act) store.dispatch(settingsListed('all'));
    return there;
  },
};
