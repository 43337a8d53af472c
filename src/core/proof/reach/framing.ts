/** What an answer says of being framed. */
export interface FramingHeaders {
  /** All Content-Security-Policy headers. */
  policies: readonly string[];
  frameOptions: string | null;
}

/** The header that forbids a frame, as it was written. */
export interface FramingRefusal {
  by: 'frame-ancestors' | 'X-Frame-Options';
  text: string;
}

/**
 * Whether a page of `site` may frame what `frame` answered: the refusal, or null. Every policy with
 * `frame-ancestors` must allow it (CSP Level 3, section 6.4.2); where there is one, X-Frame-Options does
 * not count (section 6.4.2.1, RFC 7034).
 */
export function framingRefusal({ policies, frameOptions }: FramingHeaders, frame: URL, site: URL): FramingRefusal | null {
  const lists = policies.flatMap((header) => header.split(',')).flatMap(ancestorsOf);
  if (lists.length > 0) {
    const refusing = lists.find((sources) => !sources.some((source) => allows(source, frame, site)));
    return refusing ? { by: 'frame-ancestors', text: `frame-ancestors ${refusing.join(' ')}`.trim() } : null;
  }
  const options = new Set((frameOptions ?? '').split(',').map((value) => value.trim().toLowerCase()));
  const text = frameOptions?.trim() ?? '';
  if (options.has('deny')) return { by: 'X-Frame-Options', text };
  return options.has('sameorigin') && frame.origin !== site.origin ? { by: 'X-Frame-Options', text } : null;
}

/** The source list of the first `frame-ancestors` of a policy; directives that stand twice count once (section 2.2.1). */
function ancestorsOf(policy: string): string[][] {
  for (const directive of policy.split(';')) {
    const [name = '', ...sources] = directive.trim().split(/\s+/);
    if (name.toLowerCase() === 'frame-ancestors') return [sources];
  }
  return [];
}

const HOST_SOURCE = /^(?:([a-z][a-z0-9+.-]*):\/\/)?(\*|(?:\*\.)?[a-z0-9_-]+(?:\.[a-z0-9_-]+)*)(?::(\d+|\*))?(?:\/.*)?$/i;

/** CSP Level 3, section 6.7.2.8: whether a source expression matches an origin. */
function allows(source: string, frame: URL, site: URL): boolean {
  const text = source.toLowerCase();
  if (text === "'self'") return frame.origin === site.origin;
  if (text === '*') return site.protocol === 'http:' || site.protocol === 'https:';
  const scheme = /^([a-z][a-z0-9+.-]*):$/.exec(text)?.[1];
  if (scheme) return schemeAllows(scheme, site);
  const [, given, host = '', port] = HOST_SOURCE.exec(text) ?? [];
  if (!host) return false;
  return schemeAllows(given ?? frame.protocol.slice(0, -1), site) && hostAllows(host, site.hostname) && portAllows(port, site);
}

/** An http source matches https too. */
const schemeAllows = (scheme: string, { protocol }: URL): boolean =>
  protocol === `${scheme}:` || (scheme === 'http' && protocol === 'https:');

const hostAllows = (pattern: string, host: string): boolean =>
  pattern === '*' || (pattern.startsWith('*.') ? host.endsWith(pattern.slice(1)) : host === pattern);

const portOf = ({ port, protocol }: URL): string => port || (protocol === 'https:' ? '443' : '80');

function portAllows(port: string | undefined, site: URL): boolean {
  if (port === '*') return true;
  if (port === undefined) return site.port === '';
  return port === portOf(site) || (port === '80' && portOf(site) === '443');
}
