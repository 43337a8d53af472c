import { savePreference } from '../storage/database.ts';
import { storageFound, themeChosen } from '../state/view.ts';
import type { Command } from './command.ts';
import { t } from '../../messages/t.ts';

export const switchTheme: Command = {
  id: 'switchTheme',
  label: t('Light or dark theme'),
  keys: 't',
  run: (store, act) => {
    if (act) {
      const theme = store.getState().view.theme === 'day' ? 'night' : 'day';
      store.dispatch(themeChosen(theme));
      savePreference('theme', theme).catch(() => store.dispatch(storageFound('missing')));
    }
    return true;
  },
};
