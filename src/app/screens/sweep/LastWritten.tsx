import { Button } from '@mui/material';
import { useLiveQuery } from 'dexie-react-hooks';
import type { ReactElement } from 'react';
import { findWritten, forgetWritten } from '../../storage/sweeps.ts';
import { takeBack } from '../../sweep/folder.ts';
import { t } from '../../../messages/t.ts';

interface Props {
  say: (said: string) => void;
}

/** What was last written into a folder, and the way back; it is there also after a tab was closed in the middle of it. */
export function LastWritten({ say }: Props): ReactElement | null {
  const last = useLiveQuery(findWritten);
  if (!last) return null;
  const undo = async (): Promise<void> => {
    const { written, missed } = await takeBack(last);
    say(
      [
        t('{written, plural, one {# file is as before.} other {# files are as before.}}', { written }),
        ...(missed.length > 0
          ? [
              t('Left, since changed or not written: {files}.', {
                files: missed.slice(0, 5).join(', ') + (missed.length > 5 ? ' …' : ''),
              }),
            ]
          : []),
      ].join(' '),
    );
  };
  return (
    <p>
      {t('Last written: {files, plural, one {# file} other {# files}} in “{folder}”.', {
        files: last.files.length,
        folder: last.folder.name || t('the folder'),
      })}{' '}
      <Button onClick={() => void undo()}>{t('Take it back')}</Button>
      <Button onClick={() => void forgetWritten()}>{t('Keep it so')}</Button>
    </p>
  );
}
