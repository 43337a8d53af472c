import { TextField } from '@mui/material';
import { useState, type FocusEvent, type ReactElement } from 'react';
import { colourOf } from '../../../core/model/contrast.ts';
import { parseValue, writeValue } from '../../../core/model/values.ts';
import { labelOf } from '../../../messages/labels.ts';
import { settingOf } from '../../../core/known/settings/list.ts';
import { sayWrongValue } from '../../../messages/settings.ts';
import { VALUE_FORM, type ValueFieldProps } from './valueFieldProps.ts';

interface Props extends ValueFieldProps {
  /** In the place of the setting's own. */
  label?: string;
  /** Whether the keyboard is there at once. */
  first?: boolean;
}

/** A value that is typed; what does not fit is told, and not taken. */
export function TextValueField({ id, value, set, close, label, first = true }: Props): ReactElement {
  const { value: type } = settingOf(id);
  const written = value === undefined ? '' : writeValue(type, value);
  const [text, setText] = useState(written);
  const [seen, setSeen] = useState(value);
  const read = text.trim() === '' ? undefined : parseValue(type, (type.type === 'colour' && colourOf(text)) || text);
  // The value was changed elsewhere, by an offer or by undo.
  if (seen !== value) {
    setSeen(value);
    if (read !== value) setText(written);
  }
  const wrong = text.trim() !== '' && read === undefined;
  const take = (): void => {
    if (read !== undefined && read !== value) set(read);
  };
  // Whoever goes on somewhere else has done here; another window is not somewhere else.
  const onBlur = ({ currentTarget, relatedTarget }: FocusEvent): void => {
    if (document.hasFocus() && !currentTarget.closest('[role="dialog"]')?.contains(relatedTarget)) take();
  };
  return (
    <form
      id={VALUE_FORM}
      onBlur={onBlur}
      onSubmit={(event) => {
        event.preventDefault();
        if (wrong) return;
        take();
        close();
      }}
    >
      <TextField
        size="small"
        autoFocus={first}
        fullWidth
        multiline={type.type === 'text' && type.longest > 300}
        maxRows={8}
        label={label ?? labelOf(id)}
        value={text}
        error={wrong}
        helperText={wrong ? sayWrongValue(id, text) : ' '}
        onChange={(event) => setText(event.target.value)}
      />
    </form>
  );
}
