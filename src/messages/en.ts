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
import { showList, t, within } from './t.ts';
import { labelOf } from './labels.ts';

/** Every sentence that a publisher reads about data of the core. One language, one file. */
type Of<Data, Code> = Data extends { code: infer Own } ? (Code extends Own ? Data : never) : never;
type Sentences<Data extends { code: string }> = { [Code in Data['code']]: (data: Of<Data, Code>) => string };

const REFUSALS: Sentences<Refusal> = {
  emptyText: () => t('Nothing is pasted yet. Paste a share link, or the embed code that a host gave you.'),
  tooLong: ({ most }) =>
    t('The text is longer than {most} million characters. Paste only the part with the link or the embed code.', {
      most: most / 1_000_000,
    }),
  nothingFound: () =>
    t(
      'There is neither a link nor embed code in this text. A share link begins with https:// and stands behind “Share” on the page of the host.',
    ),
  unsafeScheme: ({ scheme }) =>
    t(
      'An address that begins with {scheme}: could run code or show a file of yours, and is never put into a page. Paste the share link, which begins with https://.',
      { scheme },
    ),
  notAnAddress: ({ text }) =>
    t('“{text}” is not a web address. Copy the whole link once more, from https:// to its end.', { text }),
  sourceMissing: () =>
    t('This iframe has no address in src, so there is nothing to show. Copy the embed code once more, or paste the share link.'),
  noPlayerFile: ({ what, name }) => t('“{name}” is {why}', { name, why: NO_PLAYER[what] }),
  scriptUnknown: ({ address }) =>
    t(
      'This code loads a script from {address}, of which no host card knows, and scripts of strangers are never run. Paste the share link of the item, or an iframe code; or add a card for that host in the Host book.',
      { address },
    ),
  shortcodeUnknown: ({ name }) =>
    t(
      'No host card knows a short code [{name} …]. Paste the share link of the item instead, or add the short code to the card of its host.',
      { name },
    ),
  sampleIdentifier: ({ host, found, example }) =>
    t(
      '“{found}” is the sample from the instructions of {host}, not a real name. Put your own in its place; it looks like {example}.',
      { found, host, example },
    ),
  brokenIdentifier: ({ host, found, shape, example }) =>
    t('“{found}” is not complete: on {host} this part is {shape}, such as {example}. Copy the link once more.', {
      found,
      host,
      shape,
      example,
    }),
  linkUnknown: ({ host, example }) =>
    t('This page of {host} cannot be embedded. Open the item itself and copy its share link; it looks like {example}.', {
      host,
      example,
    }),
  notForVisitors: ({ host, form, why, remedy }) =>
    t('This is the {form} of {host}: {why}. What to do: {remedy}.', { form, host, why, remedy }),
};

const NO_PLAYER: Record<Of<Refusal, 'noPlayerFile'>['what'], string> = {
  stream: t(
    'the list of a stream’s parts, not a film: browsers need a player for it. Paste the share link, or the embed code, of the page that plays the stream.',
  ),
  subtitles: t('a file of captions: it belongs to a video and shows nothing by itself. Paste the link of the video.'),
  book: t('an e-book, which browsers cannot show. Give it as a link to download, or paste the link of a page that shows it.'),
  office: t(
    'an office document, which browsers download instead of showing it. Save it as PDF and paste the link of that, or paste the link of a page that shows it.',
  ),
};

const REPAIRS: Record<Repair['code'], string> = {
  schemeAdded: t('the beginning of the address was missing and was added'),
  schemeRelative: t('an address that began with // was completed'),
  entityTwice: t('&amp; was written twice over and is & again'),
  spaceTrimmed: t('spaces or line breaks in the address were taken out'),
  tagUnclosed: t('the code was cut off before its end'),
  curlyQuotes: t('curly quotes of a word processor are straight again'),
  escapedCode: t('the code had arrived as text, with &lt; for <, and is code again'),
  quoteMissing: t('a missing quotation mark was put in'),
  quoteDoubled: t('quotation marks stood twice and stand once'),
  questionTwice: t('a second ? stands in the address, where & was meant'),
  questionMissing: t('the first parameter began with &, where ? was meant'),
  fragmentFirst: t('the part from # stood before the parameters and was put behind them'),
  oldCode: t('object code of the old kind became an iframe'),
  jsx: t('code of a script component was read as HTML'),
  invisible: t('signs that nobody sees were taken out of the address'),
  escapedString: t('the code had arrived as a string of a program, with \\" for ", and is code again'),
  joinedStrings: t('strings of a program were joined to one code'),
  spacesBetween: t('spaces of a word processor between attributes are plain spaces again'),
  waiting: t('the address of a frame that waits for a script, or for consent, was taken for its own'),
};

