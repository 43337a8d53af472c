/** Kinds of item. `page` is an address of which nothing else is known; `picture` is a picture file by itself. */
export const KINDS = [
  'video',
  'audio',
  'podcast',
  'live',
  'chat',
  'schedule',
  'document',
  'slideshow',
  'booklet',
  'form',
  'map',
  'loop',
  'album',
  'recording',
  'picture',
  'page',
] as const;
export type Kind = (typeof KINDS)[number];

export const SCOPES = ['item', 'collection', 'channel'] as const;
export type Scope = (typeof SCOPES)[number];
