import type { ReactElement } from 'react';
import { BoxField } from './BoxField.tsx';
import type { FieldProps } from './Field.tsx';

interface Props extends FieldProps {
  /** `2027-01-11`, or nothing. */
  value: string;
  set: (day: string) => void;
}

/** The last day that is written with ten signs (RFC 3339, section 5.6). */
const LAST = '9999-12-31';

/** A day. One that is no day, or beyond the last, is not taken. */
export const DateField = ({ set, ...field }: Props): ReactElement => (
  <BoxField {...field} type="date" take={({ value, validity }) => validity.valid && set(value)} control={{ max: LAST }} />
);
