import { WHY_NOT } from '../../messages/reached.ts';
import { ONCE, server, whyRefused } from './server.ts';
import type { Dispatch } from './store.ts';
import { t } from '../../messages/t.ts';

/** What stands at an address, asked for by the server; or why it could not be had, in words. */
export async function fetchFeed(dispatch: Dispatch, url: string): Promise<{ text: string; address: string } | { why: string }> {
  const { data, error } = await dispatch(server.endpoints.feed.initiate(url, ONCE));
  if (data) return data;
  const why = whyRefused(error);
  return {
    why:
      why === 'noServer'
        ? t('The server of Refenestra does not answer. Save the feed as a file, and bring that in.')
        : t('It could not be fetched: {why}.', { why: WHY_NOT[why] ?? why }),
  };
}
