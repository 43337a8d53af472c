import type { OrderCheckId } from '../core/order/checks/list.ts';
import type { OrderFinding } from '../core/order/checks/rule.ts';
import type { OrderFormId } from '../core/order/forms/list.ts';
import type { Entry, Order } from '../core/order/order.ts';
import type { Probe, ProbeVerdict } from '../core/order/proof.ts';
import { showTime } from '../core/model/time.ts';
import type { PlayNote } from '../core/order/plays.ts';
import { showList, t } from './t.ts';

const NOTES: Record<PlayNote, string> = {
  endUntold: t('Its host does not tell when it is over, so visitors press Next after it.'),
  pressAgain: t('Its host begins only when its own player is pressed, so visitors press once more there.'),
  startIgnored: t('Its host cannot begin later, so it plays from its own beginning.'),
  clipOverruns: t('Its host can neither stop it nor tell the time, so it plays beyond the end of the clip.'),
  notMuted: t('Its host cannot be muted, so browsers do not let it begin by itself.'),
  streamNotEverywhere: t(
    'It is a stream. Firefox plays none by itself: visitors get a link there, unless the page has a script for streams.',
  ),
  notPlayable: t('It cannot be played within a page. It stands there as a link.'),
};

/** What an entry cannot do, in a sentence. */
export const sayPlayNote = (note: PlayNote): string => NOTES[note];

export const LAYOUT_WORDS: Record<Order['layout'], string> = {
  beside: t('List beside the player'),
  below: t('List below the player'),
  strip: t('List as a strip'),
  one: t('One entry alone'),
};

export const LOOP_WORDS: Record<Order['loop'], string> = {
  none: t('Ends after the last'),
  one: t('Repeats the entry'),
  all: t('Begins again after the last'),
};

/** How loud media files begin, in percent. */
export const VOLUME_WORDS: Readonly<Record<string, string>> = {
  100: t('as loud as the file'),
  75: t('three quarters'),
  50: t('half'),
  25: t('a quarter'),
  0: t('silent'),
};

/** What was found in a feed or a file. */
export const sayFound = (count: number, left: number): string =>
  left === 0
    ? t('{count, plural, one {# entry.} other {# entries.}}', { count })
    : t(
        '{count, plural, one {# entry} other {# entries}}; {left} left out, which {left, plural, one {has} other {have}} no address.',
        { count, left },
      );

export const sayNews = (added: readonly Entry[]): string =>
  added.length === 0
    ? t('Nothing is new.')
    : t('New: {added}.', { added: added.map(({ title, address }) => title || address).join('; ') });

export const FORM_WORDS: Record<OrderFormId, string> = {
  whole: t('One code with the page in it'),
  file: t('A file on your site, and a small code'),
  script: t('A script that loads it when it is near'),
  inline: t('Into the page itself, without a frame'),
};

/** What it means for the publisher's own page. */
export const FORM_NOTES: Record<OrderFormId, string> = {
  whole: t('Nothing else is needed. The code is long.'),
  file: t('Save the page, put it on your site, and set its address in the code.'),
  script: t('Until a visitor comes near, links stand in its place.'),
  inline: t('Its text is part of your page, for search engines and readers without script too.'),
};

const entries = ({ entries: which }: OrderFinding, order: Order): string => {
  const names = which.slice(0, 3).map((i) => `“${order.entries[i]?.title || order.entries[i]?.address}”`);
  const more = which.length - names.length;
  return more > 0 ? t('{names} and {more} more', { names: names.join(', '), more }) : showList(names);
};
const one = ({ entries: which }: OrderFinding): boolean => which.length === 1;

