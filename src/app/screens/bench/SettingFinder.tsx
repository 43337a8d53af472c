import './settingFinder.css';
import { Autocomplete, Popover, TextField, type PopperProps } from '@mui/material';
import type { ReactElement } from 'react';
import type { Moment } from '../../../core/model/setting.ts';
import { settingOf, type SettingId } from '../../../core/known/settings/list.ts';
import { saySetting } from '../../../messages/en.ts';
import { MOMENT_NAMES } from '../../../messages/moments.ts';
import { sameData } from '../../state/sameData.ts';
import { selectCard, selectEmbed, selectStations } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector, type State } from '../../state/store.ts';
import { settingsListed, tokenOpened } from '../../state/view.ts';
import { FINDER_BUTTON } from './finderButton.ts';

interface Option {
  id: SettingId;
  group: string;
  label: string;
  words: string;
}

/** All settings of a moment, or of all: those to be had first, then those that the host does not offer. */
function selectOptions(state: State, listed: Moment | 'all'): Option[] {
  const stations = selectStations(state);
  const settings = selectEmbed(state)?.settings ?? {};
  if (!stations) return [];
  const moments = (Object.keys(MOMENT_NAMES) as Moment[]).filter((moment) => listed === 'all' || moment === listed);
  const option =
    (group: string) =>
    (id: SettingId): Option => ({
      id,
      group,
      label: settingOf(id).label,
      words: saySetting(id, settings[id]),
    });
  const host = selectCard(state)?.name ?? 'this host';
  return [
    ...moments.flatMap((moment) => stations[moment].offered.map(option(MOMENT_NAMES[moment].name))),
    ...moments.flatMap((moment) => stations[moment]['not offered'].map(option(`Not offered by ${host}`))),
    ...moments.flatMap((moment) => stations[moment]['not applicable'].map(option('Not for this kind'))),
  ];
}

/** Those of that very name, or else with it in their names, or else anywhere in what is said of them. */
function found(options: Option[], typed: string): Option[] {
  const wanted = typed.trim().toLowerCase();
  const words = wanted.split(/\s+/);
  const by = (matches: (option: Option) => boolean): Option[] => options.filter(matches);
  const ways = [
    by(({ label }) => label.toLowerCase() === wanted),
    by(({ label }) => label.toLowerCase().includes(wanted)),
    by(({ id, label, words: phrase }) =>
      words.every((word) => `${label} ${phrase} ${settingOf(id).help}`.toLowerCase().includes(word)),
    ),
  ];
  return ways.find((way) => way.length > 0) ?? [];
}

/** Every setting by its name, found by typing; choosing one opens it. */
export function SettingFinder(): ReactElement | null {
  const dispatch = useAppDispatch();
  const listed = useAppSelector((state) => state.view.listed);
  const options = useAppSelector((state) => (listed ? selectOptions(state, listed) : NONE), sameData);
  if (!listed) return null;
  return (
    <Popover
      open
      anchorEl={() => document.getElementById(FINDER_BUTTON)!}
      onClose={() => dispatch(settingsListed(null))}
      anchorOrigin={{ vertical: 'top', horizontal: 'right' }}
      transformOrigin={{ vertical: 'bottom', horizontal: 'right' }}
      slotProps={{ paper: { role: 'dialog', 'aria-label': 'Find a setting' } as object }}
    >
      <Autocomplete
        className="setting-finder"
        open
        disableClearable
        autoHighlight
        size="small"
        options={options}
        groupBy={({ group }) => group}
        getOptionKey={({ id }) => id}
        filterOptions={(all, { inputValue }) => found(all, inputValue)}
        noOptionsText="No setting is called so."
        onChange={(_, { id }) => dispatch(tokenOpened(id))}
        renderOption={({ key, ...props }, { label, words }) => (
          <li key={key} {...props}>
            <span>{label}</span>
            <small>{words}</small>
          </li>
        )}
        slots={{ popper: ListBelow }}
        renderInput={(props) => (
          <TextField
            {...props}
            autoFocus
            label={listed === 'all' ? 'Find a setting' : `Settings: ${MOMENT_NAMES[listed].name}`}
          />
        )}
      />
    </Popover>
  );
}

const NONE: Option[] = [];

/** The list stands within what was opened, not over it. */
const ListBelow = ({ children }: PopperProps): ReactElement => (
  <div className="setting-list">{typeof children === 'function' ? children({ placement: 'bottom' }) : children}</div>
);
