import { Button } from '@mui/material';
import { useLiveQuery } from 'dexie-react-hooks';
import type { ReactElement } from 'react';
import { count } from '../../../messages/sweep.ts';
import { findWritten, forgetWritten } from '../../storage/sweeps.ts';
import { takeBack } from '../../sweep/folder.ts';

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
      `${count(written, 'file')} ${written === 1 ? 'is' : 'are'} as before.${missed.length > 0 ? ` Left, since changed or not written: ${missed.slice(0, 5).join(', ')}${missed.length > 5 ? ' and others' : ''}.` : ''}`,
    );
  };
  return (
    <p className="sweep-last">
      Last written: {count(last.files.length, 'file')} in “{last.folder.name || 'the folder'}”.{' '}
      <Button onClick={() => void undo()}>Take it back</Button>
      <Button onClick={() => void forgetWritten()}>Keep it so</Button>
    </p>
  );
}