const FINDINGS: Record<OrderCheckId, (finding: OrderFinding, order: Order) => string> = {
  nothingToPlay: () => t('There is nothing in it yet.'),
  notPlayable: (f, o) =>
    one(f)
      ? t('{entries} cannot be played in a page. It stands there as a link.', { entries: entries(f, o) })
      : t('{entries} cannot be played in a page. They stand there as links.', { entries: entries(f, o) }),
  unreachable: (f, o) => t('Visitors do not get {entries}.', { entries: entries(f, o) }),
  insecure: (f, o) =>
    one(f)
      ? t('{entries} comes over http, which browsers do not play within https.', { entries: entries(f, o) })
      : t('{entries} come over http, which browsers do not play within https.', { entries: entries(f, o) }),
  framesBarred: (f, o) => t('The policy of the site does not let the host of {entries} into frames.', { entries: entries(f, o) }),
  soundAtOnce: (f, o) => t('{entries} cannot be muted, so it does not begin by itself.', { entries: entries(f, o) }),
  clipBackwards: (f, o) => t('The clip of {entries} ends before it begins.', { entries: entries(f, o) }),
  clipBeyondEnd: (f, o) => t('The clip of {entries} begins after the end.', { entries: entries(f, o) }),
  clipNotKept: (f, o) => t('The host of {entries} does not keep to the clip.', { entries: entries(f, o) }),
  waitsForVisitor: (f, o) => t('At {entries} a visitor has to press to go on.', { entries: entries(f, o) }),
  transcriptMissing: (f, o) =>
    one(f)
      ? t('{entries} has no transcript.', { entries: entries(f, o) })
      : t('{entries} have no transcript.', { entries: entries(f, o) }),
  titleless: (f) => (one(f) ? t('One entry has no title.') : t('{actual} entries have no title.', { actual: f.actual })),
  nameless: () => t('The running order has no name.'),
  standsTwice: (f, o) =>
    one(f)
      ? t('{entries} stands in it twice.', { entries: entries(f, o) })
      : t('{entries} stand in it twice.', { entries: entries(f, o) }),
  accentUnseen: (f) => t('The accent colour has a contrast of {actual} only.', { actual: f.actual }),
  heavy: (f) => t('The page weighs {actual}. Take it as a file, which loads when it is near.', { actual: f.actual }),
  wordsMissing: (f) =>
    t('Its buttons are in English: there are no words in the language of the site, {actual}.', { actual: f.actual }),
};

/** What is wrong with a running order, in a sentence. */
export const sayOrderFinding = (finding: OrderFinding, order: Order): string =>
  FINDINGS[finding.code as OrderCheckId](finding, order);

/** What a press on the remedy does. */
export function sayOrderRemedy({ remedy, entries: which }: OrderFinding): string | null {
  if (!remedy) return null;
  if ('remove' in remedy) return which.length === 1 ? t('Take it out') : t('Take them out');
  if ('order' in remedy) return t('Use the colour of the text');
  return 'until' in remedy.entry ? t('Play to the end') : t('Play from the start');
}

const PROVED: { [Code in ProbeVerdict['code']]: (verdict: Extract<ProbeVerdict, { code: Code }>) => string } = {
  right: ({ from, until }) =>
    t('plays from {from} to {until}, and the next one begins', {
      from: showTime(Math.round(from)),
      until: showTime(Math.round(until)),
    }),
  untold: () => t('does not tell its time, so nobody can say where it begins and ends'),
  refused: () => t('could not be played'),
  beganElsewhere: ({ wanted, seen }) =>
    t('began at {seen}, not at {wanted}', { seen: showTime(Math.round(seen)), wanted: showTime(Math.round(wanted)) }),
  endedElsewhere: ({ wanted, seen }) =>
    t('played to {seen}, not to {wanted}', { seen: showTime(Math.round(seen)), wanted: showTime(Math.round(wanted)) }),
  stayed: ({ seen }) => t('stood at {seen}, and did not go on by itself', { seen: showTime(Math.round(seen)) }),
};
const EDGES: Record<Probe['edge'], string> = { start: t('its beginning'), end: t('its end'), both: t('all of it') };

/** What was seen when one edge of an entry was played. */
export const sayProved = ({ of, edge }: Probe, verdict: ProbeVerdict, { entries: all }: Order): string =>
  `“${all[of]?.title || all[of]?.address}”, ${EDGES[edge]}: ${PROVED[verdict.code](verdict as never)}.`;

/** How many transcripts and chapters came of those that a feed names. */
export const sayFetched = (got: number, all: number): string =>
  got === all
    ? got === 1
      ? t('It is brought in.')
      : t('All {got} are brought in.', { got })
    : t('{got} of {all} brought in. The others do not answer, or are of a kind that is not read.', { got, all });
