import { InputBase, type InputBaseProps } from '@mui/material';
import type { ReactElement } from 'react';
import { Field, type FieldProps } from './Field.tsx';

/** Attributes and events of the HTML element: `maxLength`, `required`, `onPaste` and the like. */
export type Control = NonNullable<InputBaseProps['inputProps']>;

interface Props extends FieldProps {
  value: string | number;
  /** Gets the element after each change. */
  take: (target: HTMLInputElement) => void;
  type?: 'text' | 'search' | 'url' | 'number' | 'date';
  /** Rows of a text of several lines. */
  lines?: number | undefined;
  placeholder?: string | undefined;
  control?: Control | undefined;
}

/** A box in which something is typed. */
export const BoxField = ({ value, take, type = 'text', lines, placeholder, control, ...field }: Props): ReactElement => (
  <Field {...field}>
    {({ id, ...named }) => (
      <InputBase
        id={id}
        className="box"
        error={field.wrong !== undefined}
        value={value}
        placeholder={placeholder}
        onChange={({ target }) => take(target as HTMLInputElement)}
        {...(lines === undefined ? { type } : { inputComponent: 'textarea' })}
        inputProps={{ ...named, ...control, ...(lines !== undefined && { rows: lines }) }}
      />
    )}
  </Field>
);
