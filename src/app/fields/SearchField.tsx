import type { ReactElement } from 'react';
import { WordsField } from './WordsField.tsx';

interface Props {
  /** What is searched: the accessible name. */
  label: string;
  /** What may be typed; the label where nothing else is said. */
  placeholder?: string;
  value: string;
  set: (text: string) => void;
}

/** Words that narrow a list as they are typed. */
export const SearchField = ({ label, placeholder = label, value, set }: Props): ReactElement => (
  <WordsField
    type="search"
    label={label}
    labelled="hidden"
    placeholder={placeholder}
    value={value}
    set={set}
    className="search"
  />
);
