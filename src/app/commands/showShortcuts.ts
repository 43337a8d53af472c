import { shortcutsShown } from '../state/view.ts';
import type { Command } from './command.ts';

export const showShortcuts: Command = {
  id: 'showShortcuts',
  label: 'List the shortcuts',
  keys: '?',
  run: (store, act) => {
    if (act) store.dispatch(shortcutsShown(true));
    return true;
  },
};