const REASONS: Sentences<Reason> = {
  sent: () => t('The host does this.'),
  alreadySo: () => t('The host does this anyway, so nothing is sent.'),
  byFrame: () => t('The frame does this itself; no host is needed.'),
  byElement: () => t('The browser does this itself with the file; no host is needed.'),
  byCover: () => t('The cover does this itself; it shows in the code types that have a cover.'),
  byPage: () => t('The page itself does this; no host is needed.'),
  ownFile: () => t('A file of your own stands in the page itself: there is no host to keep waiting, and no frame.'),
  formLacks: () => t('This form of code cannot do it. Choose another form.'),
  scriptMakesFrame: () => t('The host’s script makes the frame itself, and its size and edges with it.'),
  fromSite: () => t('The host asks for this, so it is taken from the site.'),
  elementLacks: ({ kind }) => t('A browser cannot do this with the file of {kind} by itself.', { kind: KIND_WORDS[kind] }),
  limited: ({ happens, date }) => t('{happens} (as of {date})', { happens, date }),
  nearest: ({ note, since }) => t('{note} (since {since})', { note, since }),
  withdrawn: ({ note, since }) => t('{note} (since {since})', { note, since }),
  hostLacks: ({ host }) => t('{host} has no setting for this.', { host }),
  valueLacks: ({ host, nearest }) =>
    nearest === null
      ? t('{host} has no word for this value.', { host })
      : t('{host} has no word for this value; it stays “{nearest}”.', { host, nearest }),
  noHost: () => t('No host card knows this address, so only the frame can be set.'),
  otherKind: ({ kind }) => t('This makes no sense for {kind}.', { kind: KIND_WORDS[kind] ?? kind }),
  otherTarget: () => t('The host does this for single items only.'),
  autoplayNeedsMute: () => t('Browsers refuse to start with sound by itself. Muted, it starts.'),
  endBeforeStart: () => t('The end is not after the start, so nothing would play.'),
  widthNeedsMode: () => t('A width in pixels has no effect while the frame fills the column.'),
  ratioAndHeight: () => t('Ratio and height both set the height; the height wins.'),
};

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

