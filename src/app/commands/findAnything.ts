import { finderShown } from '../state/view.ts';
import type { Command } from './command.ts';

export const findAnything: Command = {
  id: 'findAnything',
  label: 'Find anything',
  keys: 'ctrl+k',
  whileTyping: true,
  run: (store, act) => {
    if (act) store.dispatch(finderShown(true));
    return true;
  },
};
