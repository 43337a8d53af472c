import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { KINDS, SCOPES } from '../core/model/kind.ts';
import { siteSchema, type Site } from '../core/model/site.ts';
import { ROOT } from './root.ts';

/** The sample world is written for this port; on another one, its addresses follow. */
export const WRITTEN_PORT = 4600;
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

/** Puts a text of the sample world on another port. */
export const atPort = (text: string, port: number): string =>
  port === WRITTEN_PORT
    ? text
    : text
        .replaceAll(`localhost:${WRITTEN_PORT}`, `localhost:${port}`)
        .replaceAll(`localhost%3A${WRITTEN_PORT}`, `localhost%3A${port}`);

/** All JSON files of a folder, by name. */
export function readFolder(folder: string, port: number): { name: string; text: string }[] {
  const names = readdirSync(folder).filter((name) => name.endsWith('.json'));
  return names.sort().map((name) => ({ name, text: atPort(readFileSync(join(folder, name), 'utf8'), port) }));
}

export const readCardFiles = (port: number): { name: string; text: string }[] => readFolder(join(DEMO_FOLDER, 'hosts'), port);

export function readItems(port: number): DemoItem[] {
  return itemsFile.parse(readJson('items.json', port)).items;
}

export function readSites(port: number): Site[] {
  return z.array(siteSchema).parse(readJson('sites.json', port));
}

const readJson = (name: string, port: number): unknown => JSON.parse(atPort(readFileSync(join(DEMO_FOLDER, name), 'utf8'), port));
