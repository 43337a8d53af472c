import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import { strFromU8, strToU8, zipSync } from 'fflate';
import { z } from 'zod';
import { cardSchema } from '../../known/hosts/card.ts';
import { providersSchema } from '../../known/hosts/providers.ts';
import { readJson } from '../../model/json.ts';
import { keptOrderSchema } from '../../order/order.ts';
import { proofSchema } from '../../proof/playThrough/proof.ts';
import { siteSchema } from '../../model/site.ts';
import { publishedCodeSchema, pictureSchema, savedSchema, searchesSchema, versionSchema } from '../shelf/saved.ts';
import { lessonSchema } from '../../teach/examples.ts';
import { styleSchema } from '../../known/styles/style.ts';
import { migrated } from './migrate.ts';
import { BUNDLE_VERSION } from './version.ts';
import { unzip, type Zip } from './zip.ts';

/** What somebody chose for the application itself. */
export const preferenceSchema = z.discriminatedUnion('name', [
  z.strictObject({ name: z.literal('theme'), value: z.enum(['day', 'night']) }),
  z.strictObject({ name: z.literal('providers'), value: providersSchema }),
  z.strictObject({ name: z.literal('searches'), value: searchesSchema }),
]);

/** What stands in a bundle: each list in a file of its own, the pictures beside them. */
export const bundleSchema = z.strictObject({
  format: z.literal('refenestra-bundle'),
  version: z.literal(BUNDLE_VERSION),
  /** When it was made, in ISO 8601. */
  made: z.iso.datetime(),
  embeds: z.array(savedSchema).max(200_000),
  versions: z.array(versionSchema).max(1_000_000).default([]),
  proofs: z.array(proofSchema).default([]),
  backs: z.array(publishedCodeSchema).default([]),
  sites: z.array(siteSchema).max(10_000).default([]),
  styles: z.array(styleSchema).max(10_000).default([]),
  cards: z.array(cardSchema).max(10_000).default([]),
  preferences: z.array(preferenceSchema).max(10).default([]),
  /** What cards of one's own were learnt from. */
  lessons: z.array(lessonSchema).max(10_000).default([]),
  orders: z.array(keptOrderSchema).max(10_000).default([]),
});

export type Bundle = z.infer<typeof bundleSchema> & { pictures: z.infer<typeof pictureSchema>[] };

/** Why a file is no bundle that can be taken. Nothing of it is used then. */
export type BundleRefusal =
  | { code: 'noZip' }
  | { code: 'noBundle' }
  | { code: 'tooLarge'; bytes: number; most: number }
  | { code: 'newer'; version: number }
  | { code: 'damaged'; name: string }
  | { code: 'broken'; place: string; why: string };

const MANIFEST = 'manifest.json';
/** All that bundles of the first two versions held. */
const WHOLE = 'bundle.json';
const PICTURE = /^pictures\/([\w-]{1,60})\.(webp|jpeg|png)$/;
const PARTS = ['embeds', 'versions', 'proofs', 'backs', 'sites', 'styles', 'cards', 'preferences', 'lessons', 'orders'] as const;
const fileOf = (part: string): string => `${part}.json`;
const belongs = (name: string): boolean =>
  name === MANIFEST || name === WHOLE || PICTURE.test(name) || PARTS.some((part) => name === fileOf(part));

/** What a bundle says of itself: the SHA-256 of each of its files (FIPS 180-4), in hexadecimal digits. */
const manifestSchema = z.object({
  format: z.literal('refenestra-bundle'),
  version: z.number(),
  made: z.iso.datetime(),
  files: z.record(z.string(), z.string().regex(/^[0-9a-f]{64}$/)),
});

const digest = (bytes: Uint8Array): string => bytesToHex(sha256(bytes));

/** The bundle as a zip file: a file for each kind of thing, one for each picture, and the manifest. */
export function pack({ pictures, format, version, made, ...parts }: Bundle): Uint8Array {
  const mtime = new Date(made);
  const files: Record<string, [Uint8Array, { mtime: Date; level?: 0 }]> = {};
  for (const part of PARTS) files[fileOf(part)] = [strToU8(JSON.stringify(parts[part])), { mtime }];
  for (const { id, address } of pictures) {
    const [, type, data] = /^data:image\/(\w+);base64,(.*)$/s.exec(address)!;
    // Pictures are packed already.
    files[`pictures/${id}.${type}`] = [Uint8Array.from(atob(data!), (sign) => sign.charCodeAt(0)), { mtime, level: 0 }];
  }
  const digests = Object.fromEntries(Object.entries(files).map(([name, [content]]) => [name, digest(content)]));
  const manifest = JSON.stringify({ format, version, made, files: digests });
  return zipSync({ [MANIFEST]: [strToU8(manifest), { mtime }], ...files }, { level: 6 });
}

