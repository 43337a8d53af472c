import { KIND_WORDS } from './kinds.ts';
import type { CheckId } from '../core/steps/check/checks/list.ts';
import type { Difference } from '../core/live/compare.ts';
import type { Refusal, Repair } from '../core/model/candidate.ts';
import type { Finding, Remedy } from '../core/steps/check/finding.ts';
import type { CardProblem } from '../core/known/hosts/loadCards.ts';
import type { Item } from '../core/model/item.ts';
import type { PlanEntry, Reason, Sent, SettingsFix, State } from '../core/model/plan.ts';
import type { RunningKind } from '../core/model/running.ts';
import type { Meaning } from '../core/steps/recognise/anatomy.ts';
import type { Reached } from '../core/proof/reach/reached.ts';
import { settingOf, type SettingId } from '../core/known/settings/list.ts';
import { writeValue, type SettingValue } from '../core/model/values.ts';

/** Every sentence that a publisher reads about data of the core. One language, one file. */
type Of<Data, Code> = Data extends { code: infer Own } ? (Code extends Own ? Data : never) : never;
type Sentences<Data extends { code: string }> = { [Code in Data['code']]: (data: Of<Data, Code>) => string };

const REFUSALS: Sentences<Refusal> = {
  emptyText: () => 'Nothing is pasted yet. Paste a share link, or the embed code that a host gave you.',
  tooLong: ({ most }) =>
    `The text is longer than ${most / 1_000_000} million characters. Paste only the part with the link or the embed code.`,
  nothingFound: () =>
    'There is neither a link nor embed code in this text. A share link begins with https:// and stands behind “Share” on the page of the host.',
  unsafeScheme: ({ scheme }) =>
    `An address that begins with ${scheme}: could run code or show a file of yours, and is never put into a page. Paste the share link, which begins with https://.`,
  notAnAddress: ({ text }) => `“${text}” is not a web address. Copy the whole link once more, from https:// to its end.`,
  sourceMissing: () =>
    'This iframe has no address in src, so there is nothing to show. Copy the embed code once more, or paste the share link.',
  noPlayerFile: ({ what, name }) => `“${name}” is ${NO_PLAYER[what]}`,
  scriptUnknown: ({ address }) =>
    `This code loads a script from ${address}, of which no host card knows, and scripts of strangers are never run. Paste the share link of the item, or an iframe code; or add a card for that host in the Host book.`,
  shortcodeUnknown: ({ name }) =>
    `No host card knows a short code [${name} …]. Paste the share link of the item instead, or add the short code to the card of its host.`,
  sampleIdentifier: ({ host, found, example }) =>
    `“${found}” is the sample from the instructions of ${host}, not a real name. Put your own in its place; it looks like ${example}.`,
  brokenIdentifier: ({ host, found, shape, example }) =>
    `“${found}” is not complete: on ${host} this part is ${shape}, such as ${example}. Copy the link once more.`,
  linkUnknown: ({ host, example }) =>
    `This page of ${host} cannot be embedded. Open the item itself and copy its share link; it looks like ${example}.`,
  notForVisitors: ({ host, form, why, remedy }) => `This is the ${form} of ${host}: ${why}. What to do: ${remedy}.`,
};

const NO_PLAYER: Record<Of<Refusal, 'noPlayerFile'>['what'], string> = {
  stream:
    'the list of a stream’s parts, not a film: browsers need a player for it. Paste the share link, or the embed code, of the page that plays the stream.',
  subtitles: 'a file of captions: it belongs to a video and shows nothing by itself. Paste the link of the video.',
  book: 'an e-book, which browsers cannot show. Give it as a link to download, or paste the link of a page that shows it.',
  office:
    'an office document, which browsers download instead of showing it. Save it as PDF and paste the link of that, or paste the link of a page that shows it.',
};

