import { SETTINGS } from '../core/known/settings/list.ts';
import { CHECKS } from '../core/steps/check/checks/list.ts';
import { FORMS } from '../core/steps/write/forms/list.ts';
import { formHelpOf, formLabelOf, helpOf, labelOf } from './labels.ts';
import { MOMENT_NAMES } from './moments.ts';
import { SEVERITY_WORDS } from './severity.ts';
import { t } from './t.ts';

/** One thing that is explained. */
export interface HelpEntry {
  id: string;
  label: string;
  words: string;
  /** Where it belongs, or how much it counts. */
  mark: string;
}

/** What is explained of one kind of things, in their order. */
export interface HelpPart {
  id: 'settings' | 'checks' | 'forms';
  name: string;
  /** What such things are. */
  about: string;
  entries: readonly HelpEntry[];
}

/** What every setting, check and code type is, by the same words as elsewhere. */
export const helpParts = (): HelpPart[] => [
  {
    id: 'settings',
    name: t('Settings'),
    about: t('What you can ask for an embed. Each host offers some of them; the Bench shows which.'),
    entries: SETTINGS.map(({ id, moment }) => ({
      id,
      label: labelOf(id),
      words: helpOf(id),
      mark: MOMENT_NAMES[moment].name,
    })),
  },
  {
    id: 'checks',
    name: t('Checks'),
    about: t('What is checked before a code is copied, and why it matters.'),
    entries: CHECKS.map(({ id, holds, about, severity }) => ({
      id,
      label: t(holds),
      words: t(about),
      mark: SEVERITY_WORDS[severity],
    })),
  },
  {
    id: 'forms',
    name: t('Code types'),
    about: t('The shapes in which a code can be copied, for different editors.'),
    entries: FORMS.map(({ id }) => ({ id, label: formLabelOf(id), words: formHelpOf(id), mark: '' })),
  },
];
