import { layOut } from '../state/layOut.ts';
import type { Command } from './command.ts';
import { t } from '../../messages/t.ts';

export const toggleSettings: Command = {
  id: 'toggleSettings',
  label: t('Fold or unfold the settings'),
  keys: 's',
  run: (store, act) => {
    if (act) layOut(store, { settingsShown: !store.getState().view.layout.settingsShown });
    return true;
  },
};