const REPAIRS: Record<Repair['code'], string> = {
  schemeAdded: 'the beginning of the address was missing and was added',
  schemeRelative: 'an address that began with // was completed',
  entityTwice: '&amp; was written twice over and is & again',
  spaceTrimmed: 'spaces or line breaks in the address were taken out',
  tagUnclosed: 'the code was cut off before its end',
  curlyQuotes: 'curly quotes of a word processor are straight again',
  escapedCode: 'the code had arrived as text, with &lt; for <, and is code again',
  quoteMissing: 'a missing quotation mark was put in',
  quoteDoubled: 'quotation marks stood twice and stand once',
  questionTwice: 'a second ? stands in the address, where & was meant',
  questionMissing: 'the first parameter began with &, where ? was meant',
  fragmentFirst: 'the part from # stood before the parameters and was put behind them',
  oldCode: 'object code of the old kind became an iframe',
  jsx: 'code of a script component was read as HTML',
  invisible: 'signs that nobody sees were taken out of the address',
  escapedString: 'the code had arrived as a string of a program, with \\" for ", and is code again',
  joinedStrings: 'strings of a program were joined to one code',
  spacesBetween: 'spaces of a word processor between attributes are plain spaces again',
  waiting: 'the address of a frame that waits for a script, or for consent, was taken for its own',
};

const REASONS: Sentences<Reason> = {
  sent: () => 'The host does this.',
  alreadySo: () => 'The host does this anyway, so nothing is sent.',
  byFrame: () => 'The frame does this itself; no host is needed.',
  byElement: () => 'The browser does this itself with the file; no host is needed.',
  byCover: () => 'The cover does this itself; it shows in the code types that have a cover.',
  byPage: () => 'The page itself does this; no host is needed.',
  ownFile: () => 'A file of your own stands in the page itself: there is no host to keep waiting, and no frame.',
  formLacks: () => 'This form of code cannot do it. Choose another form.',
  scriptMakesFrame: () => 'The host’s script makes the frame itself, and its size and edges with it.',
  fromSite: () => 'The host asks for this, so it is taken from the site.',
  elementLacks: ({ kind }) => `A browser cannot do this with the file of ${KIND_WORDS[kind]} by itself.`,
  limited: ({ happens, date }) => `${happens} (as of ${date})`,
  nearest: ({ note, since }) => `${note} (since ${since})`,
  withdrawn: ({ note, since }) => `${note} (since ${since})`,
  hostLacks: ({ host }) => `${host} has no setting for this.`,
  valueLacks: ({ host, nearest }) =>
    nearest === null ? `${host} has no word for this value.` : `${host} has no word for this value; it stays “${nearest}”.`,
  noHost: () => 'No host card knows this address, so only the frame can be set.',
  otherKind: ({ kind }) => `This makes no sense for ${KIND_WORDS[kind] ?? kind}.`,
  otherTarget: () => 'The host does this for single items only.',
  autoplayNeedsMute: () => 'Browsers refuse to start with sound by itself. Muted, it starts.',
  endBeforeStart: () => 'The end is not after the start, so nothing would play.',
  widthNeedsMode: () => 'A width in pixels has no effect while the frame fills the column.',
  ratioAndHeight: () => 'Ratio and height both set the height; the height wins.',
};

const REACHED: Sentences<Reached> = {
  reachable: () => 'Visitors can see it.',
  notYet: ({ date, words }) => `Not out before ${sayDate(date)}: until then visitors see an empty frame. ${words}`.trim(),
  notReleased: ({ words }) => words || 'It is not released, so visitors see nothing. Release it at the host.',
  keyMissing: ({ words }) => words || 'A key is missing in the address. Copy the link with its key at the host.',
  mustSignIn: ({ words }) =>
    words || 'Visitors would have to sign in at the host first. Make it public there, then copy the share link again.',
  closed: ({ words }) => words || 'It is closed at the host.',
  refusesFraming: ({ by, text, site }) =>
    `The host does not let pages of ${site.replace(/^https?:\/\//, '')} frame it (${by === text ? by : `${by === 'X-Frame-Options' ? `${by}: ` : ''}${text}`}). Look for an embed code at the host, or give a link instead.`,
  httpOnly: ({ words }) => words || 'It answers over http alone, and pages over https leave such frames blank.',
  moved: ({ to }) => `It has moved for good, to ${to.replace(/^https?:\/\//, '')}.`,
  slow: ({ seconds }) => `The host took ${seconds} seconds to answer: visitors look at an empty frame that long.`,
  gone: ({ status }) => `There is nothing at this address any more (the host answers ${status}). Copy the share link anew.`,
  hostTrouble: ({ status }) => `The host has trouble at the moment (it answers ${status}). Look again later.`,
  noAnswer: ({ why }) =>
    `The frame address could not be asked: ${WHY_NOT[why] ?? 'the host did not answer'}. Look at the page yourself before you publish.`,
};

