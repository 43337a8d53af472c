import ipaddr from 'ipaddr.js';
import { lookup as systemLookup, type LookupAddress } from 'node:dns';
import { connect } from 'node:net';
import { Agent, request, type buildConnector, type Dispatcher } from 'undici';
import { createBrotliDecompress, createGunzip, createInflate } from 'node:zlib';
import type { Readable } from 'node:stream';

/**
 * All that the server asks of others goes through here. It asks for its users, so it must not be led to
 * what only it can reach: schemes, ports and every address that a name leads to are checked, the address
 * that was checked is the one connected to, every redirect is checked again, and time, size and type of the
 * answer are bounded. No cookies, no credentials. The origins of the stand-ins are the only exception.
 */
export type GuardCode =
  | 'scheme'
  | 'credentials'
  | 'port'
  | 'privateAddress'
  | 'nameUnknown'
  | 'redirects'
  | 'tooSlow'
  | 'tooLarge'
  | 'wrongType'
  | 'noAnswer';

/** Why something was not asked, or its answer not taken. */
export class Refused extends Error {
  readonly code: GuardCode;

  constructor(code: GuardCode, detail = '') {
    super(detail ? `${code}: ${detail}` : code);
    this.code = code;
  }
}

/** All addresses of a name. */
export type Resolver = (name: string) => Promise<readonly LookupAddress[]>;

export interface Guard {
  /** Origins that may be asked although they are on this machine. */
  origins: ReadonlySet<string>;
  /** The port at which this process answers for them; their own where they are asked as anybody would ask them. */
  port?: number;
  resolve?: Resolver;
  /** Which of the others may be asked; all of them where it says nothing. */
  allows?: (url: URL) => boolean;
}

export interface Limits {
  /** Media types that are taken, as beginnings such as `application/json` or `text/`. Empty for any, whose body is not read. */
  types: readonly string[];
  /** Bytes, after decompression. */
  size: number;
  /** Milliseconds for everything, redirects included. */
  time: number;
  /** What else is said with the question. */
  headers?: Readonly<Record<string, string>>;
}

export interface Fetched {
  status: number;
  url: URL;
  headers: Readonly<Record<string, string | string[] | undefined>>;
  type: string;
  /** After decompression. */
  body: Buffer;
  /** Status codes of the redirects on the way. */
  redirects: readonly number[];
  /** Seconds until the last answer began. */
  seconds: number;
}

const MOST_REDIRECTS = 5;
const PORTS = new Set(['', '80', '443']);

/** Asks an address, within the limits; throws `Refused` with the reason. */
export async function guardedFetch(address: string, guard: Guard, limits: Limits): Promise<Fetched> {
  const signal = AbortSignal.timeout(limits.time);
  const began = performance.now();
  const redirects: number[] = [];
  let url = checkedUrl(address, guard);
  for (;;) {
    const answer = await ask(url, guard, { ...limits, signal });
    const location = answer.headers.location;
    if (answer.statusCode < 300 || answer.statusCode >= 400 || typeof location !== 'string') {
      const seconds = (performance.now() - began) / 1000;
      return { ...(await take(answer, limits, signal)), url, redirects, seconds };
    }
    discard(answer);
    redirects.push(answer.statusCode);
    if (redirects.length > MOST_REDIRECTS) throw new Refused('redirects');
    if (!URL.canParse(location, url)) throw new Refused('noAnswer', 'a redirect to nowhere');
    url = checkedUrl(new URL(location, url).href, guard);
  }
}

/** The URL, if it may be asked; names are checked again when they are looked up. */
export function checkedUrl(address: string, { origins, allows }: Guard): URL {
  if (!URL.canParse(address)) throw new Refused('scheme', 'not an address');
  const url = new URL(address);
  if (url.protocol !== 'http:' && url.protocol !== 'https:') throw new Refused('scheme', url.protocol);
  if (url.username !== '' || url.password !== '') throw new Refused('credentials');
  if (origins.has(url.origin)) return url;
  if (allows?.(url) === false) throw new Refused('nameUnknown', url.host);
  if (!PORTS.has(url.port)) throw new Refused('port', url.port);
  // The URL parser has already made one form of decimal, octal, hexadecimal and short addresses.
  const host = url.hostname.replace(/^\[|\]$/g, '');
  if (ipaddr.isValid(host)) checkAddress(host);
  else if (!host.includes('.') || /(?:^|\.)(?:localhost|local|internal|intranet|lan|home\.arpa)\.?$/.test(host))
    throw new Refused('privateAddress', host);
  return url;
}

/** Refuses what is not an address of the public network (RFC 6890). */
export function checkAddress(address: string): void {
  if (!ipaddr.isValid(address) || rangeOf(address) !== 'unicast') throw new Refused('privateAddress', address);
}

/** An address of six that holds one of four counts as what it holds (RFC 4291, section 2.5.5.1; RFC 6052, section 2.1). */
function rangeOf(address: string): string {
  const parsed = ipaddr.parse(address);
  if (!(parsed instanceof ipaddr.IPv6)) return parsed.range();
  const { parts } = parsed;
  const held = parts.slice(0, 6).every((part) => part === 0) || (parts[0] === 0x64 && parts[1] === 0xff9b);
  if (!held) return parsed.range();
  const four = new ipaddr.IPv4(parts.slice(6).flatMap((part) => [part >> 8, part & 0xff]));
  return four.range();
}

