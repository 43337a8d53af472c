import { Button } from '@mui/material';
import type { ReactElement } from 'react';
import { t } from '../../messages/t.ts';

/** A screen that the server did not hand out. */
export const NotLoaded = (): ReactElement => (
  <div className="p-8" role="alert">
    <p>{t('This part of Refenestra could not be loaded, since its server does not answer. What you have made is kept.')}</p>
    <Button variant="outlined" onClick={() => location.reload()}>
      {t('Load it again')}
    </Button>
  </div>
);
