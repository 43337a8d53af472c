import type { RunningKind } from '../core/model/running.ts';
import type { CheckId } from '../core/steps/check/checks/list.ts';
import type { Finding, Remedy } from '../core/steps/check/finding.ts';
import { sayReached } from './reached.ts';
import { shortened } from './shortened.ts';
import { showList, t } from './t.ts';

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
  coverPlain: () => t('The cover has no picture: visitors see an empty area with a button.'),
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
  loadsAllAtOnce: () =>
    t('Turning by itself, or with background sound, it loads all its pages together with the page around it.'),
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
  autoplayNotAllowed: ({ actual }) =>
    t('“{actual}” looks as if it starts the player by itself. Browsers block that until the frame is allowed autoplay.', {
      actual,
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
  coverPlain: () => t('Choose a picture'),
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
  autoplayNotAllowed: () => t('Allow it'),
  sandboxBlocks: () => t('Allow what it needs'),
  runsOwnCode: () => t('Leave it out'),
  obsoleteAttribute: () => '',
  saidTwice: () => '',
  languageDiffers: ({ expected }) => t('Use {expected}', { expected }),
  linkForNobody: ({ expected }) => t('Link as “{expected}”', { expected: shortened(expected) }),
};

export const sayFinding = (finding: Finding): string => FINDINGS[finding.code as CheckId](finding);
export const sayRemedy = (finding: Finding & { remedy: Remedy }): string => REMEDIES[finding.code as CheckId](finding);
/** The other way, for those who know better. */
export const KEEP_ALL_THE_SAME = t('Keep it all the same');
