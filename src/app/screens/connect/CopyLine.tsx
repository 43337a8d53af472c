import { Button } from '@mui/material';
import { useState, type ReactElement } from 'react';
import { copyText } from '../../copyText.ts';

/** A line of code with a button that copies it. */
export function CopyLine({ text, name }: { text: string; name: string }): ReactElement {
  const [told, setTold] = useState('');
  const copy = (): void =>
    void copyText(text).then(
      () => setTold('Copied.'),
      () => setTold('The browser does not let pages copy. Select the line, and copy it.'),
    );
  return (
    <p className="copy-line">
      <code>{text}</code>
      <Button size="small" aria-label={`Copy ${name}`} onClick={copy}>
        Copy
      </Button>
      <span role="status" className="quiet">
        {told}
      </span>
    </p>
  );
}
