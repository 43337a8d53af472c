import { Button, Snackbar } from '@mui/material';
import type { ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { useAppDispatch, useAppSelector } from '../state/store.ts';
import { removedLately, storageFound } from '../state/view.ts';
import { putBack } from '../storage/removed.ts';
import { t } from '../../messages/t.ts';

/** Milliseconds for which the way back stands there; whoever points at it has more. */
const LONG = 20_000;

/** What was removed last, with the way back. */
export function RemovedBar(): ReactElement | null {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const removed = useAppSelector((state) => state.view.removed);
  if (!removed) return null;
  const forget = (): void => void dispatch(removedLately(null));
  const undo = (): void => {
    forget();
    putBack(removed.rows).then(
      () => navigate(removed.path),
      () => dispatch(storageFound('missing')),
    );
  };
  return (
    <Snackbar
      key={removed.path}
      open
      autoHideDuration={LONG}
      onClose={(_, why) => why !== 'clickaway' && forget()}
      message={t('“{name}” is removed.', { name: removed.name })}
      action={
        <Button size="small" color="inherit" onClick={undo}>
          {t('Undo')}
        </Button>
      }
      // Above the screens' own bar, which is at the bottom on a phone.
      sx={{ bottom: { xs: 72, md: 24 } }}
    />
  );
}
