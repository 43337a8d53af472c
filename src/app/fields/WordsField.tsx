import type { ReactElement } from 'react';
import { BoxField, type Control } from './BoxField.tsx';
import type { FieldProps } from './Field.tsx';

interface Props extends FieldProps {
  value: string;
  set: (text: string) => void;
  /** `search` and `url` have keyboards of their own on phones. */
  type?: 'text' | 'search' | 'url';
  /** Rows of a text of several lines. */
  lines?: number;
  placeholder?: string | undefined;
  control?: Control;
}

/** A text that is typed, of one line or of several. Spelling is not checked: most are addresses, names and codes. */
export const WordsField = ({ set, control, ...field }: Props): ReactElement => (
  <BoxField {...field} take={({ value }) => set(value)} control={{ spellCheck: false, ...control }} />
);
