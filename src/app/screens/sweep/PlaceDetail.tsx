import { Button } from '@mui/material';
import { diffWordsWithSpace } from 'diff';
import { useEffect, useMemo, useState, type ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { decodeFile } from '../../../core/many/sweep/encoding.ts';
import type { SweptEmbed } from '../../../core/many/sweep/found.ts';
import { sayFinding } from '../../../messages/findings.ts';
import { SEVERITY_WORDS } from '../../../messages/severity.ts';
import { HOLDS } from '../../../messages/sweepChecks.ts';
import { bytesOf, type SiteFile } from '../../../workers/siteFile.ts';
import { broughtIn } from '../../state/bench.ts';
import { useAppDispatch } from '../../state/store.ts';
import { t } from '../../../messages/t.ts';

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
  const [said, setSaid] = useState('');
  const after =
    text !== null && change ? text.slice(range[0], change.range[0]) + change.after + text.slice(change.range[1], range[1]) : '';
  const open = (): void => {
    dispatch(broughtIn(text!.slice(...range)));
    void navigate('/');
  };
  return (
    <section aria-label={t('This embed')}>
      <header className="flex items-center justify-between">
        <h2 className="m-0 type-code font-semibold wrap-anywhere">
          {file}:{line}
        </h2>
        <Button onClick={close}>{t('Close')}</Button>
      </header>
      <ul className="my-2 [&_li]:py-1">
        {findings.map((finding, i) => (
          <li key={i}>
            <b>{SEVERITY_WORDS[finding.severity]}.</b> {sayFinding(finding)}
          </li>
        ))}
        {findings.length === 0 && <li>{t('Nothing was found.')}</li>}
      </ul>
      {text !== null && (
        <div
          className="[&_.code-difference]:mb-2 [&_.code-difference]:max-h-[220px]"
          role="group"
          aria-label={change ? t('Before and after') : t('The code')}
        >
          {change ? (
            <>
              <Difference before={text.slice(...range)} after={after} />
            </>
          ) : (
            <pre className="code-difference" tabIndex={0}>
              {text.slice(...range)}
            </pre>
          )}
        </div>
      )}
      {change && change.ends.length > 0 && (
        <p>{t('With the change these hold: {ends}.', { ends: change.ends.map((code) => HOLDS.get(code) ?? code).join('; ') })}</p>
      )}
      <Button variant="outlined" disabled={text === null} onClick={open}>
        {t('Open on the Bench')}
      </Button>
      {change && text !== null && (
        <Button onClick={() => void navigator.clipboard.writeText(after).then(() => setSaid(t('Copied.')))}>
          {t('Copy the new code')}
        </Button>
      )}
      <span role="status">{said}</span>
    </section>
  );
}

/** What goes and what comes, word by word. */
function Difference({ before, after }: { before: string; after: string }): ReactElement {
  const parts = useMemo(() => diffWordsWithSpace(before, after), [before, after]);
  return (
    <>
      <pre className="code-difference" tabIndex={0}>
        {parts.map(({ value, added, removed }, i) => !added && (removed ? <del key={i}>{value}</del> : value))}
      </pre>
      <pre className="code-difference" tabIndex={0}>
        {parts.map(({ value, added, removed }, i) => !removed && (added ? <ins key={i}>{value}</ins> : value))}
      </pre>
    </>
  );
}

/** The text of a file of the site; null until it is read. */
function useFileText(file: SiteFile | undefined): string | null {
  const [read, setRead] = useState<{ file: SiteFile; text: string } | null>(null);
  useEffect(() => {
    if (file) void bytesOf([file]).then(([bytes]) => setRead({ file, text: decodeFile(bytes!).text }));
  }, [file]);
  return read && read.file === file ? read.text : null;
}
