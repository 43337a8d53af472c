import { chooseLanguage } from '../chosenLanguage.ts';
import type { Command } from './command.ts';
import { language, LANGUAGES, type Language } from '../../messages/language.ts';
import { t } from '../../messages/t.ts';

const all = Object.keys(LANGUAGES) as Language[];
const next = all[(all.indexOf(language()) + 1) % all.length]!;

/** The name of the language that it switches to, in that language. */
export const OTHER_LANGUAGE = LANGUAGES[next];

export const switchLanguage: Command = {
  id: 'switchLanguage',
  label: t('Change the language to {language}', { language: OTHER_LANGUAGE }),
  keys: 'shift+l',
  run: (_store, act) => {
    if (act) chooseLanguage(next);
    return true;
  },
};
