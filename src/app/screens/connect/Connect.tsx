import './connect.css';
import { TextField } from '@mui/material';
import { useState, type ReactElement } from 'react';
import { AskPart } from './AskPart.tsx';
import { BrowserPart } from './BrowserPart.tsx';
import { EditorPart } from './EditorPart.tsx';
import { JobsPart } from './JobsPart.tsx';
import { t } from '../../../messages/t.ts';
import { rich } from '../../ui/rich.tsx';

/** How other programs get codes from here: the browser, page editors, scripts, and jobs for what takes long. */
export function Connect(): ReactElement {
  const [key, setKey] = useState('');
  return (
    <div className="connect max-w-[1180px] px-4 pt-3 pb-12 [&_p]:m-0 [&_p]:mb-2.5 [&_p:not(.copy-line)]:max-w-[720px] [&_section]:mt-6">
      <h1>{t('Connect')}</h1>
      <p className="text-quiet">
        {t('Right embeds where you write: from your browser, from a page editor, from a program of your own.')}
      </p>
      <BrowserPart />
      <EditorPart />
      <section aria-labelledby="connect-programs">
        <h2 id="connect-programs">{t('From a program')}</h2>
        <p>
          {rich(
            'What the command line makes, over HTTP. <a>The description (OpenAPI 3.1)</a> is for programs that write programs.',
            {
              a: (inside) => <a href="/api/openapi.json">{inside}</a>,
            },
          )}
        </p>
        <TextField
          size="small"
          label={t('Key')}
          value={key}
          onChange={({ target }) => setKey(target.value)}
          autoComplete="off"
          helperText={t('Only where the server asks for one; it is kept until you leave this screen.')}
        />
        <AskPart accessKey={key} />
      </section>
      <JobsPart accessKey={key} />
    </div>
  );
}
