import './finder.css';
import { Autocomplete, TextField, type PopperProps } from '@mui/material';
import type { ReactElement } from 'react';
import { bestMatches, type Findable } from './bestMatches.ts';

interface Props<One extends Findable> {
  label: string;
  options: readonly One[];
  /** What is said where nothing is found. */
  nothing: string;
  choose: (one: One) => void;
}

/** A field and the list below it: what is typed narrows the list, and one of it is chosen by arrow keys and Enter. */
export function FinderBox<One extends Findable>({ label, options, nothing, choose }: Props<One>): ReactElement {
  return (
    <Autocomplete
      className="w-[min(420px,_100vw_-_64px)] px-3 pt-3 pb-0"
      open
      disableClearable
      autoHighlight
      forcePopupIcon={false}
      size="small"
      options={options}
      groupBy={({ group }) => group}
      getOptionKey={({ group, id }) => `${group} ${id}`}
      filterOptions={(all, { inputValue }) => bestMatches(all, inputValue)}
      noOptionsText={nothing}
      onChange={(_, one) => choose(one)}
      renderOption={({ key, ...props }, { label: name, words }) => (
        <li key={key} {...props}>
          <span>{name}</span>
          <small>{words}</small>
        </li>
      )}
      slots={{ popper: ListBelow }}
      renderInput={(props) => <TextField {...props} autoFocus label={label} />}
    />
  );
}

/** The list stands within what was opened, not over it. */
const ListBelow = ({ children }: PopperProps): ReactElement => (
  <div className="finder-list [&_.MuiAutocomplete-listbox]:max-h-[min(420px,_52vh)] [&_.MuiPaper-root]:border-0 [&_small]:text-right">
    {typeof children === 'function' ? children({ placement: 'bottom' }) : children}
  </div>
);
