import type { OrderCheckId } from '../core/order/checks/list.ts';
import type { OrderFinding } from '../core/order/checks/rule.ts';
import type { OrderFormId } from '../core/order/forms/list.ts';
import type { Entry, Order } from '../core/order/order.ts';
import type { Probe, ProbeVerdict } from '../core/order/proof.ts';
import { showTime } from '../core/model/time.ts';
import type { PlayNote } from '../core/order/plays.ts';

const NOTES: Record<PlayNote, string> = {
  endUntold: 'Its host does not tell when it is over, so visitors press Next after it.',
  pressAgain: 'Its host begins only when its own player is pressed, so visitors press once more there.',
  startIgnored: 'Its host cannot begin later, so it plays from its own beginning.',
  clipOverruns: 'Its host can neither stop it nor tell the time, so it plays beyond the end of the clip.',
  notMuted: 'Its host cannot be muted, so browsers do not let it begin by itself.',
  streamNotEverywhere: 'It is a stream, which not every browser plays by itself. Where one does not, visitors get a link.',
  notPlayable: 'It cannot be played within a page. It stands there as a link.',
};

/** What an entry cannot do, in a sentence. */
export const sayPlayNote = (note: PlayNote): string => NOTES[note];

export const LAYOUT_WORDS: Record<Order['layout'], string> = {
  beside: 'List beside the player',
  below: 'List below the player',
  strip: 'List as a strip',
  one: 'One entry alone',
};

export const LOOP_WORDS: Record<Order['loop'], string> = {
  none: 'Ends after the last',
  one: 'Repeats the entry',
  all: 'Begins again after the last',
};

/** How loud media files begin, in percent. */
export const VOLUME_WORDS: Readonly<Record<string, string>> = {
  100: 'as loud as the file',
  75: 'three quarters',
  50: 'half',
  25: 'a quarter',
  0: 'silent',
};

/** What was found in a feed or a file. */
export const sayFound = (count: number, left: number): string =>
  `${count === 1 ? '1 entry' : `${count} entries`}${left === 0 ? '.' : `; ${left} left out, which ${left === 1 ? 'has' : 'have'} no address.`}`;

export const sayNews = (added: readonly Entry[]): string =>
  added.length === 0 ? 'Nothing is new.' : `New: ${added.map(({ title, address }) => title || address).join('; ')}.`;

export const FORM_WORDS: Record<OrderFormId, string> = {
  whole: 'One code with the page in it',
  file: 'A file on your site, and a small code',
  script: 'A script that loads it when it is near',
  inline: 'Into the page itself, without a frame',
};

/** What it means for the publisher's own page. */
export const FORM_NOTES: Record<OrderFormId, string> = {
  whole: 'Nothing else is needed. The code is long.',
  file: 'Save the page, put it on your site, and set its address in the code.',
  script: 'Until a visitor comes near, links stand in its place.',
  inline: 'Its text is part of your page, for search engines and readers without script too.',
};

const entries = ({ entries: which }: OrderFinding, order: Order): string => {
  const names = which.slice(0, 3).map((i) => `“${order.entries[i]?.title || order.entries[i]?.address}”`);
  const more = which.length - names.length;
  return more > 0 ? `${names.join(', ')} and ${more} more` : names.join(', ').replace(/, ([^,]*)$/, ' and $1');
};
const one = ({ entries: which }: OrderFinding): boolean => which.length === 1;

const FINDINGS: Record<OrderCheckId, (finding: OrderFinding, order: Order) => string> = {
  nothingToPlay: () => 'There is nothing in it yet.',
  notPlayable: (f, o) =>
    `${entries(f, o)} cannot be played in a page. ${one(f) ? 'It stands' : 'They stand'} there as ${one(f) ? 'a link' : 'links'}.`,
  unreachable: (f, o) => `Visitors do not get ${entries(f, o)}.`,
  insecure: (f, o) => `${entries(f, o)} ${one(f) ? 'comes' : 'come'} over http, which browsers do not play within https.`,
  framesBarred: (f, o) => `The policy of the site does not let the host of ${entries(f, o)} into frames.`,
  soundAtOnce: (f, o) => `${entries(f, o)} cannot be muted, so it does not begin by itself.`,
  clipBackwards: (f, o) => `The clip of ${entries(f, o)} ends before it begins.`,
  clipBeyondEnd: (f, o) => `The clip of ${entries(f, o)} begins after the end.`,
  clipNotKept: (f, o) => `The host of ${entries(f, o)} does not keep to the clip.`,
  waitsForVisitor: (f, o) => `At ${entries(f, o)} a visitor has to press to go on.`,
  transcriptMissing: (f, o) => `${entries(f, o)} ${one(f) ? 'has' : 'have'} no transcript.`,
  titleless: (f) => (one(f) ? 'One entry has no title.' : `${f.actual} entries have no title.`),
  nameless: () => 'The running order has no name.',
  standsTwice: (f, o) => `${entries(f, o)} ${one(f) ? 'stands' : 'stand'} in it twice.`,
  accentUnseen: (f) => `The accent colour has a contrast of ${f.actual} only.`,
  heavy: (f) => `The page weighs ${f.actual}. Take it as a file, which loads when it is near.`,
  wordsMissing: (f) => `Its buttons are in English: there are no words in the language of the site, ${f.actual}.`,
};

/** What is wrong with a running order, in a sentence. */
export const sayOrderFinding = (finding: OrderFinding, order: Order): string =>
  FINDINGS[finding.code as OrderCheckId](finding, order);

/** What a press on the remedy does. */
export function sayOrderRemedy({ remedy, entries: which }: OrderFinding): string | null {
  if (!remedy) return null;
  if ('remove' in remedy) return which.length === 1 ? 'Take it out' : 'Take them out';
  if ('order' in remedy) return 'Use the colour of the text';
  return 'until' in remedy.entry ? 'Play to the end' : 'Play from the start';
}

const PROVED: { [Code in ProbeVerdict['code']]: (verdict: Extract<ProbeVerdict, { code: Code }>) => string } = {
  right: ({ from, until }) =>
    `plays from ${showTime(Math.round(from))} to ${showTime(Math.round(until))}, and the next one begins`,
  untold: () => 'does not tell its time, so nobody can say where it begins and ends',
  refused: () => 'could not be played',
  beganElsewhere: ({ wanted, seen }) => `began at ${showTime(Math.round(seen))}, not at ${showTime(Math.round(wanted))}`,
  endedElsewhere: ({ wanted, seen }) => `played to ${showTime(Math.round(seen))}, not to ${showTime(Math.round(wanted))}`,
  stayed: ({ seen }) => `stood at ${showTime(Math.round(seen))}, and did not go on by itself`,
};
const EDGES: Record<Probe['edge'], string> = { start: 'its beginning', end: 'its end', both: 'all of it' };

/** What was seen when one edge of an entry was played. */
export const sayProved = ({ of, edge }: Probe, verdict: ProbeVerdict, { entries: all }: Order): string =>
  `“${all[of]?.title || all[of]?.address}”, ${EDGES[edge]}: ${PROVED[verdict.code](verdict as never)}.`;

/** How many transcripts and chapters came of those that a feed names. */
export const sayFetched = (got: number, all: number): string =>
  got === all
    ? `${got === 1 ? 'It is' : `All ${got} are`} brought in.`
    : `${got} of ${all} brought in. The others do not answer, or are of a kind that is not read.`;
