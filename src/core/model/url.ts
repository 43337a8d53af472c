let last: { text: string; url: URL | null } = { text: '', url: null };

/**
 * The parsed URL (URL Standard, section 4.4), or null. The steps ask for one address one after the other,
 * so the last one is kept: parsing is the dearest single thing that they do.
 */
export function parseUrl(text: string): URL | null {
  if (text !== last.text) last = { text, url: parse(text) };
  return last.url;
}

function parse(text: string): URL | null {
  try {
    return new URL(text);
  } catch {
    return null;
  }
}

/** A parameter's value, encoded; the apostrophe too, so that it may stand between either kind of quotes. */
export const encodeParameter = (value: string): string => encodeURIComponent(value).replaceAll("'", '%27');
