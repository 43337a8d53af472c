import { Button } from '@mui/material';
import { useLiveQuery } from 'dexie-react-hooks';
import type { ReactElement } from 'react';
import { forgetSwept, listSwept, type SweptSite } from '../../storage/sweeps.ts';
import { showDay, t } from '../../../messages/t.ts';

interface Props {
  /** Opens the folder of a site again. */
  open: (site: SweptSite) => void;
  disabled: boolean;
}

/** Sites that were swept before: the next sweep of one says what is new, what came back, and what was put right. */
export function SweptSites({ open, disabled }: Props): ReactElement | null {
  const sites = useLiveQuery(listSwept);
  if (!sites || sites.length === 0) return null;
  return (
    <section aria-labelledby="swept-sites">
      <h2 id="swept-sites">{t('Swept before')}</h2>
      <p className="quiet">
        {t('Open one of these again, and the sweep says what is new, what came back and what was put right.')}
      </p>
      <ul className="sweep-before">
        {sites.map((site) => (
          <li key={site.name}>
            <b>{site.name}</b>{' '}
            <span>
              {t(
                '{day}: {embeds, plural, one {# embed} other {# embeds}}, {findings, plural, one {# finding} other {# findings}}',
                {
                  day: showDay(site.kept.at),
                  embeds: site.kept.embeds,
                  findings: site.kept.findings.length,
                },
              )}
            </span>
            {site.folder && (
              <Button size="small" disabled={disabled} onClick={() => open(site)}>
                {t('Open again')}
              </Button>
            )}
            <Button size="small" onClick={() => void forgetSwept(site.name)}>
              {t('Forget')}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
