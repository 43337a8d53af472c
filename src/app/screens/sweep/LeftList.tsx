import type { ReactElement } from 'react';
import type { SweptFile } from '../../../core/many/sweep/found.ts';
import { sayLeft } from '../../../messages/sweep.ts';
import { t } from '../../../messages/t.ts';

/** As many are listed; the report has all of them. */
const MOST = 500;

/** What is not touched, and why. */
export function LeftList({ swept }: { swept: readonly SweptFile[] }): ReactElement {
  const left = swept.flatMap((file) => file.left);
  if (left.length === 0) return <p className="quiet">{t('Nothing had to be left as it is.')}</p>;
  return (
    <ul className="sweep-left">
      {left.slice(0, MOST).map(({ file, line, why }, i) => (
        <li key={i}>
          <span className="sweep-file">
            {file}:{line}
          </span>{' '}
          {sayLeft(why)}
        </li>
      ))}
      {left.length > MOST && <li>{t('and {count} more, which the report lists.', { count: left.length - MOST })}</li>}
    </ul>
  );
}