/** Why the server did not ask, by the code of its guard. */
export const WHY_NOT: Record<string, string> = {
  scheme: 'it is no address of the web',
  credentials: 'it holds a name and a password',
  port: 'its port is none of the web',
  privateAddress: 'it leads to a private network',
  nameUnknown: 'no host is known under that name',
  redirects: 'it leads round and round',
  tooSlow: 'the host took too long',
  tooLarge: 'its answer is too large',
  wrongType: 'its answer is of another kind',
  noAnswer: 'the host did not answer',
};

/** A date as the host wrote it, in one form. */
function sayDate(date: string): string {
  const read = new Date(date);
  return Number.isNaN(read.getTime()) ? date : read.toISOString().slice(0, 10);
}

const FINDINGS: Record<CheckId, (finding: Finding) => string> = {
  insecureFrame: ({ actual }) => `The page is loaded over https and ${actual} over http: browsers leave the frame blank.`,
  addressExpires: ({ actual, expected }) =>
    `This address holds until ${actual} (“${expected}”), and then visitors see nothing. Ask the host for a code that lasts.`,
  autoplayUnmuted: () =>
    'It is to start by itself with sound. Browsers refuse that, and it stands still until somebody presses play.',
  endBeforeStart: ({ actual, expected }) => `It ends at ${actual}, and begins at ${expected}: nothing would play.`,
  tooWide: ({ actual, expected }) =>
    `The frame is ${actual} px wide and the column ${expected} px: it is cut off, or pushes the page sideways.`,
  autoplayAudio: () =>
    'Browsers do not let sound start by itself in a frame, even muted, until the visitor has clicked on the page.',
  ratioDiffers: ({ actual, expected }) => `The frame is ${actual} and the picture ${expected}: there will be bars.`,
  titleMissing: () => 'The frame has no title. Screen readers then say its address, or nothing.',
  unknownParameter: ({ actual, expected }) =>
    `${expected} does not know the parameter “${actual}”. It is kept, and may do nothing.`,
  notReachable: ({ reached }) => sayReached(reached!),
  sharePageFramed: ({ actual }) =>
    `No card knows ${actual}, so its page itself stands in the frame, and most pages refuse that. Paste the embed code of the host instead, which stands behind its “Share” or “Embed”.`,
  reachedOddly: ({ reached }) => sayReached(reached!),
  severalCards: ({ actual }) =>
    `${actual} claim this link with equal right. Which of them is followed is chance: make the link form of one of them more specific, in the Host book.`,
  hostCondition: ({ actual }) => actual,
  formNotKept: ({ actual }) => `The editor of ${actual} does not keep this code type.`,
  scriptStripped: ({ actual }) =>
    `The editor of ${actual} takes scripts out: nothing but the placeholder would be left. Take a code type without script, or a link.`,
  strippedBySite: ({ actual, expected }) => `The editor of ${expected} takes this out of the code: ${actual}.`,
  framePolicy: ({ actual, expected }) =>
    `The site’s Content Security Policy does not let ${actual} into frames. Whoever looks after the site must add it: ${expected}`,
  accentContrast: ({ actual }) =>
    `The accent colour has a contrast of ${actual} to 1 with the background; buttons and bars need 3 to 1 to be seen.`,
  coverForm: () => 'It is to load on request only, and this code type has no cover to ask with.',
  coverFromHost: ({ actual }) =>
    `The cover picture lies at ${actual}, so the host is asked for it before any visitor wanted that. Put the picture on your site, or into the code.`,
  coverHeavy: ({ actual, expected }) =>
    `The cover weighs ${actual} kB, and every visitor of the page loads it. ${expected} kB are enough for a picture of this size.`,
  outTooEarly: ({ actual, expected }) =>
    `The public may see it from ${expected} on, and ${actual === '' ? 'nobody has said when the page goes out' : `the page goes out on ${actual}`}. Until then visitors find nothing in the frame.`,
  coverShape: ({ actual, expected }) => `The cover is ${actual} and the frame ${expected}: two of its sides are cut off.`,
  consentMissing: ({ expected }) => `The cover does not say that a press loads something from ${expected}.`,
  autoplayCovered: () => 'Behind a cover it begins with the press; that it is to start by itself has no effect.',
  noWayToStop: () => 'It moves by itself and has no controls: nobody can stop it.',
  muteAlone: () => 'It stays silent even for those who press play to hear it.',
  startBeyondEnd: ({ actual, expected }) => `It begins at ${actual}, and is over at ${expected}: there is nothing to see.`,
  endBeyondEnd: ({ actual, expected }) => `It is to end at ${actual}, and is over at ${expected} anyway.`,
  pageBeyondEnd: ({ actual, expected }) => `It is to open at page ${actual}, and has ${expected}.`,
  tallerThanScreen: ({ actual }) => `Filling the column it is ${actual} px high, more than the screen of a laptop shows.`,
  smallerThanUseful: ({ actual, expected }) =>
    `On a phone it is ${actual}, and of use from ${expected}: buttons vanish, or scroll bars appear.`,
  scrollsInside: ({ actual, expected }) =>
    `The frame is ${actual} px high and its content ${expected} px: it gets a scroll bar of its own.`,
  loadsAllAtOnce: () => 'Turning by itself, or with its sound bed, it loads all its pages together with the page around it.',
  manyAtOnce: ({ actual }) => `With the others, ${actual} players load at once when the page is opened. On a phone that is slow.`,
  sameTitle: ({ actual }) => `Another embed of the page is called “${actual}” too: by ear nobody can tell them apart.`,
  severalStart: ({ actual }) =>
    `${actual === '1' ? 'Another embed' : `${actual} other embeds`} of the page ${actual === '1' ? 'starts' : 'start'} by themselves as well: they play over each other.`,
  scriptTwice: ({ actual }) =>
    `Another embed of the page brings the same script, ${shortened(actual)}. Once is enough: take it out of one of them.`,
  permissionMissing: ({ actual }) =>
    `The frame is not allowed ${actual.replaceAll('; ', ' and ').replaceAll('-', ' ')}, which its player wants to use.`,
  sandboxBlocks: ({ actual }) => `The sandbox lacks ${actual}: the player stays empty.`,
  runsOwnCode: ({ actual, expected, place }) =>
    `${RUNNING[expected as RunningKind](actual)} ${place ? 'Leave it out, unless you know who wrote it.' : 'It was left out.'}`,
  obsoleteAttribute: ({ actual }) => `HTML has given up the attribute ${actual}. It is kept, and may do nothing.`,
  saidTwice: ({ actual }) => `“${actual}” was said twice; the first holds, and this was left out.`,
  languageDiffers: ({ actual, expected }) => `The player speaks ${actual}, and the page ${expected}.`,
  linkForNobody: () => 'Where no script runs, in mails and readers, nothing of it is shown, and no link leads to it.',
};