const FINDINGS: Record<CheckId, (finding: Finding) => string> = {
  insecureFrame: ({ actual }) =>
    t('The page is loaded over https and {actual} over http: browsers leave the frame blank.', { actual }),
  addressExpires: ({ actual, expected }) =>
    t('This address holds until {actual} (“{expected}”), and then visitors see nothing. Ask the host for a code that lasts.', {
      actual,
      expected,
    }),
  autoplayUnmuted: () =>
    t('It is to start by itself with sound. Browsers refuse that, and it stands still until somebody presses play.'),
  endBeforeStart: ({ actual, expected }) =>
    t('It ends at {actual}, and begins at {expected}: nothing would play.', { actual, expected }),
  tooWide: ({ actual, expected }) =>
    t('The frame is {actual} px wide and the column {expected} px: it is cut off, or pushes the page sideways.', {
      actual,
      expected,
    }),
  autoplayAudio: () =>
    t('Browsers do not let sound start by itself in a frame, even muted, until the visitor has clicked on the page.'),
  ratioDiffers: ({ actual, expected }) =>
    t('The frame is {actual} and the picture {expected}: there will be bars.', { actual, expected }),
  titleMissing: () => t('The frame has no title. Screen readers then say its address, or nothing.'),
  unknownParameter: ({ actual, expected }) =>
    t('{expected} does not know the parameter “{actual}”. It is kept, and may do nothing.', { expected, actual }),
  notReachable: ({ reached }) => sayReached(reached!),
  sharePageFramed: ({ actual }) =>
    t(
      'No card knows {actual}, so its page itself stands in the frame, and most pages refuse that. Paste the embed code of the host instead, which stands behind its “Share” or “Embed”.',
      { actual },
    ),
  reachedOddly: ({ reached }) => sayReached(reached!),
  severalCards: ({ actual }) =>
    t(
      '{actual} claim this link with equal right. Which of them is followed is chance: make the link form of one of them more specific, in the Host book.',
      { actual },
    ),
  hostCondition: ({ actual }) => actual,
  formNotKept: ({ actual }) => t('The editor of {actual} does not keep this code type.', { actual }),
  scriptStripped: ({ actual }) =>
    t(
      'The editor of {actual} takes scripts out: nothing but the placeholder would be left. Take a code type without script, or a link.',
      { actual },
    ),
  strippedBySite: ({ actual, expected }) =>
    t('The editor of {expected} takes this out of the code: {actual}.', { expected, actual }),
  framePolicy: ({ actual, expected }) =>
    t(
      'The site’s Content Security Policy does not let {actual} into frames. Whoever looks after the site must add it: {expected}',
      { actual, expected },
    ),
  accentContrast: ({ actual }) =>
    t('The accent colour has a contrast of {actual} to 1 with the background; buttons and bars need 3 to 1 to be seen.', {
      actual,
    }),
  coverForm: () => t('It is to load on request only, and this code type has no cover to ask with.'),
  coverFromHost: ({ actual }) =>
    t(
      'The cover picture lies at {actual}, so the host is asked for it before any visitor wanted that. Put the picture on your site, or into the code.',
      { actual },
    ),
  coverHeavy: ({ actual, expected }) =>
    t(
      'The cover weighs {actual} kB, and every visitor of the page loads it. {expected} kB are enough for a picture of this size.',
      { actual, expected },
    ),
  outTooEarly: ({ actual, expected }) =>
    actual === ''
      ? t(
          'The public may see it from {expected} on, and nobody has said when the page goes out. Until then visitors find nothing in the frame.',
          { expected },
        )
      : t(
          'The public may see it from {expected} on, and the page goes out on {actual}. Until then visitors find nothing in the frame.',
          { expected, actual },
        ),
  coverShape: ({ actual, expected }) =>
    t('The cover is {actual} and the frame {expected}: two of its sides are cut off.', { actual, expected }),
  consentMissing: ({ expected }) => t('The cover does not say that a press loads something from {expected}.', { expected }),
  autoplayCovered: () => t('Behind a cover it begins with the press; that it is to start by itself has no effect.'),
  noWayToStop: () => t('It moves by itself and has no controls: nobody can stop it.'),
  muteAlone: () => t('It stays silent even for those who press play to hear it.'),
  startBeyondEnd: ({ actual, expected }) =>
    t('It begins at {actual}, and is over at {expected}: there is nothing to see.', { actual, expected }),
  endBeyondEnd: ({ actual, expected }) => t('It is to end at {actual}, and is over at {expected} anyway.', { actual, expected }),
  pageBeyondEnd: ({ actual, expected }) => t('It is to open at page {actual}, and has {expected}.', { actual, expected }),
  tallerThanScreen: ({ actual }) =>
    t('Filling the column it is {actual} px high, more than the screen of a laptop shows.', { actual }),
  smallerThanUseful: ({ actual, expected }) =>
    t('On a phone it is {actual}, and of use from {expected}: buttons vanish, or scroll bars appear.', { actual, expected }),
  scrollsInside: ({ actual, expected }) =>
    t('The frame is {actual} px high and its content {expected} px: it gets a scroll bar of its own.', { actual, expected }),
  loadsAllAtOnce: () => t('Turning by itself, or with its sound bed, it loads all its pages together with the page around it.'),
  manyAtOnce: ({ actual }) =>
    t('With the others, {actual} players load at once when the page is opened. On a phone that is slow.', { actual }),
  sameTitle: ({ actual }) =>
    t('Another embed of the page is called “{actual}” too: by ear nobody can tell them apart.', { actual }),
  severalStart: ({ actual }) =>
    t(
      '{count, plural, one {Another embed of the page starts by itself as well} other {# other embeds of the page start by themselves as well}}: they play over each other.',
      {
        count: Number(actual),
      },
    ),
  scriptTwice: ({ actual }) =>
    t('Another embed of the page brings the same script, {actual}. Once is enough: take it out of one of them.', {
      actual: shortened(actual),
    }),
  permissionMissing: ({ actual }) =>
    t('The frame is not allowed {actual}, which its player wants to use.', {
      actual: showList(actual.replaceAll('-', ' ').split('; ')),
    }),
  sandboxBlocks: ({ actual }) => t('The sandbox lacks {actual}: the player stays empty.', { actual }),
  runsOwnCode: ({ actual, expected, place }) =>
    `${RUNNING[expected as RunningKind](actual)} ${place ? t('Leave it out, unless you know who wrote it.') : t('It was left out.')}`,
  obsoleteAttribute: ({ actual }) => t('HTML has given up the attribute {actual}. It is kept, and may do nothing.', { actual }),
  saidTwice: ({ actual }) => t('“{actual}” was said twice; the first holds, and this was left out.', { actual }),
  languageDiffers: ({ actual, expected }) => t('The player speaks {actual}, and the page {expected}.', { actual, expected }),
  linkForNobody: () => t('Where no script runs, in mails and readers, nothing of it is shown, and no link leads to it.'),
};

