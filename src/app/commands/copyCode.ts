import { kept } from '../state/bench.ts';
import { copyText } from '../copyText.ts';
import { selectEmbed, selectWork } from '../state/selectors.ts';
import { codeCopied, copyConfirmed } from '../state/view.ts';
import type { Command } from './command.ts';
import { t } from '../../messages/t.ts';

/** How long the button says that it was done, in milliseconds. */
const CONFIRMED = 2500;

export const copyCode: Command = {
  id: 'copyCode',
  label: t('Copy the code'),
  keys: 'c',
  run: (store, act) => {
    const embed = selectEmbed(store.getState());
    const work = selectWork(store.getState());
    const code = embed?.code.text ?? '';
    if (embed && act)
      void copyText(code)
        .then(() => {
          store.dispatch(kept({ code, work }));
          store.dispatch(codeCopied(code));
          store.dispatch(copyConfirmed('yes'));
        })
        .catch(() => store.dispatch(copyConfirmed('failed')))
        .finally(() => setTimeout(() => store.dispatch(copyConfirmed('no')), CONFIRMED));
    return embed !== null;
  },
};
