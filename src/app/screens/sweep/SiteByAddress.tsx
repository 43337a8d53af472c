import { Button } from '@mui/material';
import { useRef, useState, type ReactElement, type SubmitEvent } from 'react';
import type { CrawlLeft } from '../../../core/many/sweep/crawled.ts';
import { sayCrawl, sayCrawlEnd } from '../../../messages/sweep.ts';
import type { SiteFile } from '../../../workers/siteFile.ts';
import { readSite } from '../../../workers/readSite.ts';
import { t } from '../../../messages/t.ts';
import { WordsField } from '../../fields/WordsField.tsx';

interface Props {
  disabled: boolean;
  begin: (name: string, files: readonly SiteFile[], note: string) => void;
  say: (said: string) => void;
}

/** A site by its address: its pages are read by the server, one after the other, as its robots.txt allows. */
export function SiteByAddress({ disabled, begin, say }: Props): ReactElement {
  const [address, setAddress] = useState('');
  const [reading, setReading] = useState<string | null>(null);
  const running = useRef<AbortController | null>(null);
  const read = async (event: SubmitEvent): Promise<void> => {
    event.preventDefault();
    const { signal } = (running.current = new AbortController());
    const pages: SiteFile[] = [];
    const left: CrawlLeft[] = [];
    let end = t('The rest was not read.');
    setReading(t('The site is asked …'));
    say('');
    try {
      for await (const told of readSite(address.trim(), { server: '', signal })) {
        if (told.kind === 'page') pages.push({ name: told.address, content: new Blob([told.text]) });
        if (told.kind === 'left') left.push(told.why);
        if (told.kind === 'waiting')
          setReading(
            t('{pages, plural, one {# page} other {# pages}} read, {count} waiting …', {
              pages: pages.length,
              count: told.count,
            }),
          );
        if (told.kind === 'end') end = sayCrawlEnd(told.why);
      }
    } catch {
      if (!signal.aborted && pages.length === 0)
        say(t('The server of Refenestra does not answer. Save the site as files, and open those.'));
    }
    setReading(null);
    const note = [end, ...(left.length > 0 ? [sayCrawl(left)] : [])].join(' ');
    if (pages.length > 0) begin(new URL(address.trim()).host, pages, note);
    else if (left.length > 0) say(t('No page could be read. {left}', { left: sayCrawl(left) }));
  };
  return (
    <form className="line [&_.box]:w-[280px]" onSubmit={(event) => void read(event)}>
      <WordsField
        label={t('Address of a site')}
        type="url"
        value={address}
        set={setAddress}
        control={{ required: true, pattern: 'https?://.+' }}
      />
      <Button type="submit" variant="outlined" disabled={disabled || reading !== null}>
        {t('Read the site')}
      </Button>
      {reading !== null && (
        <>
          <span role="status">{reading}</span>
          <Button onClick={() => running.current?.abort()}>{t('Stop, and take what is read')}</Button>
        </>
      )}
    </form>
  );
}
