import './connect.css';
import { TextField } from '@mui/material';
import { useState, type ReactElement } from 'react';
import { AskPart } from './AskPart.tsx';
import { BrowserPart } from './BrowserPart.tsx';
import { EditorPart } from './EditorPart.tsx';
import { JobsPart } from './JobsPart.tsx';

/** How other programs get codes from here: the browser, page editors, scripts, and jobs for what takes long. */
export function Connect(): ReactElement {
  const [key, setKey] = useState('');
  return (
    <div className="connect">
      <h1>Connect</h1>
      <p className="quiet">Right embeds where you write: from your browser, from a page editor, from a program of your own.</p>
      <BrowserPart />
      <EditorPart />
      <section aria-labelledby="connect-programs">
        <h2 id="connect-programs">From a program</h2>
        <p>
          What the command line makes, over HTTP. <a href="/api/openapi.json">The description (OpenAPI 3.1)</a> is for programs
          that write programs.
        </p>
        <TextField
          size="small"
          label="Key"
          value={key}
          onChange={({ target }) => setKey(target.value)}
          autoComplete="off"
          helperText="Only where the server asks for one; it is kept until you leave this screen."
        />
        <AskPart accessKey={key} />
      </section>
      <JobsPart accessKey={key} />
    </div>
  );
}