const RUNNING: Record<RunningKind, (name: string) => string> = {
  handler: (name) => t('The attribute {name} runs code in your page.', { name }),
  script: () => t('A script that no host card knows runs code in your page.'),
  address: (name) => t('The address in {name} is code, and runs in your page.', { name }),
  page: (name) => t('The page within {name} runs code in your page.', { name }),
  refresh: () => t('A refresh leads your page elsewhere.'),
  expression: (name) => t('“{name}” is code of a script component.', { name }),
};

const REMEDIES: Record<CheckId, (finding: Finding) => string> = {
  addressExpires: () => '',
  insecureFrame: () => t('Use https'),
  autoplayUnmuted: () => t('Start muted'),
  endBeforeStart: ({ remedy }) =>
    remedy?.by === 'settings' && remedy.change.end === null ? t('Play to the end') : t('Swap start and end'),
  tooWide: ({ expected }) => t('Make it {expected} px', { expected }),
  autoplayAudio: () => t('Wait for the visitor'),
  ratioDiffers: ({ expected }) => t('Use {expected}', { expected }),
  titleMissing: ({ expected }) => (expected === '' ? t('Write a title') : t('Use “{expected}”', { expected })),
  unknownParameter: ({ actual }) => t('Drop {actual}', { actual }),
  notReachable: () => '',
  sharePageFramed: () => t('Give a link instead'),
  reachedOddly: () => t('Use the new address'),
  severalCards: () => '',
  hostCondition: () => '',
  formNotKept: () => t('Take a code type that it keeps'),
  scriptStripped: () => '',
  strippedBySite: () => t('Take a code type that does without'),
  framePolicy: () => '',
  accentContrast: ({ expected }) => t('Use {expected}', { expected }),
  coverForm: () => t('Take the code type with a cover'),
  coverFromHost: () => t('Choose another picture'),
  coverHeavy: () => t('Make it smaller'),
  outTooEarly: () => t('Say so on a cover'),
  coverShape: () => t('Cut it anew'),
  consentMissing: () => t('Say it on the cover'),
  autoplayCovered: () => t('Leave it to the press'),
  noWayToStop: () => t('Show the controls'),
  muteAlone: () => t('Let it sound'),
  startBeyondEnd: () => t('Begin at the start'),
  endBeyondEnd: () => t('Play to the end'),
  pageBeyondEnd: ({ expected }) => t('Open at page {expected}', { expected }),
  tallerThanScreen: ({ expected }) => t('At most {expected} px wide', { expected }),
  smallerThanUseful: ({ expected }) => t('Make it {expected} high', { expected }),
  scrollsInside: ({ expected }) => t('Make it {expected} px high', { expected }),
  loadsAllAtOnce: () => t('Load when near'),
  manyAtOnce: () => t('Load when near'),
  sameTitle: ({ expected }) => (expected === '' ? t('Write another title') : t('Use “{expected}”', { expected })),
  severalStart: () => t('Wait for the visitor'),
  scriptTwice: () => '',
  permissionMissing: () => t('Allow it'),
  sandboxBlocks: () => t('Allow what it needs'),
  runsOwnCode: () => t('Leave it out'),
  obsoleteAttribute: () => '',
  saidTwice: () => '',
  languageDiffers: ({ expected }) => t('Use {expected}', { expected }),
  linkForNobody: ({ expected }) => t('Link as “{expected}”', { expected: shortened(expected) }),
};

export const STATE_WORDS: Record<State, string> = {
  sent: t('sent'),
  'done here': t('done here'),
  'in part': t('in part'),
  'not offered': t('not offered'),
  conflict: t('conflict'),
  'not applicable': t('not for this kind'),
};

