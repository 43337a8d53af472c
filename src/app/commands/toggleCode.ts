import { layOut } from '../state/layOut.ts';
import type { Command } from './command.ts';

export const toggleCode: Command = {
  id: 'toggleCode',
  label: 'Fold or unfold the code',
  keys: 'd',
  run: (store, act) => {
    if (act) layOut(store, { codeShown: !store.getState().view.layout.codeShown });
    return true;
  },
};
