import { useLiveQuery } from 'dexie-react-hooks';
import type { ReactElement } from 'react';
import { forgetSwept, listSwept, type SweptSite } from '../../storage/sweeps.ts';
import { SitesAgain } from './SitesAgain.tsx';
import { showDay, t } from '../../../messages/t.ts';

interface Props {
  /** Opens the folder of a site again. */
  open: (site: SweptSite) => void;
  disabled: boolean;
}

/** Sites that were swept before: the next sweep of one says what is new, what came back, and what was put right. */
export function SweptSites({ open, disabled }: Props): ReactElement {
  return (
    <SitesAgain
      title={t('Swept before')}
      words={t('Open one of these again, and the sweep says what is new, what came back and what was put right.')}
      sites={useLiveQuery(listSwept)}
      tell={({ kept: { at, embeds, findings } }) =>
        t('{day}: {embeds, plural, one {# embed} other {# embeds}}, {findings, plural, one {# finding} other {# findings}}', {
          day: showDay(at),
          embeds,
          findings: findings.length,
        })
      }
      action={t('Open again')}
      open={open}
      forget={({ name }) => forgetSwept(name)}
      disabled={disabled}
    />
  );
}
