import { readJson } from '../../core/model/json.ts';
import { siteSchema, type Site } from '../../core/model/site.ts';
import { saveSite } from '../storage/own.ts';
import type { Store } from './store.ts';
import { storageFound } from './view.ts';
import { ownSitesRead } from './world.ts';
import { sayProblem } from '../../messages/problems.ts';
import { t } from '../../messages/t.ts';

/** Keeps a site; it can be used at once, even where the browser keeps nothing. */
export async function keepSite(store: Store, site: Site): Promise<void> {
  const others = store.getState().world.ownSites.filter(({ id }) => id !== site.id);
  store.dispatch(ownSitesRead([...others, site]));
  await saveSite(site).catch(() => store.dispatch(storageFound('missing')));
}

/** The site that a file holds, or the sentence that says why it holds none; nothing is written yet. */
export function readSiteFile(text: string): { site: Site } | { wrong: string } {
  const data = readJson(text);
  if ('wrong' in data)
    return { wrong: t('This is no site: {wrong}. Choose a file that was exported here.', { wrong: sayProblem(data.wrong) }) };
  const read = siteSchema.safeParse(data.value);
  if (read.success) return { site: read.data };
  const [issue] = read.error.issues;
  return {
    wrong: t('This is no site: at {path}, {issue}. Nothing was taken.', {
      path: issue!.path.join('.') || t('its top'),
      issue: sayProblem(issue!.message),
    }),
  };
}
