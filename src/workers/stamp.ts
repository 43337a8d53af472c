/** By which a file is known to be the same as before; null where it cannot be told. */
export const stampOf = (content: Blob): string | null =>
  content instanceof File ? `${content.size} ${content.lastModified}` : null;
