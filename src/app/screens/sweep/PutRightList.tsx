import type { ReactElement } from 'react';
import type { FoundAt } from '../../../core/many/sweep/again.ts';
import { HOLDS } from '../../../messages/sweepChecks.ts';
import { t } from '../../../messages/t.ts';
import { SomeOf } from './SomeOf.tsx';

/** What the sweep before found, and this one no longer. */
export const PutRightList = ({ putRight }: { putRight: readonly FoundAt[] }): ReactElement => (
  <SomeOf rows={putRight} none={t('Nothing of what was found then is put right.')}>
    {({ file, item, code }) => (
      <>
        <span className="type-code wrap-anywhere">{file}</span> {item.replace(/^https?:\/\//, '')}: {HOLDS.get(code) ?? code}
      </>
    )}
  </SomeOf>
);
