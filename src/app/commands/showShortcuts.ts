import { shortcutsShown } from '../state/view.ts';
import type { Command } from './command.ts';
import { t } from '../../messages/t.ts';

export const showShortcuts: Command = {
  id: 'showShortcuts',
  label: t('List the shortcuts'),
  keys: '?',
  run: (store, act) => {
    if (act) store.dispatch(shortcutsShown(true));
    return true;
  },
};
