import { Button } from '@mui/material';
import type { ReactElement } from 'react';
import { removeUnreadable } from '../../storage/embeds.ts';
import { saveFile } from '../../ui/files.ts';
import { t } from '../../../messages/t.ts';

/** What is kept and cannot be read: told, saved as it is, or taken off. */
export function Unreadable({ rows, all }: { rows: readonly unknown[]; all: number }): ReactElement | null {
  if (rows.length === 0) return null;
  return (
    <p role="alert">
      {t(
        '{count} of {all, plural, one {# embed} other {# embeds}} cannot be read. {count, plural, one {It is kept as it is} other {They are kept as they are}}, and in no backup.',
        { count: rows.length, all },
      )}{' '}
      <Button size="small" onClick={() => saveFile('refenestra-unreadable.json', JSON.stringify(rows, null, 2))}>
        {t('Save as a file')}
      </Button>
      <Button size="small" onClick={() => void removeUnreadable()}>
        {t('Remove for good')}
      </Button>
    </p>
  );
}
