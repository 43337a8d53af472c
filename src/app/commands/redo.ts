import { redone } from '../state/bench.ts';
import type { Command } from './command.ts';
import { t } from '../../messages/t.ts';

export const redo: Command = {
  id: 'redo',
  label: t('Redo'),
  keys: 'ctrl+shift+z',
  run: (store, act) => {
    const can = store.getState().bench.future.length > 0;
    if (can && act) store.dispatch(redone());
    return can;
  },
};
