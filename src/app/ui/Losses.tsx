import type { ReactElement } from 'react';
import { severityOf, type Loss } from '../../core/proof/published/loss.ts';
import { sayLoss } from '../../messages/published.ts';
import { FindingRow } from './FindingRow.tsx';
import { t } from '../../messages/t.ts';

/** What a site took out of a code, or changed in it. */
export const Losses = ({ losses }: { losses: readonly Loss[] }): ReactElement =>
  losses.length === 0 ? (
    <h3>{t('Everything is there, as it was given.')}</h3>
  ) : (
    <>
      <h3>
        {t('{count, plural, one {One thing is not as it was given} other {# things are not as they were given}}', {
          count: losses.length,
        })}
      </h3>
      <ul className="losses">
        {losses.map((loss, i) => (
          <FindingRow key={i} severity={severityOf(loss)} words={sayLoss(loss)} />
        ))}
      </ul>
    </>
  );