export const sayRefusal = (refusal: Refusal): string => REFUSALS[refusal.code](refusal as never);
export const sayRepair = (repair: Repair): string => REPAIRS[repair.code];
export const sayReached = (reached: Reached): string => REACHED[reached.code](reached as never);
export const sayReason = (reason: Reason): string => REASONS[reason.code](reason as never);
export const sayFinding = (finding: Finding): string => FINDINGS[finding.code as CheckId](finding);
export const sayRemedy = (finding: Finding & { remedy: Remedy }): string => REMEDIES[finding.code as CheckId](finding);
/** The other way, for those who know better. */
export const KEEP_ALL_THE_SAME = t('Keep it all the same');

/** A host card that is not taken. */
export const sayCardProblem = ({ file, place, message }: CardProblem): string =>
  place
    ? t('{file}, at {place}: {message}. The card is left out until this is put right.', { file, place, message })
    : t('{file}: {message}. The card is left out until this is put right.', { file, message });

/** A value that was given for a setting and does not fit it. */
export function sayWrongValue(id: SettingId, text: string): string {
  const { value, label } = settingOf(id);
  return t('{label} takes {value}, not “{text}”.', {
    label,
    value: TYPE_WORDS[value.type](value as never),
    text: text.slice(0, 60),
  });
}

const TYPE_WORDS = {
  switch: () => t('on or off'),
  choice: ({ options }: { options: readonly string[] }) => showList(options, 'disjunction'),
  time: () => t('a time such as 42, 1:12 or 1m12s'),
  count: ({ least }: { least: number }) => t('a whole number from {least}', { least }),
  length: ({ least, most }: { least: number; most: number }) => t('whole pixels from {least} to {most}', { least, most }),
  colour: () => t('a colour such as #2f6f7e'),
  ratio: () => t('a ratio such as 16:9'),
  language: () => t('a language code such as en'),
  text: ({ longest }: { longest: number }) => t('up to {longest} characters', { longest }),
  picture: () => t('the address of a picture, or a picture file'),
  set: ({ options }: { options: readonly string[] }) => t('some of {options}', { options: options.join(', ') }),
  name: () => t('a word of letters, digits, - and _'),
  names: () => t('words of letters, digits, - and _, with spaces between'),
  features: ({ longest }: { longest: number }) =>
    t('features such as camera; microphone, up to {longest} characters', { longest }),
};

