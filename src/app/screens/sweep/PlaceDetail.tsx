import { Button } from '@mui/material';
import { useEffect, useState, type ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { decodeFile } from '../../../core/sweep/encoding.ts';
import type { SweptEmbed } from '../../../core/sweep/found.ts';
import { sayFinding } from '../../../messages/en.ts';
import { SEVERITY_WORDS } from '../../../messages/severity.ts';
import { HOLDS } from '../../../messages/sweepChecks.ts';
import type { SiteFile } from '../../../workers/messages.ts';
import { broughtIn } from '../../state/bench.ts';
import { useAppDispatch } from '../../state/store.ts';

interface Props {
  embed: SweptEmbed;
  files: readonly SiteFile[];
  close: () => void;
}

/** One embed: what was found, what would be changed, and the way to the Bench. */
export function PlaceDetail({ embed, files, close }: Props): ReactElement {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const text = useFileText(files.find(({ name }) => name === embed.file));
  const { file, line, range, findings, change } = embed;
  const open = (): void => {
    dispatch(broughtIn(text!.slice(...range)));
    void navigate('/');
  };
  return (
    <section className="sweep-detail" aria-label="This embed">
      <header>
        <h2>
          {file}:{line}
        </h2>
        <Button onClick={close}>Close</Button>
      </header>
      <ul className="sweep-findings">
        {findings.map((finding, i) => (
          <li key={i} data-tone={finding.severity}>
            <b>{SEVERITY_WORDS[finding.severity]}.</b> {sayFinding(finding)}
          </li>
        ))}
        {findings.length === 0 && <li>Nothing was found.</li>}
      </ul>
      {text !== null && (
        <div className="sweep-code" role="group" aria-label={change ? 'Before and after' : 'The code'}>
          {change ? (
            <>
              <pre>
                {text.slice(range[0], change.range[0])}
                <del>{text.slice(...change.range)}</del>
                {text.slice(change.range[1], range[1])}
              </pre>
              <pre>
                {text.slice(range[0], change.range[0])}
                <ins>{change.after}</ins>
                {text.slice(change.range[1], range[1])}
              </pre>
            </>
          ) : (
            <pre>{text.slice(...range)}</pre>
          )}
        </div>
      )}
      {change && change.ends.length > 0 && (
        <p>With the change these hold: {change.ends.map((code) => HOLDS.get(code) ?? code).join('; ')}.</p>
      )}
      <Button variant="outlined" disabled={text === null} onClick={open}>
        Open on the Bench
      </Button>
    </section>
  );
}

/** The text of a file of the site; null until it is read. */
function useFileText(file: SiteFile | undefined): string | null {
  const [read, setRead] = useState<{ content: Blob; text: string } | null>(null);
  const content = file?.content;
  useEffect(() => {
    void content?.arrayBuffer().then((bytes) => setRead({ content, text: decodeFile(new Uint8Array(bytes)).text }));
  }, [content]);
  return read && read.content === content ? read.text : null;
}
