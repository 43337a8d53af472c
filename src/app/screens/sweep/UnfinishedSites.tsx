import { Button } from '@mui/material';
import { useLiveQuery } from 'dexie-react-hooks';
import type { ReactElement } from 'react';
import { endUnfinished, listUnfinished, type Unfinished } from '../../storage/unfinished.ts';
import { t } from '../../../messages/t.ts';

interface Props {
  /** Opens the folder of a site again. */
  open: (site: Unfinished) => void;
  disabled: boolean;
}

/** Sweeps that were broken off: each goes on where it was. */
export function UnfinishedSites({ open, disabled }: Props): ReactElement | null {
  const sites = useLiveQuery(listUnfinished);
  if (!sites || sites.length === 0) return null;
  return (
    <section aria-labelledby="unfinished-sites">
      <h2 id="unfinished-sites">{t('Broken off')}</h2>
      <p className="quiet">
        {t('Open one of these again, and the sweep goes on where it was. Files that have changed are looked into anew.')}
      </p>
      <ul className="sweep-before">
        {sites.map((site) => (
          <li key={site.name}>
            <b>{site.name}</b>{' '}
            <span>
              {t('{done} of {files, plural, one {# file} other {# files}} looked into', { done: site.done, files: site.files })}
            </span>
            {site.folder && (
              <Button size="small" disabled={disabled} onClick={() => open(site)}>
                {t('Go on')}
              </Button>
            )}
            <Button size="small" onClick={() => void endUnfinished(site.name)}>
              {t('Forget')}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
