import { Checkbox, FormControlLabel } from '@mui/material';
import type { ReactElement, ReactNode } from 'react';
import { TickSign, UntickedSign } from '../ui/icons.tsx';

interface Props {
  /** Said beside it. */
  label: ReactNode;
  on: boolean;
  set: (on: boolean) => void;
  disabled?: boolean;
  title?: string;
}

/** Yes or no. */
export const Tick = ({ label, on, set, disabled = false, title }: Props): ReactElement => (
  <FormControlLabel
    className="tick"
    disableTypography
    label={label}
    title={title}
    disabled={disabled}
    control={<TickBox on={on} set={set} />}
  />
);

interface BoxProps {
  on: boolean;
  set: (on: boolean) => void;
  /** Its accessible name, where no label stands beside it. */
  name?: string;
}

/** The box alone, in rows whose other parts say what it is of. */
export const TickBox = ({ on, set, name, ...given }: BoxProps): ReactElement => (
  <Checkbox
    {...given}
    icon={<UntickedSign />}
    checkedIcon={<TickSign />}
    checked={on}
    onChange={(_, now) => set(now)}
    slotProps={{ input: { 'aria-label': name } }}
  />
);
