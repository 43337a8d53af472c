import { useId, type ReactElement, type ReactNode } from 'react';

/** What every field of the kit takes, whatever its value. */
export interface FieldProps {
  label: ReactNode;
  /** The accessible name, where the label alone does not say which field it is. */
  name?: string | undefined;
  /** Where the label stands; `hidden` needs a name or a label that is a text. */
  labelled?: 'beside' | 'above' | 'hidden';
  /** Why the value cannot be taken. */
  wrong?: string | undefined;
  /** What is counted: `px`. */
  unit?: string | undefined;
  className?: string | undefined;
}

/** What the control itself gets, so that it is known by its label and says what is wrong. */
export interface Named {
  id: string;
  'aria-label'?: string;
  'aria-invalid'?: true;
  'aria-describedby'?: string;
}

interface Props extends FieldProps {
  children: (named: Named) => ReactElement;
}

/** A control with its label, its unit and what is wrong with its value. */
export function Field({ label, name, labelled = 'beside', wrong, unit, className, children }: Props): ReactElement {
  const id = useId();
  const heard = name ?? (labelled === 'hidden' && typeof label === 'string' ? label : undefined);
  const told = `${id}told`;
  return (
    <div className={className ? `field ${className}` : 'field'} data-label={labelled}>
      {labelled !== 'hidden' && <label htmlFor={id}>{label}</label>}
      {children({
        id,
        ...(heard !== undefined && { 'aria-label': heard }),
        ...(wrong !== undefined && { 'aria-invalid': true, 'aria-describedby': told }),
      })}
      {unit !== undefined && <small>{unit}</small>}
      {wrong !== undefined && wrong !== '' && (
        <small id={told} className="wrong">
          {wrong}
        </small>
      )}
    </div>
  );
}
