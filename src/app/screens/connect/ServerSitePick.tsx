import { MenuItem, TextField } from '@mui/material';
import type { ReactElement } from 'react';
import { selectGiven } from '../../state/answers.ts';
import { useAppSelector } from '../../state/store.ts';
import { t } from '../../../messages/t.ts';

interface Props {
  label: string;
  /** Id of the chosen site; empty for none. */
  site: string;
  choose: (id: string) => void;
}

/** One of the sites that the server knows, or none. */
export function ServerSitePick({ label, site, choose }: Props): ReactElement {
  const { sites } = useAppSelector(selectGiven);
  return (
    <TextField
      size="small"
      select
      label={label}
      value={site}
      onChange={({ target }) => choose(target.value)}
      helperText={t('Those that the server knows')}
    >
      <MenuItem value="">{t('No site')}</MenuItem>
      {sites.map(({ id, name }) => (
        <MenuItem key={id} value={id}>
          {name}
        </MenuItem>
      ))}
    </TextField>
  );
}
