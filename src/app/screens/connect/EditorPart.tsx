import { Button, TextField } from '@mui/material';
import { useState, type ReactElement, type SubmitEvent } from 'react';
import { selectGiven } from '../../state/answers.ts';
import { programs } from '../../state/programs.ts';
import { ONCE, whyRefused } from '../../state/server.ts';
import { useAppSelector } from '../../state/store.ts';
import { sayOEmbedRefusal } from '../../../messages/connect.ts';
import { CopyLine } from './CopyLine.tsx';
import { ServerSitePick } from './ServerSitePick.tsx';
import { useAsk } from './useAsk.ts';
import { t } from '../../../messages/t.ts';

const END = { query: (query: Record<string, string>) => `${location.origin}/oembed?${new URLSearchParams(query).toString()}` };

/** The address that page editors ask for each link, and what they are answered. */
export function EditorPart(): ReactElement {
  const { example } = useAppSelector(selectGiven);
  const [site, setSite] = useState('');
  const [link, setLink] = useState<string | null>(null);
  const [ask, { data, error, asking }] = useAsk((dispatch, wanted: { url: string; site: string }) =>
    dispatch(programs.endpoints.oembed.initiate(wanted, ONCE)),
  );
  const url = link ?? example;
  const send = (event: SubmitEvent): void => {
    event.preventDefault();
    void ask({ url, site });
  };
  return (
    <section aria-labelledby="connect-editor">
      <h2 id="connect-editor">{t('From a page editor')}</h2>
      <p>
        {t(
          'Editors that speak oEmbed turn a link that stands alone on a line into a player. Give them this address as the provider, and every link that the Host book knows becomes the code of your site, in its house style.',
        )}
      </p>
      <form className="line mb-2.5 items-start gap-3 [&>div]:min-w-[180px]" onSubmit={send}>
        <ServerSitePick label={t('Site')} site={site} choose={setSite} />
        <TextField
          size="small"
          className="flex-[1_1_320px]"
          label={t('A link to try it with')}
          value={url}
          onChange={({ target }) => setLink(target.value)}
        />
        <Button type="submit" variant="outlined" disabled={url.trim() === '' || asking}>
          {t('Ask')}
        </Button>
      </form>
      <CopyLine text={END.query({ ...(site !== '' && { site }), url: '' })} name={t('the address for page editors')} />
      <div role="status" aria-label={t('Answer for the page editor')}>
        {!asking && error !== undefined && <p className="wrong">{sayOEmbedRefusal(whyRefused(error))}</p>}
        {!asking && error === undefined && data && (
          <>
            <p>
              {data.provider_name}, {data.type}
              {data.width != null &&
                data.height != null &&
                t(', {width} × {height} pixels', { width: data.width, height: data.height })}
            </p>
            <pre className="connect-code">{data.html}</pre>
          </>
        )}
      </div>
    </section>
  );
}
