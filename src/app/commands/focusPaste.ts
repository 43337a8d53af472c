import type { Command } from './command.ts';
import { t } from '../../messages/t.ts';

export const focusPaste: Command = {
  id: 'focusPaste',
  label: t('Go to the paste line'),
  keys: 'p',
  run: (_, act) => {
    const line = document.querySelector<HTMLElement>('[data-paste-line]');
    if (line && act) line.focus();
    return line !== null;
  },
};
