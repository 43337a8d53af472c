import { settingOf, type SettingId } from '../core/known/settings/list.ts';
import { formOf, type CodeFormId } from '../core/steps/write/forms/list.ts';
import { t } from './t.ts';

/** What the core calls a setting or a code type, in the language of the reader. */
export const labelOf = (id: SettingId): string => t(settingOf(id).label);

export const helpOf = (id: SettingId): string => t(settingOf(id).help);

export const formLabelOf = (id: CodeFormId): string => t(formOf(id).label);

export const formHelpOf = (id: CodeFormId): string => t(formOf(id).help);
