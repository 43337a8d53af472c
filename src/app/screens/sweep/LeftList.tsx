import type { ReactElement } from 'react';
import type { SweptFile } from '../../../core/many/sweep/found.ts';
import { sayLeft } from '../../../messages/sweep.ts';
import { t } from '../../../messages/t.ts';
import { SomeOf } from './SomeOf.tsx';

/** What is not touched, and why. */
export const LeftList = ({ swept }: { swept: readonly SweptFile[] }): ReactElement => (
  <SomeOf rows={swept.flatMap((file) => file.left)} none={t('Nothing had to be left as it is.')}>
    {({ file, line, why }) => (
      <>
        <span className="type-code wrap-anywhere">
          {file}:{line}
        </span>{' '}
        {sayLeft(why)}
      </>
    )}
  </SomeOf>
);
