import { t } from './t.ts';
/** What is said to people of what other programs ask. */
const OEMBED: ReadonlyMap<string, string> = new Map([
  ['noSuchItem', t('No host card knows this link, or it cannot be embedded. An editor leaves such a link as it is.')],
  ['noSuchSite', t('The server does not know this site. Put it into the team’s folder, and it does.')],
  ['badRequest', t('This is no link. Copy it once more, from https:// to its end.')],
]);

/** Why a page editor gets no code for a link, by the code of the answer. */
export const sayOEmbedRefusal = (code: string): string => OEMBED.get(code) ?? NO_ANSWER;

const JOBS: ReadonlyMap<string, string> = new Map([
  ['noKey', t('The server asks for a key. Write it into the field Key above.')],
  ['noQueue', t('The list of jobs cannot be reached. Everything else goes on; try again in a minute.')],
  ['unanswerable', t('The server does not know this site. Choose another, or none.')],
  ['tooMany', t('Too many questions in a minute. Wait a little, then ask again.')],
]);

/** Why a job is not ordered or shown, by the code of the answer. */
export const sayJobRefusal = (code: string): string => JOBS.get(code) ?? NO_ANSWER;

const NO_ANSWER = t('The server did not answer. Look whether it still runs, then try again.');

/** How far a job has come. */
export const JOB_STATES = {
  waiting: t('Waiting'),
  running: t('Under way'),
  done: t('Done'),
  failed: t('Failed in part'),
  cancelled: t('Cancelled'),
} as const;
