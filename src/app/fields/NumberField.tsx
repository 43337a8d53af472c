import { InputBase } from '@mui/material';
import type { ReactElement } from 'react';
import { Field, type FieldProps } from './Field.tsx';

interface Props extends FieldProps {
  /** `NaN` while nothing stands there. */
  value: number;
  /** Gets `NaN` where what was typed is no number. */
  set: (value: number) => void;
  least?: number;
  most?: number;
}

/** A number, with what it counts. */
export const NumberField = ({ value, set, least, most, ...field }: Props): ReactElement => (
  <Field {...field}>
    {({ id, ...named }) => (
      <InputBase
        id={id}
        className="box"
        error={field.wrong !== undefined}
        type="number"
        value={Number.isNaN(value) ? '' : value}
        onChange={({ target }) => set((target as HTMLInputElement).valueAsNumber)}
        inputProps={{ ...named, min: least, max: most }}
      />
    )}
  </Field>
);
