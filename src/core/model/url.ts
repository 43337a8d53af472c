/** The parsed URL (URL Standard, section 4.4), or null. */
export function parseUrl(text: string): URL | null {
  try {
    return new URL(text);
  } catch {
    return null;
  }
}

/** An address in three parts: the origin, the path, and query and fragment with their signs. */
export interface SplitUrl {
  origin: string;
  /** Host and port. */
  host: string;
  path: string;
  query: string;
  fragment: string;
}

/**
 * An origin that the URL parser leaves as it is (URL Standard, sections 3.5 and 4.4): a name of plain labels of which the
 * last is no number, and no port that goes without saying.
 */
const PLAIN_ORIGIN = /^https?:\/\/(?:[a-z0-9-]+\.)*[a-z][a-z0-9-]*(?::(?!80\/|443\/)[1-9]\d{0,3})?\//;
/** Signs that it leaves as they are wherever they stand. */
const PLAIN_SIGNS = /^[\w!$&+,\-./:=?@#%~]*$/;

/** Whether the URL parser would leave an address as it is; some that it would are not counted. */
export const isAsParsed = (text: string): boolean =>
  PLAIN_ORIGIN.test(text) &&
  PLAIN_SIGNS.test(text) &&
  // Segments of dots are walked; labels of other alphabets are checked.
  !text.includes('/.') &&
  !text.includes('xn--') &&
  !(text.includes('%') && /%2e/i.test(text));

/** Takes an address apart as the URL parser does, without it where it would change nothing; null where it is none. */
export function splitUrl(text: string): SplitUrl | null {
  if (!isAsParsed(text)) return splitParsed(text);
  const host = text.indexOf('/') + 2;
  const path = text.indexOf('/', host);
  const hash = text.indexOf('#', path);
  const before = hash < 0 ? text.length : hash;
  const question = text.indexOf('?', path);
  const end = question < 0 || question > before ? before : question;
  return {
    origin: text.slice(0, path),
    host: text.slice(host, path),
    path: text.slice(path, end),
    query: text.slice(end, before),
    fragment: hash < 0 ? '' : text.slice(hash),
  };
}

function splitParsed(text: string): SplitUrl | null {
  const url = parseUrl(text);
  return url && { origin: url.origin, host: url.host, path: url.pathname, query: url.search, fragment: url.hash };
}

/** A parameter's value, encoded; the apostrophe too, so that it may stand between either kind of quotes. */
export const encodeParameter = (value: string): string => encodeURIComponent(value).replaceAll("'", '%27');

/** The part of a host's name that is its own: the last two labels. */
export const domainOf = (origin: string): string =>
  origin
    .replace(/^https?:\/\//, '')
    .split('.')
    .slice(-2)
    .join('.');

/** Secure Contexts, section 3.1: loopback names are trustworthy over http too. */
const LOOPBACK = /^(?:.+\.)?localhost$|^127(?:\.\d{1,3}){3}$|^\[::1\]$/;
/** Whether an address is of this machine itself. */
export const isLoopback = ({ hostname }: Pick<URL, 'hostname'>): boolean => LOOPBACK.test(hostname);