const RUNNING: Record<RunningKind, (name: string) => string> = {
  handler: (name) => `The attribute ${name} runs code in your page.`,
  script: () => 'A script that no host card knows runs code in your page.',
  address: (name) => `The address in ${name} is code, and runs in your page.`,
  page: (name) => `The page within ${name} runs code in your page.`,
  refresh: () => 'A refresh leads your page elsewhere.',
  expression: (name) => `“${name}” is code of a script component.`,
};

const REMEDIES: Record<CheckId, (finding: Finding) => string> = {
  addressExpires: () => '',
  insecureFrame: () => 'Use https',
  autoplayUnmuted: () => 'Start muted',
  endBeforeStart: ({ remedy }) =>
    remedy?.by === 'settings' && remedy.change.end === null ? 'Play to the end' : 'Swap start and end',
  tooWide: ({ expected }) => `Make it ${expected} px`,
  autoplayAudio: () => 'Wait for the visitor',
  ratioDiffers: ({ expected }) => `Use ${expected}`,
  titleMissing: ({ expected }) => (expected === '' ? 'Write a title' : `Use “${expected}”`),
  unknownParameter: ({ actual }) => `Drop ${actual}`,
  notReachable: () => '',
  sharePageFramed: () => 'Give a link instead',
  reachedOddly: () => 'Use the new address',
  severalCards: () => '',
  hostCondition: () => '',
  formNotKept: () => 'Take a code type that it keeps',
  scriptStripped: () => '',
  strippedBySite: () => 'Take a code type that does without',
  framePolicy: () => '',
  accentContrast: ({ expected }) => `Use ${expected}`,
  coverForm: () => 'Take the code type with a cover',
  coverFromHost: () => 'Choose another picture',
  coverHeavy: () => 'Make it smaller',
  outTooEarly: () => 'Say so on a cover',
  coverShape: () => 'Cut it anew',
  consentMissing: () => 'Say it on the cover',
  autoplayCovered: () => 'Leave it to the press',
  noWayToStop: () => 'Show the controls',
  muteAlone: () => 'Let it sound',
  startBeyondEnd: () => 'Begin at the start',
  endBeyondEnd: () => 'Play to the end',
  pageBeyondEnd: ({ expected }) => `Open at page ${expected}`,
  tallerThanScreen: ({ expected }) => `At most ${expected} px wide`,
  smallerThanUseful: ({ expected }) => `Make it ${expected} high`,
  scrollsInside: ({ expected }) => `Make it ${expected} px high`,
  loadsAllAtOnce: () => 'Load when near',
  manyAtOnce: () => 'Load when near',
  sameTitle: ({ expected }) => (expected === '' ? 'Write another title' : `Use “${expected}”`),
  severalStart: () => 'Wait for the visitor',
  scriptTwice: () => '',
  permissionMissing: () => 'Allow it',
  sandboxBlocks: () => 'Allow what it needs',
  runsOwnCode: () => 'Leave it out',
  obsoleteAttribute: () => '',
  saidTwice: () => '',
  languageDiffers: ({ expected }) => `Use ${expected}`,
  linkForNobody: ({ expected }) => `Link as “${shortened(expected)}”`,
};

