import type { ReactElement } from 'react';
import { BoxField } from './BoxField.tsx';
import type { FieldProps } from './Field.tsx';

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
  <BoxField
    {...field}
    type="number"
    value={Number.isNaN(value) ? '' : value}
    take={({ valueAsNumber }) => set(valueAsNumber)}
    control={{ min: least, max: most }}
  />
);