/** A setting as a short sentence, as it stands on the Bench; the first of each pair is for a setting left to the host. */
type Phrase = (value: string) => string;
const PHRASES: Record<SettingId, readonly [untouched: string, asked: Phrase]> = {
  tracking: [t('tracking as usual'), (v) => (v === 'reduced' ? t('tracks less') : t('tracking as usual'))],
  accent: [t('usual colour'), (v) => t('accent {v}', { v })],
  language: [t('language as usual'), (v) => t('speaks {v}', { v })],
  theme: [t('usual theme'), (v) => ({ light: t('light theme'), dark: t('dark theme'), page: t('theme of the page') })[v] ?? v],
  showTitle: [t('title as usual'), (v) => (v === 'on' ? t('title shown') : t('no title'))],
  showAuthor: [t('author as usual'), (v) => (v === 'on' ? t('author shown') : t('no author'))],
  shownName: [t('usual name'), (v) => t('named “{v}”', { v })],
  header: [t('header as usual'), (v) => (v === 'on' ? t('with a header') : t('no header'))],
  footer: [t('footer as usual'), (v) => (v === 'on' ? t('with a footer') : t('no footer'))],
  sizeStep: [t('usual picture size'), (v) => t('pictures {v} px wide', { v })],
  zoom: [t('usual zoom'), (v) => t('zoom {v}', { v })],
  marker: [t('usual mark'), (v) => t('marked “{v}”', { v })],
  mapStyle: [t('usual map'), (v) => (v === 'relief' ? t('hills shaded') : t('a plain map'))],
  panels: [t('usual panels'), (v) => t('with {v}', { v: v.replaceAll(',', ', ') })],
  domain: [t('page’s domain not sent'), (v) => t('on {v}', { v })],
  artwork: [t('artwork as usual'), (v) => (v === 'on' ? t('with artwork') : t('without artwork'))],
  density: [t('usual player'), (v) => (v === 'slim' ? t('a slim player') : t('a full player'))],
  autoplay: [t('waits for a press'), (v) => (v === 'on' ? t('starts by itself') : t('waits for a press'))],
  mute: [t('with sound'), (v) => (v === 'on' ? t('muted') : t('with sound'))],
  start: [t('from the start'), (v) => t('begins at {v}', { v })],
  page: [t('opens at page 1'), (v) => t('opens at page {v}', { v })],
  movement: [t('moves as usual'), (v) => (v === 'path' ? t('follows the path') : t('moves freely'))],
  interval: [t('turned by hand'), (v) => t('next after {v}', { v })],
  spread: [t('usual spread'), (v) => (v === 'single' ? t('one page at a time') : t('two pages side by side'))],
  cues: [t('cues as usual'), (v) => (v === 'on' ? t('shows page cues') : t('no page cues'))],
  soundBed: [t('sound bed as usual'), (v) => (v === 'on' ? t('with a sound bed') : t('no sound bed'))],
  captions: [t('captions as usual'), (v) => t('captions in {v}', { v })],
  volume: [t('volume as usual'), (v) => t('volume {v} %', { v })],
  scroll: [t('scrolls as usual'), (v) => (v === 'on' ? t('turned by scrolling') : t('scrolling passes it by'))],
  fullscreen: [t('full screen as usual'), (v) => (v === 'on' ? t('can fill the screen') : t('no full screen'))],
  pictureInPicture: [t('small window as usual'), (v) => (v === 'on' ? t('can move to a small window') : t('no small window'))],
  download: [t('download as usual'), (v) => (v === 'on' ? t('can be downloaded') : t('no download'))],
  continue: [t('next as usual'), (v) => (v === 'on' ? t('then the next one') : t('stops after it'))],
  controls: [t('controls shown'), (v) => (v === 'on' ? t('controls shown') : t('no controls'))],
  end: [t('plays to the end'), (v) => t('ends at {v}', { v })],
  loop: [t('plays once'), (v) => (v === 'on' ? t('begins again') : t('plays once'))],
  related: [
    t('then anyone’s videos'),
    (v) => ({ any: t('then anyone’s videos'), same: t('then its own channel'), none: t('then no videos') })[v] ?? v,
  ],
  load: [
    t('loads with the page'),
    (v) => ({ all: t('loads with the page'), near: t('loads when near'), ask: t('loads on request') })[v] ?? v,
  ],
  cover: [
    t('a plain cover'),
    (v) => (v.startsWith('data:') ? t('cover of {v} kB', { v: Math.ceil((v.length * 3) / 4096) }) : t('a cover picture')),
  ],
  coverWords: [t('usual cover words'), (v) => t('cover says “{v}”', { v })],
  consent: [t('no cover sentence'), (v) => t('explains “{v}”', { v: shortened(v) })],
  heading: [t('no heading'), (v) => t('headed “{v}”', { v: shortened(v) })],
  text: [t('no text'), (v) => t('with the text “{v}”', { v: shortened(v) })],
  beside: [t('text above'), (v) => (v === 'on' ? t('text beside it') : t('text above'))],
  caption: [t('no caption'), (v) => t('captioned “{v}”', { v: shortened(v) })],
  textLink: [t('no link below'), (v) => t('linked below as “{v}”', { v: shortened(v) })],
  transcript: [t('no transcript'), (v) => t('with a transcript of {v} words', { v: v.split(/\s+/).length })],
  structuredData: [t('no structured data'), (v) => (v === 'on' ? t('with structured data') : t('no structured data'))],
  title: [t('no title'), (v) => t('titled “{v}”', { v })],
  widthMode: [
    t('usual width'),
    (v) => ({ fill: t('fills the column'), atMost: t('at most so wide'), fixed: t('one width') })[v] ?? v,
  ],
  width: [t('no width set'), (v) => t('{v} px wide', { v })],
  ratio: [t('its own ratio'), (v) => t('ratio {v}', { v })],
  height: [t('usual height'), (v) => t('{v} px high', { v })],
  align: [t('aligned left'), (v) => ({ start: t('aligned left'), centre: t('centred'), end: t('aligned right') })[v] ?? v],
  spaceAbove: [t('no space above'), (v) => t('{v} px above', { v })],
  spaceBelow: [t('no space below'), (v) => t('{v} px below', { v })],
  border: [t('no border'), (v) => t('border {v} px', { v })],
  radius: [t('square corners'), (v) => t('corners {v} px round', { v })],
  background: [t('no background'), (v) => t('background {v}', { v })],
  referrer: [
    t('referrer as usual'),
    (v) => ({ none: t('tells no referrer'), origin: t('tells its origin only'), usual: t('referrer as usual') })[v] ?? v,
  ],
  permissions: [t('usual permissions'), (v) => t('may use {v}', { v: shortened(v) })],
  sandbox: [t('no sandbox'), (v) => (v === '' ? t('sandbox: nothing allowed') : t('sandbox: {v}', { v }))],
  elementId: [t('no id'), (v) => t('id {v}', { v })],
  className: [t('no class'), (v) => t('class {v}', { v })],
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
  widthMode: { fill: t('Fill the column'), atMost: t('At most'), fixed: t('Fixed') },
  align: { start: t('Left'), centre: t('Centre'), end: t('Right') },
  load: { all: t('With the page'), near: t('When near'), ask: t('On request') },
  related: { any: t('Anyone’s'), same: t('Same channel'), none: t('None') },
  tracking: { usual: t('As usual'), reduced: t('Reduced') },
  density: { full: t('Full'), slim: t('Slim') },
  theme: { light: t('Light'), dark: t('Dark'), page: t('As the page') },
  sizeStep: { 360: t('360 px'), 720: t('720 px'), 1080: t('1080 px'), 1620: t('1620 px') },
  mapStyle: { plain: t('Plain'), relief: t('Relief') },
  movement: { free: t('Free'), path: t('Fixed path') },
  spread: { single: t('One page'), double: t('Two pages') },
  referrer: { origin: t('Origin only'), none: t('Nothing'), usual: t('As usual') },
  panels: { transcript: t('Transcript'), topics: t('Topics'), people: t('People') },
};

