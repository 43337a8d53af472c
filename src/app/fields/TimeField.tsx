import { useState, type ReactElement } from 'react';
import { parseTime, showTime } from '../../core/model/time.ts';
import { t } from '../../messages/t.ts';
import type { FieldProps } from './Field.tsx';
import { WordsField } from './WordsField.tsx';

interface Props extends Omit<FieldProps, 'wrong'> {
  /** Seconds. */
  value: number | undefined;
  set: (seconds: number | undefined) => void;
  placeholder?: string;
}

/** A time as `42` or `1:12`; what is none is told, and not taken. What was typed stands there until the field is left. */
export function TimeField({ value, set, ...field }: Props): ReactElement {
  const [draft, setDraft] = useState<string | null>(null);
  const text = draft ?? (value === undefined ? '' : showTime(value));
  const read = (typed: string): number | undefined => parseTime(typed.trim());
  return (
    <WordsField
      {...field}
      value={text}
      wrong={text.trim() !== '' && read(text) === undefined ? t('a time such as 42 or 1:12') : undefined}
      set={(typed) => {
        setDraft(typed);
        if (typed.trim() === '' || read(typed) !== undefined) set(read(typed));
      }}
      control={{ onBlur: () => setDraft(null) }}
    />
  );
}
