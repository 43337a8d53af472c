import type { Kind } from '../core/model/kind.ts';
import { t } from './t.ts';

/** Kinds of item, as one of them is spoken of. */
export const KIND_WORDS: Record<string, string> = {
  video: t('a video'),
  audio: t('a sound recording'),
  live: t('a live stream'),
  document: t('a document'),
  podcast: t('a podcast'),
  chat: t('a chat'),
  schedule: t('a schedule'),
  slideshow: t('a slideshow'),
  booklet: t('a booklet'),
  form: t('a form'),
  map: t('a map'),
  loop: t('a short loop'),
  album: t('an album of photos'),
  recording: t('a recording with its transcript'),
  picture: t('a picture'),
  page: t('a page'),
};

/** The same, by their bare names. */
export const KIND_NAMES: Readonly<Record<string, string>> = {
  video: t('video'),
  audio: t('sound recording'),
  live: t('live stream'),
  document: t('document'),
  podcast: t('podcast'),
  chat: t('chat'),
  schedule: t('schedule'),
  slideshow: t('slideshow'),
  booklet: t('booklet'),
  form: t('form'),
  map: t('map'),
  loop: t('short loop'),
  album: t('album of photos'),
  recording: t('recording with its transcript'),
  picture: t('picture'),
  page: t('page'),
};

const KINDS: Record<Kind, string> = {
  video: t('videos'),
  audio: t('sound recordings'),
  live: t('live streams'),
  document: t('documents'),
  podcast: t('podcasts'),
  chat: t('chats'),
  schedule: t('schedules'),
  slideshow: t('slideshows'),
  booklet: t('booklets'),
  form: t('forms'),
  map: t('maps'),
  loop: t('short loops'),
  album: t('albums'),
  recording: t('recordings with transcripts'),
  picture: t('pictures'),
  page: t('pages'),
};

/** The same, of all of them. */
export const sayKinds = (kind: Kind): string => KINDS[kind];
