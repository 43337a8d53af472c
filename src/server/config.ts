import { isIP } from 'node:net';
import { z } from 'zod';
import { WRITTEN_PORT } from '../standins/world.ts';

/** The environment says something that cannot be; the message is one line that names the variable. */
export class ConfigError extends Error {}

const LEVELS = ['trace', 'debug', 'info', 'warn', 'error', 'fatal', 'silent'] as const;

const whole = (least: number, most: number): z.ZodType<number> =>
  z.string().regex(/^\d+$/).transform(Number).pipe(z.number().min(least).max(most));
const someNames = z.string().transform((text) =>
  text
    .split(',')
    .map((name) => name.trim())
    .filter((name) => name !== ''),
);
const origin = z.url({ protocol: /^https?$/ }).refine((text) => URL.canParse(text) && new URL(text).origin === text);

/** What may be said, and how it is written: `docs/deploy.md` has the same list. */
const VARIABLES = {
  PORT: [whole(1, 65_535), 'a number from 1 to 65535, such as 4700'],
  WATCH_PORT: [whole(1, 65_535), 'a number from 1 to 65535 at which a worker says how it is, such as 4701'],
  HOST: [z.string().min(1), 'an address of this machine to listen on, such as 0.0.0.0'],
  PUBLIC_ORIGIN: [origin, 'scheme and name that people use, without a path, such as https://embeds.example'],
  PREVIEW_ORIGIN: [origin, 'scheme and name of another site, without a path, such as https://embeds-preview.example'],
  TRUST_PROXY: [
    z.union([whole(0, 10), someNames.refine((all) => all.every((one) => isIP(one.split('/')[0]!) !== 0))]),
    'how many proxies stand before it, such as 1, or their addresses with commas between them',
  ],
  DEMO: [z.enum(['on', 'off']), 'on or off'],
  ASK: [someNames.refine((all) => all.length > 0), 'everybody, standins, or names of hosts with commas between them'],
  TEAM_FOLDER: [z.string().min(1), 'the path of a folder'],
  REDIS_URL: [z.url({ protocol: /^rediss?$/ }), 'an address such as redis://127.0.0.1:6379'],
  API_KEYS: [someNames, 'keys with commas between them'],
  LIMIT: [whole(0, 1_000_000), 'how many questions one address may ask in a minute, such as 300; 0 for any number'],
  LOG: [z.enum(LEVELS), `one of ${LEVELS.join(', ')}`],
} as const satisfies Record<string, readonly [z.ZodType, string]>;

export const VARIABLE_NAMES: readonly string[] = Object.keys(VARIABLES);

type Variable = keyof typeof VARIABLES;
type Said = { [Name in Variable]?: z.output<(typeof VARIABLES)[Name][0]> };

/** How a server runs. */
export interface Config {
  /** The port at which this process listens. */
  port: number;
  /** The port at which a worker says how it is; null where nobody asks it. */
  watchPort: number | null;
  /** Undefined for this machine alone, in both families of addresses. */
  host: string | undefined;
  /** Where people find the application; what stands below its name are the stand-ins. */
  publicOrigin: string;
  /** Another site, since the code of strangers runs there. */
  previewOrigin: string;
  /** As Express takes it: how many proxies, or which. */
  trustProxy: number | string[];
  /** Whether the sample world is served. */
  demo: boolean;
  /** Who may be asked for what is known of links; names may begin with `*.`. */
  ask: 'everybody' | 'standins' | readonly string[];
  teamFolder: string | null;
  redisUrl: string | null;
  /** Keys of programs; where there are none, any may ask. */
  keys: readonly string[];
  /** Questions a minute of one address; 0 for any number. */
  limit: number;
  log: (typeof LEVELS)[number];
}

/** Reads what the environment says; throws a `ConfigError` at the first thing that cannot be. */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const said = readVariables(env);
  const port = said.PORT ?? WRITTEN_PORT;
  const publicOrigin = said.PUBLIC_ORIGIN ?? `http://localhost:${port}`;
  const ask = said.ASK ?? ['everybody'];
  return {
    port,
    watchPort: said.WATCH_PORT ?? null,
    host: said.HOST,
    publicOrigin,
    previewOrigin: previewOf(publicOrigin, said.PREVIEW_ORIGIN),
    trustProxy: said.TRUST_PROXY ?? 0,
    demo: said.DEMO !== 'off',
    ask: ask.length === 1 && (ask[0] === 'everybody' || ask[0] === 'standins') ? ask[0] : ask,
    teamFolder: said.TEAM_FOLDER ?? null,
    redisUrl: said.REDIS_URL ?? null,
    keys: said.API_KEYS ?? [],
    limit: said.LIMIT ?? 300,
    log: said.LOG ?? 'warn',
  };
}

function readVariables(env: NodeJS.ProcessEnv): Said {
  const said: Record<string, unknown> = {};
  for (const [name, [schema, right]] of Object.entries(VARIABLES)) {
    const text = env[name];
    if (text === undefined || text === '') continue;
    const read = schema.safeParse(text);
    if (!read.success) throw new ConfigError(`${name} is “${text}”, which cannot be: it is ${right}.`);
    said[name] = read.data;
  }
  return said;
}

const isLocal = (name: string): boolean => name === 'localhost' || name.endsWith('.localhost');

/** The page of previews is never of the site of the application: what runs there would share its cookies and store. */
function previewOf(publicOrigin: string, said: string | undefined): string {
  const own = new URL(publicOrigin);
  if (said === undefined && isLocal(own.hostname)) return publicOrigin.replace('://', '://preview.');
  if (said === undefined)
    throw new ConfigError(`PREVIEW_ORIGIN is missing: with PUBLIC_ORIGIN it is ${VARIABLES.PREVIEW_ORIGIN[1]}.`);
  const other = new URL(said);
  const within = (a: string, b: string): boolean => a === b || a.endsWith(`.${b}`);
  if (!isLocal(own.hostname) && (within(own.hostname, other.hostname) || within(other.hostname, own.hostname)))
    throw new ConfigError(`PREVIEW_ORIGIN is “${said}”, which is of the same site as PUBLIC_ORIGIN: it is another name.`);
  if (own.protocol !== other.protocol)
    throw new ConfigError(`PREVIEW_ORIGIN is “${said}”, whose scheme is not that of PUBLIC_ORIGIN.`);
  return said;
}
