import type { HostCard } from '../../core/known/hosts/card.ts';
import { loadCards, type CardProblem } from '../../core/known/hosts/loadCards.ts';
import { providersSchema } from '../../core/known/hosts/providers.ts';
import { readJson } from '../../core/model/json.ts';
import { siteSchema, type Site } from '../../core/model/site.ts';
import { firstProblem, sayProblem } from '../../messages/problems.ts';
import { savePreference } from '../storage/database.ts';
import { keepCards, PROVIDERS } from './ownCards.ts';
import type { Store } from './store.ts';
import { storageFound } from './view.ts';
import { providersRead } from './world.ts';
import { t } from '../../messages/t.ts';

/** Takes the cards that are right, and tells of the others. */
export async function importCards(
  store: Store,
  files: readonly { name: string; text: string }[],
): Promise<{ cards: HostCard[]; problems: CardProblem[] }> {
  const { cards, problems } = loadCards(files);
  await keepCards(store, cards);
  return { cards, problems };
}

/** Takes a provider list in the format of the oEmbed registry; the sentence that says why not, or null. */
export async function importProviders(store: Store, text: string): Promise<string | null> {
  const data = readJson(text);
  if ('wrong' in data) return t('This is no provider list: {wrong}.', { wrong: sayProblem(data.wrong) });
  const read = providersSchema.safeParse(data.value);
  if (!read.success) return t('This is no provider list: at {path}, {issue}. Nothing was imported.', firstProblem(read.error));
  store.dispatch(providersRead(read.data));
  await savePreference(PROVIDERS, read.data).catch(() => store.dispatch(storageFound('missing')));
  return null;
}

/** The site that a file holds, or the sentence that says why it holds none; nothing is written yet. */
export function readSiteFile(text: string): { site: Site } | { wrong: string } {
  const data = readJson(text);
  if ('wrong' in data)
    return { wrong: t('This is no site: {wrong}. Choose a file that was exported here.', { wrong: sayProblem(data.wrong) }) };
  const read = siteSchema.safeParse(data.value);
  if (read.success) return { site: read.data };
  return { wrong: t('This is no site: at {path}, {issue}. Nothing was imported.', firstProblem(read.error)) };
}
