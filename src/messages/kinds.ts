import type { Kind } from '../core/model/kind.ts';

/** Kinds of item, as one of them is spoken of. */
export const KIND_WORDS: Record<string, string> = {
  video: 'a video',
  audio: 'a sound recording',
  live: 'a live picture',
  document: 'a document',
  podcast: 'a podcast',
  chat: 'a chat',
  schedule: 'a schedule',
  slideshow: 'a slideshow',
  booklet: 'a booklet',
  form: 'a form',
  map: 'a map',
  loop: 'a short loop',
  album: 'an album of photos',
  recording: 'a recording with its transcript',
  picture: 'a picture',
  page: 'a page',
};

const KINDS: Record<Kind, string> = {
  video: 'videos',
  audio: 'sound recordings',
  live: 'live pictures',
  document: 'documents',
  podcast: 'podcasts',
  chat: 'chats',
  schedule: 'schedules',
  slideshow: 'slideshows',
  booklet: 'booklets',
  form: 'forms',
  map: 'maps',
  loop: 'short loops',
  album: 'albums',
  recording: 'recordings with transcripts',
  picture: 'pictures',
  page: 'pages',
};

/** The same, of all of them. */
export const sayKinds = (kind: Kind): string => KINDS[kind];
