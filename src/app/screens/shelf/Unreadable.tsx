import { Button } from '@mui/material';
import type { ReactElement } from 'react';
import { removeUnreadable } from '../../storage/embeds.ts';
import { saveFile } from '../../ui/files.ts';

/** What is kept and cannot be read: told, saved as it is, or taken off. */
export function Unreadable({ rows, all }: { rows: readonly unknown[]; all: number }): ReactElement | null {
  if (rows.length === 0) return null;
  return (
    <p className="shelf-unreadable" role="alert">
      {rows.length} of {all} {all === 1 ? 'embed' : 'embeds'} cannot be read. {rows.length === 1 ? 'It is' : 'They are'} kept as{' '}
      {rows.length === 1 ? 'it is' : 'they are'}, and in no bundle.{' '}
      <Button size="small" onClick={() => saveFile('refenestra-unreadable.json', JSON.stringify(rows, null, 2))}>
        Save as a file
      </Button>
      <Button size="small" onClick={() => void removeUnreadable()}>
        Remove for good
      </Button>
    </p>
  );
}