export const STATE_WORDS: Record<State, string> = {
  sent: 'sent',
  'done here': 'done here',
  'in part': 'in part',
  'not offered': 'not offered',
  conflict: 'conflict',
  'not applicable': 'not for this kind',
};

export const sayRefusal = (refusal: Refusal): string => REFUSALS[refusal.code](refusal as never);
export const sayRepair = (repair: Repair): string => REPAIRS[repair.code];
export const sayReached = (reached: Reached): string => REACHED[reached.code](reached as never);
export const sayReason = (reason: Reason): string => REASONS[reason.code](reason as never);
export const sayFinding = (finding: Finding): string => FINDINGS[finding.code as CheckId](finding);
export const sayRemedy = (finding: Finding & { remedy: Remedy }): string => REMEDIES[finding.code as CheckId](finding);
/** The other way, for those who know better. */
export const KEEP_ALL_THE_SAME = 'Keep it all the same';

/** A host card that is not taken. */
export const sayCardProblem = ({ file, place, message }: CardProblem): string =>
  `${file}${place ? `, at ${place}` : ''}: ${message}. The card is left out until this is put right.`;

/** A value that was given for a setting and does not fit it. */
export function sayWrongValue(id: SettingId, text: string): string {
  const { value, label } = settingOf(id);
  return `${label} takes ${TYPE_WORDS[value.type](value as never)}, not “${text.slice(0, 60)}”.`;
}