/** What a zip file holds as a bundle. `damaged` names the files that are not as they were packed, and are left out. */
export type Unpacked = { bundle: Bundle; damaged: string[] } | { refusal: BundleRefusal };

/** The bundle in a zip file, checked whole, or why there is none. */
export function unpack(bytes: Uint8Array): Unpacked {
  const zip = unzip(bytes, belongs);
  if ('refusal' in zip) return zip;
  if (zip.damaged.includes(MANIFEST)) return { refusal: { code: 'damaged', name: MANIFEST } };
  const manifest = zip.files.get(MANIFEST);
  return manifest ? unpackFiles(manifest, zip) : unpackWhole(zip);
}

type Files = Pick<Extract<Zip, { files: unknown }>, 'files' | 'damaged'>;

/** From the third version on. */
function unpackFiles(manifest: Uint8Array, { files }: Files): Unpacked {
  const said = readJson(strFromU8(manifest));
  const version = 'value' in said ? versionOf(said.value) : undefined;
  if (version !== undefined && version > BUNDLE_VERSION) return { refusal: { code: 'newer', version } };
  const read = manifestSchema.safeParse('value' in said ? said.value : null);
  if (!read.success) return { refusal: brokenBy(read.error, MANIFEST) };
  const damaged = Object.entries(read.data.files).flatMap(([name, wanted]) => {
    const content = files.get(name);
    return belongs(name) && (!content || digest(content) !== wanted) ? [name] : [];
  });
  const sound = (name: string): Uint8Array | undefined =>
    read.data.files[name] !== undefined && !damaged.includes(name) ? files.get(name) : undefined;
  const content: Record<string, unknown> = { format: read.data.format, version, made: read.data.made };
  for (const part of PARTS) {
    const file = sound(fileOf(part));
    const value = file ? readJson(strFromU8(file)) : { value: [] };
    if ('wrong' in value) return { refusal: { code: 'broken', place: fileOf(part), why: value.wrong } };
    content[part] = value.value;
  }
  const pictures = picturesOf([...files].filter(([name]) => sound(name)));
  return checked(migrated(content, BUNDLE_VERSION), { damaged, pictures });
}

/** Of the first two versions, which held one file with everything; only the checksums of the zip file tell what is sound. */
function unpackWhole({ files, damaged }: Files): Unpacked {
  if (damaged.includes(WHOLE)) return { refusal: { code: 'damaged', name: WHOLE } };
  const content = files.get(WHOLE);
  if (!content) return { refusal: { code: 'noBundle' } };
  const read = readJson(strFromU8(content));
  if ('wrong' in read) return { refusal: { code: 'broken', place: WHOLE, why: read.wrong } };
  const version = versionOf(read.value);
  if (version !== undefined && version > BUNDLE_VERSION) return { refusal: { code: 'newer', version } };
  return checked(migrated(read.value, BUNDLE_VERSION), { damaged, pictures: picturesOf([...files]) });
}

function checked(content: unknown, { damaged, pictures }: { damaged: string[]; pictures: Bundle['pictures'] }): Unpacked {
  const read = bundleSchema.safeParse(content);
  return read.success ? { bundle: { ...read.data, pictures }, damaged } : { refusal: brokenBy(read.error, WHOLE) };
}

const versionOf = (value: unknown): number | undefined => z.looseObject({ version: z.number() }).safeParse(value).data?.version;

function brokenBy({ issues }: z.ZodError, file: string): BundleRefusal {
  const [issue] = issues;
  return { code: 'broken', place: issue!.path.join('.') || file, why: issue!.message };
}

function picturesOf(files: readonly (readonly [string, Uint8Array])[]): Bundle['pictures'] {
  return files.flatMap(([name, bytes]) => {
    const [, id, type] = PICTURE.exec(name) ?? [];
    if (id === undefined) return [];
    return pictureSchema.safeParse({ id, address: `data:image/${type};base64,${base64(bytes)}` }).data ?? [];
  });
}

function base64(bytes: Uint8Array): string {
  let text = '';
  for (let at = 0; at < bytes.length; at += 8192) text += String.fromCharCode(...bytes.subarray(at, at + 8192));
  return btoa(text);
}
