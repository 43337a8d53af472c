import { undone } from '../state/bench.ts';
import type { Command } from './command.ts';

export const undo: Command = {
  id: 'undo',
  label: 'Undo',
  keys: 'ctrl+z',
  run: (store, act) => {
    const can = store.getState().bench.past.length > 0;
    if (can && act) store.dispatch(undone());
    return can;
  },
};