const TYPE_WORDS = {
  switch: () => 'on or off',
  choice: ({ options }: { options: readonly string[] }) => options.join(', ').replace(/, ([^,]*)$/, ' or $1'),
  time: () => 'a time such as 42, 1:12 or 1m12s',
  count: ({ least }: { least: number }) => `a whole number from ${least}`,
  length: ({ least, most }: { least: number; most: number }) => `whole pixels from ${least} to ${most}`,
  colour: () => 'a colour such as #2f6f7e',
  ratio: () => 'a ratio such as 16:9',
  language: () => 'a language code such as en',
  text: ({ longest }: { longest: number }) => `up to ${longest} characters`,
  picture: () => 'the address of a picture, or a picture file',
  set: ({ options }: { options: readonly string[] }) => `some of ${options.join(', ')}`,
  name: () => 'a word of letters, digits, - and _',
  names: () => 'words of letters, digits, - and _, with spaces between',
  features: ({ longest }: { longest: number }) => `features such as camera; microphone, up to ${longest} characters`,
};

/** A setting as a short sentence, as it stands on the Bench; the first of each pair is for a setting left to the host. */
type Phrase = (value: string) => string;
const PHRASES: Record<SettingId, readonly [untouched: string, asked: Phrase]> = {
  tracking: ['tracking as usual', (v) => (v === 'reduced' ? 'tracks less' : 'tracking as usual')],
  accent: ['usual colour', (v) => `accent ${v}`],
  language: ['language as usual', (v) => `speaks ${v}`],
  theme: ['usual theme', (v) => ({ light: 'light theme', dark: 'dark theme', page: 'theme of the page' })[v] ?? v],
  showTitle: ['title as usual', (v) => (v === 'on' ? 'title shown' : 'no title')],
  showAuthor: ['author as usual', (v) => (v === 'on' ? 'author shown' : 'no author')],
  shownName: ['usual name', (v) => `named “${v}”`],
  header: ['header as usual', (v) => (v === 'on' ? 'with a header' : 'no header')],
  footer: ['footer as usual', (v) => (v === 'on' ? 'with a footer' : 'no footer')],
  sizeStep: ['usual picture size', (v) => `pictures ${v} px wide`],
  zoom: ['usual zoom', (v) => `zoom ${v}`],
  marker: ['usual mark', (v) => `marked “${v}”`],
  mapStyle: ['usual map', (v) => (v === 'relief' ? 'hills shaded' : 'a plain map')],
  panels: ['usual panels', (v) => `with ${v.replaceAll(',', ', ')}`],
  domain: ['page’s domain not sent', (v) => `on ${v}`],
  artwork: ['artwork as usual', (v) => (v === 'on' ? 'with artwork' : 'without artwork')],
  density: ['usual player', (v) => (v === 'slim' ? 'a slim player' : 'a full player')],
  autoplay: ['waits for a press', (v) => (v === 'on' ? 'starts by itself' : 'waits for a press')],
  mute: ['with sound', (v) => (v === 'on' ? 'muted' : 'with sound')],
  start: ['from the start', (v) => `begins at ${v}`],
  page: ['opens at page 1', (v) => `opens at page ${v}`],
  movement: ['moves as usual', (v) => (v === 'path' ? 'follows the path' : 'moves freely')],
  interval: ['turned by hand', (v) => `next after ${v}`],
  spread: ['usual spread', (v) => (v === 'single' ? 'one page at a time' : 'two pages side by side')],
  cues: ['cues as usual', (v) => (v === 'on' ? 'shows page cues' : 'no page cues')],
  soundBed: ['sound bed as usual', (v) => (v === 'on' ? 'with a sound bed' : 'no sound bed')],
  captions: ['captions as usual', (v) => `captions in ${v}`],
  volume: ['volume as usual', (v) => `volume ${v} %`],
  scroll: ['scrolls as usual', (v) => (v === 'on' ? 'turned by scrolling' : 'scrolling passes it by')],
  fullscreen: ['full screen as usual', (v) => (v === 'on' ? 'can fill the screen' : 'no full screen')],
  pictureInPicture: ['small window as usual', (v) => (v === 'on' ? 'can move to a small window' : 'no small window')],
  download: ['download as usual', (v) => (v === 'on' ? 'can be downloaded' : 'no download')],
  continue: ['next as usual', (v) => (v === 'on' ? 'then the next one' : 'stops after it')],
  controls: ['controls shown', (v) => (v === 'on' ? 'controls shown' : 'no controls')],
  end: ['plays to the end', (v) => `ends at ${v}`],
  loop: ['plays once', (v) => (v === 'on' ? 'begins again' : 'plays once')],
  related: [
    'then anyone’s videos',
    (v) => ({ any: 'then anyone’s videos', same: 'then its own channel', none: 'then no videos' })[v] ?? v,
  ],
  load: [
    'loads with the page',
    (v) => ({ all: 'loads with the page', near: 'loads when near', ask: 'loads on request' })[v] ?? v,
  ],
  cover: [
    'a plain cover',
    (v) => (v.startsWith('data:') ? `cover of ${Math.ceil((v.length * 3) / 4096)} kB` : 'a cover picture'),
  ],
  coverWords: ['usual cover words', (v) => `cover says “${v}”`],
  consent: ['no cover sentence', (v) => `explains “${shortened(v)}”`],
  heading: ['no heading', (v) => `headed “${shortened(v)}”`],
  text: ['no text', (v) => `with the text “${shortened(v)}”`],
  beside: ['text above', (v) => (v === 'on' ? 'text beside it' : 'text above')],
  caption: ['no caption', (v) => `captioned “${shortened(v)}”`],
  textLink: ['no link below', (v) => `linked below as “${shortened(v)}”`],
  transcript: ['no transcript', (v) => `with a transcript of ${v.split(/\s+/).length} words`],
  structuredData: ['no structured data', (v) => (v === 'on' ? 'with structured data' : 'no structured data')],
  title: ['no title', (v) => `titled “${v}”`],
  widthMode: ['usual width', (v) => ({ fill: 'fills the column', atMost: 'at most so wide', fixed: 'one width' })[v] ?? v],
  width: ['no width set', (v) => `${v} px wide`],
  ratio: ['its own ratio', (v) => `ratio ${v}`],
  height: ['usual height', (v) => `${v} px high`],
  align: ['aligned left', (v) => ({ start: 'aligned left', centre: 'centred', end: 'aligned right' })[v] ?? v],
  spaceAbove: ['no space above', (v) => `${v} px above`],
  spaceBelow: ['no space below', (v) => `${v} px below`],
  border: ['no border', (v) => `border ${v} px`],
  radius: ['square corners', (v) => `corners ${v} px round`],
  background: ['no background', (v) => `background ${v}`],
  referrer: [
    'referrer as usual',
    (v) => ({ none: 'tells no referrer', origin: 'tells its origin only', usual: 'referrer as usual' })[v] ?? v,
  ],
  permissions: ['usual permissions', (v) => `may use ${shortened(v)}`],
  sandbox: ['no sandbox', (v) => (v === '' ? 'sandbox: nothing allowed' : `sandbox: ${v}`)],
  elementId: ['no id', (v) => `id ${v}`],
  className: ['no class', (v) => `class ${v}`],
};

