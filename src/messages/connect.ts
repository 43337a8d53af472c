/** What is said to people of what other programs ask. */
const OEMBED: ReadonlyMap<string, string> = new Map([
  ['noSuchItem', 'No host card knows this link, or it cannot be embedded. An editor leaves such a link as it is.'],
  ['noSuchSite', 'The server does not know this site. Put it into the team’s folder, and it does.'],
  ['badRequest', 'This is no link. Copy it once more, from https:// to its end.'],
]);

/** Why a page editor gets no code for a link, by the code of the answer. */
export const sayOEmbedRefusal = (code: string): string => OEMBED.get(code) ?? NO_ANSWER;

const JOBS: ReadonlyMap<string, string> = new Map([
  ['noKey', 'The server asks for a key. Write it into the field Key above.'],
  ['noQueue', 'The list of jobs cannot be reached. Everything else goes on; try again in a minute.'],
  ['unanswerable', 'The server does not know this site. Choose another, or none.'],
  ['tooMany', 'Too many questions in a minute. Wait a little, then ask again.'],
]);

/** Why a job is not ordered or shown, by the code of the answer. */
export const sayJobRefusal = (code: string): string => JOBS.get(code) ?? NO_ANSWER;

const NO_ANSWER = 'The server did not answer. Look whether it still runs, then try again.';

/** How far a job has come. */
export const JOB_STATES = {
  waiting: 'Waiting',
  running: 'Under way',
  done: 'Done',
  failed: 'Failed in part',
  cancelled: 'Cancelled',
} as const;
