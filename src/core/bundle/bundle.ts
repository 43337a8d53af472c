import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from 'fflate';
import { z } from 'zod';
import { cardSchema } from '../hosts/card.ts';
import { providersSchema } from '../hosts/providers.ts';
import { proofSchema } from '../model/proof.ts';
import { siteSchema } from '../model/site.ts';
import { pastedBackSchema, pictureSchema, savedSchema, versionSchema } from '../shelf/saved.ts';
import { styleSchema } from '../styles/style.ts';
import { migrated } from './migrate.ts';

export const BUNDLE_VERSION = 2;

/** What somebody chose for the application itself. */
export const preferenceSchema = z.discriminatedUnion('name', [
  z.strictObject({ name: z.literal('theme'), value: z.enum(['day', 'night']) }),
  z.strictObject({ name: z.literal('providers'), value: providersSchema }),
]);

/** What stands in `bundle.json` of a bundle; the pictures lie beside it, one file each. */
export const bundleSchema = z.strictObject({
  format: z.literal('refenestra-bundle'),
  version: z.literal(BUNDLE_VERSION),
  /** When it was made, in ISO 8601. */
  made: z.iso.datetime(),
  embeds: z.array(savedSchema).max(200_000),
  versions: z.array(versionSchema).max(1_000_000).default([]),
  proofs: z.array(proofSchema).default([]),
  backs: z.array(pastedBackSchema).default([]),
  sites: z.array(siteSchema).max(10_000).default([]),
  styles: z.array(styleSchema).max(10_000).default([]),
  cards: z.array(cardSchema).max(10_000).default([]),
  preferences: z.array(preferenceSchema).max(10).default([]),
});

export type Bundle = z.infer<typeof bundleSchema> & { pictures: z.infer<typeof pictureSchema>[] };

/** Why a file is no bundle that can be taken. Nothing of it is used then. */
export type BundleRefusal =
  | { code: 'noZip' }
  | { code: 'noBundle' }
  | { code: 'tooLarge'; bytes: number; most: number }
  | { code: 'newer'; version: number }
  | { code: 'broken'; place: string; why: string };

/** Bytes of all files of a bundle together, unpacked; and how many there may be. */
const MOST_BYTES = 512 * 1024 * 1024;
const MOST_FILES = 210_000;
const CONTENT = 'bundle.json';
const PICTURE = /^pictures\/([\w-]{1,60})\.(webp|jpeg|png)$/;

/** The bundle as a zip file. */
export function pack({ pictures, ...content }: Bundle): Uint8Array {
  const mtime = new Date(content.made);
  const files: Zippable = { [CONTENT]: [strToU8(JSON.stringify(content)), { mtime }] };
  for (const { id, address } of pictures) {
    const [, type, data] = /^data:image\/(\w+);base64,(.*)$/s.exec(address)!;
    // Pictures are packed already.
    files[`pictures/${id}.${type}`] = [Uint8Array.from(atob(data!), (sign) => sign.charCodeAt(0)), { mtime, level: 0 }];
  }
  return zipSync(files, { level: 6 });
}

/** The bundle in a zip file, checked whole, or why there is none. */
export function unpack(bytes: Uint8Array): { bundle: Bundle } | { refusal: BundleRefusal } {
  const files = filesOf(bytes);
  if ('refusal' in files) return files;
  const content = files.files[CONTENT];
  if (!content) return { refusal: { code: 'noBundle' } };
  let data: unknown;
  try {
    data = JSON.parse(strFromU8(content));
  } catch {
    return { refusal: { code: 'broken', place: CONTENT, why: 'it is not JSON' } };
  }
  const { version } = z.looseObject({ version: z.number() }).safeParse(data).data ?? {};
  if (version !== undefined && version > BUNDLE_VERSION) return { refusal: { code: 'newer', version } };
  const read = bundleSchema.safeParse(migrated(data, BUNDLE_VERSION));
  if (!read.success) {
    const [issue] = read.error.issues;
    return { refusal: { code: 'broken', place: issue!.path.join('.') || CONTENT, why: issue!.message } };
  }
  return { bundle: { ...read.data, pictures: picturesOf(files.files) } };
}

function filesOf(bytes: Uint8Array): { files: Record<string, Uint8Array> } | { refusal: BundleRefusal } {
  let total = 0;
  let count = 0;
  try {
    const files = unzipSync(bytes, {
      // What a file claims to be unpacked is the room that it gets; only names that belong here are unpacked.
      filter: ({ name, originalSize }) => {
        total += originalSize;
        count += 1;
        return total <= MOST_BYTES && count <= MOST_FILES && (name === CONTENT || PICTURE.test(name));
      },
    });
    if (total > MOST_BYTES || count > MOST_FILES) return { refusal: { code: 'tooLarge', bytes: total, most: MOST_BYTES } };
    return { files };
  } catch {
    return { refusal: { code: 'noZip' } };
  }
}

function picturesOf(files: Record<string, Uint8Array>): Bundle['pictures'] {
  return Object.entries(files).flatMap(([name, bytes]) => {
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
