import { layOut } from '../state/layOut.ts';
import type { Command } from './command.ts';
import { t } from '../../messages/t.ts';

export const toggleCode: Command = {
  id: 'toggleCode',
  label: t('Fold or unfold the code'),
  keys: 'd',
  run: (store, act) => {
    if (act) layOut(store, { codeShown: !store.getState().view.layout.codeShown });
    return true;
  },
};
