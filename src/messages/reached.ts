import type { Reached } from '../core/proof/reach/reached.ts';
import type { Sentences } from './sentences.ts';
import { t } from './t.ts';

const REACHED: Sentences<Reached> = {
  reachable: () => t('Visitors can see it.'),
  notYet: ({ date, words }) =>
    t('Not out before {date}: until then visitors see an empty frame. {words}', { date: sayDate(date), words }).trim(),
  notReleased: ({ words }) => words || t('It is not released, so visitors see nothing. Release it at the host.'),
  keyMissing: ({ words }) => words || t('A key is missing in the address. Copy the link with its key at the host.'),
  mustSignIn: ({ words }) =>
    words || t('Visitors would have to sign in at the host first. Make it public there, then copy the share link again.'),
  closed: ({ words }) => words || t('It is closed at the host.'),
  refusesFraming: ({ by, text, site }) =>
    t('The host does not let pages of {site} frame it ({by}). Look for an embed code at the host, or give a link instead.', {
      site: site.replace(/^https?:\/\//, ''),
      by: by === text ? by : `${by === 'X-Frame-Options' ? `${by}: ` : ''}${text}`,
    }),
  httpOnly: ({ words }) => words || t('It answers over http alone, and pages over https leave such frames blank.'),
  moved: ({ to }) => t('It has moved for good, to {to}.', { to: to.replace(/^https?:\/\//, '') }),
  slow: ({ seconds }) => t('The host took {seconds} seconds to answer: visitors look at an empty frame that long.', { seconds }),
  gone: ({ status }) =>
    t('There is nothing at this address any more (the host answers {status}). Copy the share link anew.', { status }),
  hostTrouble: ({ status }) => t('The host has trouble at the moment (it answers {status}). Look again later.', { status }),
  noAnswer: ({ why }) =>
    t('The frame address could not be asked: {why}. Look at the page yourself before you publish.', {
      why: WHY_NOT[why] ?? t('the host did not answer'),
    }),
};

/** Why the server did not ask, by the code of its guard. */
export const WHY_NOT: Record<string, string> = {
  scheme: t('it is no address of the web'),
  credentials: t('it holds a name and a password'),
  port: t('its port is none of the web'),
  privateAddress: t('it leads to a private network'),
  nameUnknown: t('no host is known under that name'),
  redirects: t('it leads round and round'),
  tooSlow: t('the host took too long'),
  tooLarge: t('its answer is too large'),
  wrongType: t('its answer is of another kind'),
  noAnswer: t('the host did not answer'),
};

/** A date as the host wrote it, in one form. */
function sayDate(date: string): string {
  const read = new Date(date);
  return Number.isNaN(read.getTime()) ? date : read.toISOString().slice(0, 10);
}

export const sayReached = (reached: Reached): string => REACHED[reached.code](reached as never);
