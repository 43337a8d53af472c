import { Button } from '@mui/material';
import type { ReactElement } from 'react';
import { t } from '../../../../messages/t.ts';

/** The end of a row that can be removed, or of rows to which another can be added. */
export function RowEnds({ what, remove, add }: { what: string; remove?: () => void; add?: () => void }): ReactElement {
  return (
    <>
      {remove && (
        <Button aria-label={t('Remove {what}', { what })} onClick={remove}>
          {t('Remove')}
        </Button>
      )}
      {add && (
        <Button variant="outlined" onClick={add}>
          {t('Add {what}', { what })}
        </Button>
      )}
    </>
  );
}
