import type { SettingValue } from '../../../core/model/values.ts';
import type { SettingId } from '../../../core/known/settings/list.ts';

/** What every control of a setting's value is given. */
export interface ValueFieldProps {
  id: SettingId;
  value: SettingValue | undefined;
  set: (value: SettingValue) => void;
  close: () => void;
}

/** The form of a typed value; the editor's last button submits it. */
export const VALUE_FORM = 'value-form';
