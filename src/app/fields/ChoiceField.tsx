import { InputBase, NativeSelect } from '@mui/material';
import type { ReactElement } from 'react';
import { OpensSign } from '../ui/icons.tsx';
import { Field, type FieldProps } from './Field.tsx';

/** What can be chosen, in this order: the value, and its words. */
export type Options = readonly (readonly [value: string, words: string, closed?: boolean])[];

interface Props<One extends string> extends FieldProps {
  value: One;
  options: Options;
  set: (value: One) => void;
  disabled?: boolean;
  /** Whether something else than usual is chosen, which is to be seen. */
  narrows?: boolean;
}

/** One of several, by its words. */
export function ChoiceField<One extends string>({
  value,
  options,
  set,
  disabled = false,
  narrows,
  ...field
}: Props<One>): ReactElement {
  return (
    <Field {...field}>
      {({ id, ...named }) => (
        <NativeSelect
          input={<InputBase className="box" data-set={narrows} />}
          IconComponent={OpensSign}
          disabled={disabled}
          value={value}
          onChange={({ target }) => set(target.value as One)}
          inputProps={{ id, ...named }}
        >
          {options.map(([one, words, closed]) => (
            <option key={one} value={one} disabled={closed}>
              {words}
            </option>
          ))}
        </NativeSelect>
      )}
    </Field>
  );
}
