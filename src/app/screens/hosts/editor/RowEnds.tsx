import { Button } from '@mui/material';
import type { ReactElement } from 'react';

/** The end of a row that can be removed, or of rows to which another can be added. */
export function RowEnds({ what, remove, add }: { what: string; remove?: () => void; add?: () => void }): ReactElement {
  return (
    <>
      {remove && (
        <Button aria-label={`Remove ${what}`} onClick={remove}>
          Remove
        </Button>
      )}
      {add && (
        <Button variant="outlined" onClick={add}>
          Add {what}
        </Button>
      )}
    </>
  );
}