/** A fix as it stands on its button. */
export function sayFix(fix: SettingsFix): string {
  const parts = Object.entries(fix).map(([id, value]) =>
    value === null ? t('drop {setting}', { setting: within(labelOf(id as SettingId)) }) : saySetting(id as SettingId, value),
  );
  const words = parts.join(', ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** What became of a setting, in one line. */
export function sayState({ state, sent, reason }: PlanEntry): string {
  const how =
    sent.length > 0
      ? state === 'sent'
        ? t(' as {sent}', { sent: saySent(sent) })
        : t(', sent as {sent}', { sent: saySent(sent) })
      : '';
  return `${STATE_WORDS[state]}${how}. ${sayReason(reason)}`;
}

const saySent = (sent: readonly Sent[]): string =>
  showList(sent.map((s) => (s.in === 'origin' ? t('the {value} domain', { value: s.value }) : `${s.name}=${s.value}`)));

export const sayOrigin = ({ kind, host }: Item): string =>
  host
    ? t('This says which item it is: {kind}.', { kind: KIND_WORDS[kind] })
    : t('This says which item it is: {kind} of a host that is not known yet.', { kind: KIND_WORDS[kind] });

const DROPPED: Record<Extract<Meaning, { role: 'dropped' }>['why'], string> = {
  tracking: t('dropped: tracking'),
  duplicate: t('dropped: said twice'),
  runs: t('runs code: left out'),
};

/** What a part of a pasted text means. */
export function sayMeaning(meaning: Meaning): string {
  switch (meaning.role) {
    case 'host':
      return meaning.name ?? t('a host that is not known yet');
    case 'form':
      return meaning.name;
    case 'identity':
      return meaning.name ?? t('holds the whole link');
    case 'setting':
      return saySetting(meaning.setting, meaning.value);
    case 'permission':
      return t('may use: {features}', { features: meaning.features.map((feature) => feature.split(' ')[0]).join(', ') });
    case 'usual':
      return t('always so');
    case 'unknown':
      return t('unknown, kept');
    case 'dropped':
      return DROPPED[meaning.why];
    case 'broken':
      return t('cannot be used');
  }
}

/** A difference between two codes, in words. */
export function sayDifference({ what, name, before, after, setting }: Difference): string {
  if (setting) {
    const label = within(labelOf(setting.id));
    return `${label}: ${saySetting(setting.id, setting.before)} → ${saySetting(setting.id, setting.after)}`;
  }
  if (what === 'address') return t('the frame is loaded from another address');
  const thing = what === 'parameter' ? t('the parameter {name}', { name }) : t('the attribute {name}', { name });
  if (before === null) return t('{thing} is new', { thing });
  return after === null ? t('{thing} is gone', { thing }) : t('{thing} has another value', { thing });
}
