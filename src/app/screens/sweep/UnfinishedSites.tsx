import { useLiveQuery } from 'dexie-react-hooks';
import type { ReactElement } from 'react';
import { endUnfinished, listUnfinished, type Unfinished } from '../../storage/unfinished.ts';
import { SitesAgain } from './SitesAgain.tsx';
import { t } from '../../../messages/t.ts';

interface Props {
  /** Opens the folder of a site again. */
  open: (site: Unfinished) => void;
  disabled: boolean;
}

/** Sweeps that were broken off: each goes on where it was. */
export function UnfinishedSites({ open, disabled }: Props): ReactElement {
  return (
    <SitesAgain
      title={t('Broken off')}
      words={t('Open one of these again, and the sweep goes on where it was. Files that have changed are looked into anew.')}
      sites={useLiveQuery(listUnfinished)}
      tell={({ done, files }) => t('{done} of {files, plural, one {# file} other {# files}} looked into', { done, files })}
      action={t('Go on')}
      open={open}
      forget={endUnfinished}
      disabled={disabled}
    />
  );
}
