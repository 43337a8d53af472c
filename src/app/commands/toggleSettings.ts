import { layOut } from '../state/layOut.ts';
import type { Command } from './command.ts';

export const toggleSettings: Command = {
  id: 'toggleSettings',
  label: 'Fold or unfold the settings',
  keys: 's',
  run: (store, act) => {
    if (act) layOut(store, { settingsShown: !store.getState().view.layout.settingsShown });
    return true;
  },
};
