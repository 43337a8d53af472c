import type { HostCard, OriginGroup, PLAYER_FIELDS, PlayerMessages, Target } from '../core/known/hosts/card.ts';

/** Groups of a host's addresses. */
export const ORIGIN_WORDS: Record<OriginGroup, string> = {
  share: 'Share links',
  short: 'Short links',
  mobile: 'Links on phones',
  frame: 'Frames',
  reduced: 'Frames without cookies',
};

/** How a height comes about. */
export const FIT_WORDS: Record<Target['fit']['by'], string> = {
  ratio: 'Follows a ratio',
  steps: 'Has heights of its own',
  content: 'Follows its content',
  number: 'Has one height',
};

/** What a host asks for before an item is shown. */
export const ACCESS_WORDS: Record<Target['access'][number]['needs'], string> = {
  release: 'must be released',
  date: 'from a date on',
  key: 'needs a key',
  signIn: 'needs a sign-in',
  http: 'without encryption only',
  domain: 'on named sites only',
  open: 'while it is open',
};

type Place = Extract<NonNullable<HostCard['settings'][keyof HostCard['settings']]>, { spelling: unknown }>['in'];

/** Where a setting stands. */
export const PLACE_WORDS: Record<Place, string> = {
  query: 'a parameter',
  fragment: 'behind the #',
  path: 'in the path',
  packed: 'joined with others',
  attribute: 'an attribute of the placeholder',
  frameAttribute: 'an attribute of the frame',
};

export const ENCODING_WORDS: Record<PlayerMessages['encoding'], string> = {
  object: 'an object or a list',
  json: 'JSON as text',
  text: 'words with spaces between',
};

export const EVENT_WORDS: Record<PlayerMessages['events'][string], string> = {
  ready: 'is ready',
  playing: 'plays',
  paused: 'is paused',
  time: 'tells the time',
  ended: 'is over',
  page: 'turned a page',
};

export const FIELD_WORDS: Record<(typeof PLAYER_FIELDS)[number], string> = {
  time: 'Time',
  duration: 'Duration',
  muted: 'Whether it is muted',
  title: 'Title',
  page: 'Page',
  offers: 'What it offers at the end',
  height: 'Height',
  track: 'Captions',
  showsControls: 'Whether it shows controls',
  showsTitle: 'Whether it shows its title',
};
