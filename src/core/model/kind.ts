/** Kinds of item. `page` is an address of which nothing else is known. */
export const KINDS = ['video', 'audio', 'live', 'document', 'page'] as const;
export type Kind = (typeof KINDS)[number];

export const SCOPES = ['item', 'collection', 'channel'] as const;
export type Scope = (typeof SCOPES)[number];