const systemResolver: Resolver = (name) =>
  new Promise((done, fail) => systemLookup(name, { all: true }, (error, found) => (error ? fail(error) : done(found))));

/** Looks a name up once, checks all that it leads to, and hands on one that was checked. */
export async function checkedLookup(name: string, resolve: Resolver): Promise<LookupAddress> {
  const found = await resolve(name).catch(() => []);
  if (found.length === 0) throw new Refused('nameUnknown', name);
  for (const { address } of found) checkAddress(address);
  return found[0]!;
}

/** Names that lead to this machine by standard (RFC 6761, section 6.3); Node does not look them up. */
const here: LookupAddress = { address: '127.0.0.1', family: 4 };

/** One agent for each guard and for each side of it, which keeps its connections and closes those that are idle. */
const agents = new WeakMap<Guard, Map<boolean, Agent>>();

function agentFor(url: URL, guard: Guard): Agent {
  const ours = guard.origins.has(url.origin);
  const known = agents.get(guard) ?? new Map<boolean, Agent>();
  agents.set(guard, known);
  const agent = known.get(ours) ?? makeAgent(ours, guard);
  known.set(ours, agent);
  return agent;
}

function makeAgent(ours: boolean, { port, resolve = systemResolver }: Guard): Agent {
  const bounds = { keepAliveTimeout: 2000, keepAliveMaxTimeout: 4000, connections: 16, maxHeaderSize: 16_384 };
  // Behind a proxy the names of the stand-ins lead to it, by TLS; this process is nearer.
  if (ours && port !== undefined) return new Agent({ ...bounds, connect: toPort(port) });
  const find = ours ? () => Promise.resolve(here) : (name: string) => checkedLookup(name, resolve);
  return new Agent({
    ...bounds,
    connect: {
      timeout: 5000,
      lookup: (name, options, done) => {
        find(name).then(
          (found) => (options.all ? done(null, [found]) : done(null, found.address, found.family)),
          (error: Error) => done(error as NodeJS.ErrnoException, '', 0),
        );
      },
    },
  });
}

const toPort =
  (port: number): buildConnector.connector =>
  (_, done) => {
    const socket = connect(port, '127.0.0.1');
    socket.once('connect', () => done(null, socket)).once('error', (error) => done(error, null));
  };

async function ask(
  url: URL,
  guard: Guard,
  { signal, types, headers }: Limits & { signal: AbortSignal },
): Promise<Dispatcher.ResponseData> {
  try {
    return await request(url, {
      dispatcher: agentFor(url, guard),
      signal,
      headers: {
        accept: types.map((type) => type.replace(/\/$/, '/*')).join(', ') || '*/*',
        'accept-encoding': 'gzip, deflate, br',
        'user-agent': 'Refenestra',
        ...headers,
      },
    });
  } catch (error) {
    throw asRefused(error, signal);
  }
}

function asRefused(error: unknown, signal: AbortSignal): Refused {
  if (error instanceof Refused) return error;
  if (signal.aborted) return new Refused('tooSlow');
  if (error instanceof Error && error.cause instanceof Refused) return error.cause;
  return new Refused('noAnswer', error instanceof Error ? error.message : String(error));
}

function discard({ body }: Dispatcher.ResponseData): void {
  body.on('error', () => undefined);
  body.destroy();
}

type Taken = Pick<Fetched, 'status' | 'headers' | 'type' | 'body'>;

async function take(answer: Dispatcher.ResponseData, { types, size }: Limits, signal: AbortSignal): Promise<Taken> {
  const { statusCode: status, headers } = answer;
  // What says nothing of itself may be anything (RFC 9110, section 8.3).
  const type = String(headers['content-type'] ?? 'application/octet-stream')
    .split(';')[0]!
    .trim()
    .toLowerCase();
  if (types.length === 0 || status === 304 || status >= 400) {
    discard(answer);
    return { status, headers, type, body: Buffer.alloc(0) };
  }
  if (!types.some((wanted) => type.startsWith(wanted))) {
    discard(answer);
    throw new Refused('wrongType', type);
  }
  try {
    return { status, headers, type, body: await readWithin(unpacked(answer), size) };
  } catch (error) {
    discard(answer);
    throw asRefused(error, signal);
  }
}

function unpacked({ body, headers }: Dispatcher.ResponseData): Readable {
  const encoding = String(headers['content-encoding'] ?? 'identity').toLowerCase();
  const unpack =
    encoding === 'gzip' || encoding === 'x-gzip'
      ? createGunzip()
      : encoding === 'deflate'
        ? createInflate()
        : encoding === 'br'
          ? createBrotliDecompress()
          : null;
  if (!unpack) {
    if (encoding === 'identity') return body;
    throw new Refused('wrongType', encoding);
  }
  body.on('error', (error) => unpack.destroy(error));
  return body.pipe(unpack);
}

async function readWithin(stream: Readable, size: number): Promise<Buffer> {
  const chunks: Buffer[] = [];
  let read = 0;
  for await (const chunk of stream) {
    const bytes = chunk as Buffer;
    read += bytes.length;
    if (read > size) {
      stream.destroy();
      throw new Refused('tooLarge', `more than ${size} bytes`);
    }
    chunks.push(bytes);
  }
  return Buffer.concat(chunks);
}
