import { finderShown } from '../state/view.ts';
import type { Command } from './command.ts';
import { t } from '../../messages/t.ts';

export const findAnything: Command = {
  id: 'findAnything',
  label: t('Find anything'),
  keys: 'ctrl+k',
  whileTyping: true,
  run: (store, act) => {
    if (act) store.dispatch(finderShown(true));
    return true;
  },
};