const shortened = (text: string): string => (text.length > 40 ? `${text.slice(0, 39)}…` : text);

export function saySetting(id: SettingId, value: SettingValue | undefined): string {
  const [untouched, asked] = PHRASES[id];
  return value === undefined ? untouched : asked(writeValue(settingOf(id).value, value));
}

/** A value of a setting with few of them, as it stands on its button. */
export function sayOption(id: SettingId, option: string): string {
  return OPTIONS[id]?.[option] ?? option;
}

const OPTIONS: { readonly [Id in SettingId]?: Record<string, string> } = {
  widthMode: { fill: 'Fill the column', atMost: 'At most', fixed: 'Fixed' },
  align: { start: 'Left', centre: 'Centre', end: 'Right' },
  load: { all: 'With the page', near: 'When near', ask: 'On request' },
  related: { any: 'Anyone’s', same: 'Same channel', none: 'None' },
  tracking: { usual: 'As usual', reduced: 'Reduced' },
  density: { full: 'Full', slim: 'Slim' },
  theme: { light: 'Light', dark: 'Dark', page: 'As the page' },
  sizeStep: { 360: '360 px', 720: '720 px', 1080: '1080 px', 1620: '1620 px' },
  mapStyle: { plain: 'Plain', relief: 'Relief' },
  movement: { free: 'Free', path: 'Fixed path' },
  spread: { single: 'One page', double: 'Two pages' },
  referrer: { origin: 'Origin only', none: 'Nothing', usual: 'As usual' },
  panels: { transcript: 'Transcript', topics: 'Topics', people: 'People' },
};

