import type { ReactElement, ReactNode } from 'react';
import type { Severity } from '../../core/steps/check/finding.ts';
import { SEVERITY_WORDS } from '../../messages/severity.ts';
import { t } from '../../messages/t.ts';

interface Props {
  severity: Severity;
  words: string;
  /** What a reader learns of the check. */
  about?: string | undefined;
  /** What puts it right. */
  children?: ReactNode;
}

const LOOK = {
  error: { edge: 'border-l-brick', words: 'text-brick' },
  warning: { edge: 'border-l-amber', words: 'text-amber' },
  note: { edge: 'border-l-quiet', words: '' },
} satisfies Record<Severity, object>;

/** A thing that would go wrong, why that is so, and what puts it right. */
export const FindingRow = ({ severity, words, about, children }: Props): ReactElement => (
  <li
    className={`finding marked mb-1 grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-2 gap-y-0.5 py-1 ${LOOK[severity].edge}`}
    data-severity={severity}
  >
    <strong className={`col-span-full text-small ${LOOK[severity].words}`}>{SEVERITY_WORDS[severity]}</strong>
    <span>
      {words}
      {about !== undefined && (
        <details className="mt-0.5 text-small text-quiet">
          <summary className="w-fit cursor-pointer">{t('Why')}</summary>
          {about}
        </details>
      )}
    </span>
    {children}
  </li>
);
