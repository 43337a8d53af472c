import './finding.css';
import type { ReactElement, ReactNode } from 'react';
import type { Severity } from '../../core/steps/check/finding.ts';
import { SEVERITY_WORDS } from '../../messages/severity.ts';
import { t } from '../../messages/t.ts';

interface Props {
  severity: Severity;
  words: string;
  /** What a reader learns of the check. */
  about: string | undefined;
  /** What puts it right. */
  children: ReactNode;
}

/** A thing that would go wrong, why that is so, and what puts it right. */
export const FindingRow = ({ severity, words, about, children }: Props): ReactElement => (
  <li className="finding" data-severity={severity}>
    <strong>{SEVERITY_WORDS[severity]}</strong>
    <span>
      {words}
      <details className="why">
        <summary>{t('Why')}</summary>
        {about}
      </details>
    </span>
    {children}
  </li>
);
