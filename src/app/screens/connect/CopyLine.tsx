import { Button } from '@mui/material';
import { useState, type ReactElement } from 'react';
import { copyText } from '../../copyText.ts';
import { t } from '../../../messages/t.ts';

/** A line of code with a button that copies it. */
export function CopyLine({ text, name }: { text: string; name: string }): ReactElement {
  const [told, setTold] = useState('');
  const copy = (): void =>
    void copyText(text).then(
      () => setTold(t('Copied.')),
      () => setTold(t('The browser does not let pages copy. Select the line, and copy it.')),
    );
  return (
    <p className="copy-line col-span-full flex max-w-none flex-wrap items-center gap-x-3 gap-y-1">
      <code>{text}</code>
      <Button size="small" aria-label={t('Copy {name}', { name })} onClick={copy}>
        {t('Copy')}
      </Button>
      <span role="status" className="text-quiet">
        {told}
      </span>
    </p>
  );
}
