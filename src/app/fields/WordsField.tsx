import { InputBase, type InputBaseProps } from '@mui/material';
import type { ReactElement } from 'react';
import { Field, type FieldProps } from './Field.tsx';

type Control = NonNullable<InputBaseProps['inputProps']>;

interface Props extends FieldProps {
  value: string;
  set?: ((text: string) => void) | undefined;
  /** `search` and `url` have keyboards of their own on phones. */
  type?: 'text' | 'search' | 'url';
  /** Rows of a text of several lines. */
  lines?: number;
  placeholder?: string | undefined;
  /** Of the HTML element: `maxLength`, `required`, `onPaste` and the like. */
  control?: Control;
}

/** A text that is typed, of one line or of several. Spelling is not checked: most are addresses, names and codes. */
export const WordsField = ({ value, set, type = 'text', lines, placeholder, control, ...field }: Props): ReactElement => (
  <Field {...field}>
    {({ id, ...named }) => (
      <InputBase
        id={id}
        className="box"
        error={field.wrong !== undefined}
        value={value}
        placeholder={placeholder}
        onChange={({ target }) => set?.(target.value)}
        {...(lines === undefined ? { type } : { inputComponent: 'textarea' })}
        inputProps={{ spellCheck: false, ...named, ...control, ...(lines !== undefined && { rows: lines }) }}
      />
    )}
  </Field>
);
