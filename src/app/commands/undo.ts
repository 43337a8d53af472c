import { undone } from '../state/bench.ts';
import type { Command } from './command.ts';
import { t } from '../../messages/t.ts';

export const undo: Command = {
  id: 'undo',
  label: t('Undo'),
  keys: 'ctrl+z',
  run: (store, act) => {
    const can = store.getState().bench.past.length > 0;
    if (can && act) store.dispatch(undone());
    return can;
  },
};
