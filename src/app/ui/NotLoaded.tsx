import { Button } from '@mui/material';
import type { ReactElement } from 'react';

/** A screen that the server did not hand out. */
export const NotLoaded = (): ReactElement => (
  <div className="not-loaded" role="alert">
    <p>This part of Refenestra could not be loaded, since its server does not answer. What you have made is kept.</p>
    <Button variant="outlined" onClick={() => location.reload()}>
      Load it again
    </Button>
  </div>
);