/** A fix as it stands on its button. */
export function sayFix(fix: SettingsFix): string {
  const parts = Object.entries(fix).map(([id, value]) =>
    value === null ? `drop ${settingOf(id as SettingId).label.toLowerCase()}` : saySetting(id as SettingId, value),
  );
  const words = parts.join(', ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** What became of a setting, in one line. */
export function sayState({ state, sent, reason }: PlanEntry): string {
  const how = sent.length > 0 ? `${state === 'sent' ? '' : ', sent'} as ${saySent(sent)}` : '';
  return `${STATE_WORDS[state]}${how}. ${sayReason(reason)}`;
}

const saySent = (sent: readonly Sent[]): string =>
  sent.map((s) => (s.in === 'origin' ? `the ${s.value} domain` : `${s.name}=${s.value}`)).join(' and ');

export const sayOrigin = ({ kind, host }: Item): string =>
  `This says which item it is: ${KIND_WORDS[kind]}${host ? '' : ' of a host that is not known yet'}.`;

const DROPPED: Record<Extract<Meaning, { role: 'dropped' }>['why'], string> = {
  tracking: 'dropped: tracking',
  duplicate: 'dropped: said twice',
  runs: 'runs code: left out',
};

/** What a part of a pasted text means. */
export function sayMeaning(meaning: Meaning): string {
  switch (meaning.role) {
    case 'host':
      return meaning.name ?? 'a host that is not known yet';
    case 'form':
      return meaning.name;
    case 'identity':
      return meaning.name ?? 'holds the whole link';
    case 'setting':
      return saySetting(meaning.setting, meaning.value);
    case 'permission':
      return `may use: ${meaning.features.map((feature) => feature.split(' ')[0]).join(', ')}`;
    case 'usual':
      return 'always so';
    case 'unknown':
      return 'unknown, kept';
    case 'dropped':
      return DROPPED[meaning.why];
    case 'broken':
      return 'cannot be used';
  }
}

/** A difference between two codes, in words. */
export function sayDifference({ what, name, before, after, setting }: Difference): string {
  if (setting) {
    const label = settingOf(setting.id).label.toLowerCase();
    return `${label}: ${saySetting(setting.id, setting.before)} → ${saySetting(setting.id, setting.after)}`;
  }
  if (what === 'address') return 'the frame is loaded from another address';
  const thing = what === 'parameter' ? `the parameter ${name}` : `the attribute ${name}`;
  if (before === null) return `${thing} is new`;
  return after === null ? `${thing} is gone` : `${thing} has another value`;
}
