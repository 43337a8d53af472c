import { InputBase } from '@mui/material';
import type { ReactElement } from 'react';
import { Field, type FieldProps } from './Field.tsx';

interface Props extends FieldProps {
  /** `2027-01-11`, or nothing. */
  value: string;
  set: (day: string) => void;
}

/** The last day that is written with ten signs (RFC 3339, section 5.6). */
const LAST = '9999-12-31';

/** A day. One that is no day, or beyond the last, is not taken. */
export const DateField = ({ value, set, ...field }: Props): ReactElement => (
  <Field {...field}>
    {({ id, ...named }) => (
      <InputBase
        id={id}
        className="box"
        type="date"
        value={value}
        onChange={({ target }) => target.validity.valid && set(target.value)}
        inputProps={{ ...named, max: LAST }}
      />
    )}
  </Field>
);
