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
  <li
    className="finding grid grid-cols-[minmax(0,1fr)_auto] gap-y-0.5 gap-x-2 items-center pt-1 pr-0 pb-1 pl-2 mb-1 border-l-3 border-l-quiet data-[severity=error]:border-l-brick data-[severity=warning]:border-l-amber"
    data-severity={severity}
  >
    <strong>{SEVERITY_WORDS[severity]}</strong>
    <span>
      {words}
      <details className="why mt-0.5 text-quiet text-small [&_summary]:w-[fit-content] [&_summary]:cursor-pointer">
        <summary>{t('Why')}</summary>
        {about}
      </details>
    </span>
    {children}
  </li>
);
