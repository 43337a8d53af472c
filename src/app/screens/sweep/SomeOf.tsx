import type { ReactElement, ReactNode } from 'react';
import { t } from '../../../messages/t.ts';

/** As many are listed; the report has all of them. */
const MOST = 500;

interface Props<Row> {
  rows: readonly Row[];
  /** What is said where there is none. */
  none: string;
  children: (row: Row) => ReactNode;
}

/** A plain list, the first rows of it. */
export function SomeOf<Row>({ rows, none, children }: Props<Row>): ReactElement {
  if (rows.length === 0) return <p className="text-quiet">{none}</p>;
  return (
    <ul className="rows px-3 py-2 *:border-b *:border-hair *:py-1.5">
      {rows.slice(0, MOST).map((row, i) => (
        <li key={i}>{children(row)}</li>
      ))}
      {rows.length > MOST && <li>{t('and {count} more, which the report lists.', { count: rows.length - MOST })}</li>}
    </ul>
  );
}
