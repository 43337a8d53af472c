import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { KINDS, SCOPES } from '../core/model/kind.ts';
import { siteSchema, type Site } from '../core/model/site.ts';
import { ROOT } from './root.ts';

/** The sample world is written for this origin, whose names stand below it; on another one, its addresses follow. */
export const WRITTEN_PORT = 4600;
export const WRITTEN_ORIGIN = `http://localhost:${WRITTEN_PORT}`;
export const DEMO_FOLDER = join(ROOT, 'demo');

const scene = z.strictObject({ subject: z.string(), hue: z.number() });
const demoItem = z.strictObject({
  host: z.string(),
  kind: z.enum(KINDS),
  scope: z.enum(SCOPES),
  id: z.string(),
  title: z.string(),
  author: z.string(),
  channel: z.string(),
  /** Seconds. */
  duration: z.number().optional(),
  pages: z.number().optional(),
  ratio: z.string().optional(),
  captions: z.array(z.string()).default([]),
  scene: scene.optional(),
  members: z.array(z.string()).default([]),
  key: z.string().optional(),
  released: z.boolean().default(true),
  /** Number within its show. */
  number: z.number().optional(),
  /** Not public before this date. */
  notBefore: z.iso.date().optional(),
  /** Answers are taken until this date. */
  closes: z.iso.date().optional(),
  place: z.strictObject({ lat: z.number(), lon: z.number() }).optional(),
  outline: z.array(z.string()).default([]),
  /** Share links in every form. */
  links: z.array(z.url()).min(1),
});
const itemsFile = z.strictObject({
  channels: z.array(z.strictObject({ id: z.string(), name: z.string() })),
  items: z.array(demoItem),
});

export type DemoItem = z.infer<typeof demoItem>;

/** The origin of the application, as the environment says it. */
export const originFrom = ({ PUBLIC_ORIGIN, PORT }: NodeJS.ProcessEnv): string =>
  PUBLIC_ORIGIN ?? `http://localhost:${PORT ?? WRITTEN_PORT}`;

/** Puts a text of the sample world below another origin; its addresses stand there plain or encoded. */
export function atOrigin(text: string, origin: string): string {
  if (origin === WRITTEN_ORIGIN) return text;
  const { protocol, host } = new URL(origin);
  const encoded = encodeURIComponent(host);
  return text
    .replace(/http:\/\/((?:[^/"\s]+\.)?)localhost:4600/g, `${protocol}//$1${host}`)
    .replace(/http%3A%2F%2F((?:[\w.-]+\.)?)localhost%3A4600/g, `${encodeURIComponent(`${protocol}//`)}$1${encoded}`);
}

/** All JSON files of a folder, by name. */
export function readFolder(folder: string, origin: string): { name: string; text: string }[] {
  const names = readdirSync(folder).filter((name) => name.endsWith('.json'));
  return names.sort().map((name) => ({ name, text: atOrigin(readFileSync(join(folder, name), 'utf8'), origin) }));
}

export const readCardFiles = (origin: string): { name: string; text: string }[] => readFolder(join(DEMO_FOLDER, 'hosts'), origin);

export function readItems(origin: string): DemoItem[] {
  return itemsFile.parse(readJson('items.json', origin)).items;
}

export function readSites(origin: string): Site[] {
  return z.array(siteSchema).parse(readJson('sites.json', origin));
}

const readJson = (name: string, origin: string): unknown =>
  JSON.parse(atOrigin(readFileSync(join(DEMO_FOLDER, name), 'utf8'), origin));
