import { Button, Dialog, DialogActions, DialogContent, DialogTitle } from '@mui/material';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { COMMANDS } from '../commands/list.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';
import { writeKeys } from './writeKeys.ts';
import { shortcutsShown } from '../state/view.ts';
import { t } from '../../messages/t.ts';

export function Shortcuts(): ReactElement {
  const dispatch = useAppDispatch();
  const close = (): void => void dispatch(shortcutsShown(false));
  return (
    <Dialog open={useAppSelector((state) => state.view.shortcuts)} onClose={close} aria-labelledby="shortcuts-title">
      <DialogTitle id="shortcuts-title">{t('Shortcuts')}</DialogTitle>
      <DialogContent>
        <table>
          <tbody>
            {COMMANDS.map(({ id, label, keys }) => (
              <tr key={id}>
                <th scope="row" align="left">
                  {label}
                </th>
                <td>
                  <kbd>{writeKeys(keys)}</kbd>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <p>
          {t('Single keys work while no field has the focus. On marks and handles, arrow keys move by one, with shift by ten.')}
        </p>
      </DialogContent>
      <DialogActions>
        <Button component={Link} to="/help" onClick={close}>
          {t('All help')}
        </Button>
        <Button onClick={close}>{t('Close')}</Button>
      </DialogActions>
    </Dialog>
  );
}
