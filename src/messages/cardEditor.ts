import type { HostCard, OriginGroup, PLAYER_FIELDS, PlayerMessages, Target } from '../core/known/hosts/card.ts';
import { t } from './t.ts';

/** Groups of a host's addresses. */
export const ORIGIN_WORDS: Record<OriginGroup, string> = {
  share: t('Share links'),
  short: t('Short links'),
  mobile: t('Links on phones'),
  frame: t('Frames'),
  reduced: t('Frames without cookies'),
};

/** How a height comes about. */
export const FIT_WORDS: Record<Target['fit']['by'], string> = {
  ratio: t('Follows a ratio'),
  steps: t('Has heights of its own'),
  content: t('Follows its content'),
  number: t('Has one height'),
};

/** What a host asks for before an item is shown. */
export const ACCESS_WORDS: Record<Target['access'][number]['needs'], string> = {
  release: t('must be released'),
  date: t('from a date on'),
  key: t('needs a key'),
  signIn: t('needs a sign-in'),
  http: t('without encryption only'),
  domain: t('on named sites only'),
  open: t('while it is open'),
};

type Place = Extract<NonNullable<HostCard['settings'][keyof HostCard['settings']]>, { spelling: unknown }>['in'];

/** Where a setting stands. */
export const PLACE_WORDS: Record<Place, string> = {
  query: t('a parameter'),
  fragment: t('behind the #'),
  path: t('in the path'),
  packed: t('joined with others'),
  attribute: t('an attribute of the placeholder'),
  frameAttribute: t('an attribute of the frame'),
};

export const ENCODING_WORDS: Record<PlayerMessages['encoding'], string> = {
  object: t('an object or a list'),
  json: t('JSON as text'),
  text: t('words with spaces between'),
};

export const EVENT_WORDS: Record<PlayerMessages['events'][string], string> = {
  ready: t('is ready'),
  playing: t('plays'),
  paused: t('is paused'),
  time: t('tells the time'),
  ended: t('is over'),
  page: t('turned a page'),
};

export const FIELD_WORDS: Record<(typeof PLAYER_FIELDS)[number], string> = {
  time: t('Time'),
  duration: t('Duration'),
  muted: t('Whether it is muted'),
  title: t('Title'),
  page: t('Page'),
  offers: t('What it offers at the end'),
  height: t('Height'),
  track: t('Captions'),
  showsControls: t('Whether it shows controls'),
  showsTitle: t('Whether it shows its title'),
};
