import { z } from 'zod';
import { measuresSchema } from '../core/known/sites/measures.ts';

/** What the application and the preview page say to each other, by `postMessage` between their origins. */
const looks = z.object({
  language: z.string(),
  column: z.number(),
  margin: z.number(),
  family: z.string(),
  size: z.number(),
  text: z.string(),
  ground: z.string(),
  sample: z.object({ heading: z.string(), before: z.string(), caption: z.string(), after: z.string() }),
});
const box = z.object({ left: z.number(), top: z.number(), width: z.number(), height: z.number() });

/** To the preview: show this code in a page of these looks; put a request to the player; press something; tell what was asked for. */
export const toPreview = z.discriminatedUnion('kind', [
  /** `pressed`: as if the visitor had pressed in the player itself, so that it may play with sound. */
  z.object({ kind: z.literal('show'), code: z.string(), looks, pressed: z.boolean().optional() }),
  z.object({ kind: z.literal('ask'), message: z.json() }),
  /** To an element of our own: a media file, or a cover. `time` in seconds, to seek. */
  z.object({ kind: z.literal('press'), what: z.enum(['play', 'pause', 'mute', 'seek', 'cover']), time: z.number().optional() }),
  z.object({ kind: z.literal('requests') }),
  /** A saved page and its style sheets, to be measured. */
  z.object({ kind: z.literal('measure'), html: z.string(), styles: z.array(z.string()) }),
]);

/** From the preview: it is open; where things stand (CSS pixels of its viewport; `bottom` is the lower edge of the embed in the document); what the player reported. */
export const fromPreview = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('open') }),
  z.object({ kind: z.literal('layout'), embed: box.nullable(), column: box, bottom: z.number() }),
  z.object({ kind: z.literal('player'), data: z.unknown() }),
  z.object({ kind: z.literal('loaded') }),
  /** A media element of our own, in the words of a player report. */
  z.object({
    kind: z.literal('media'),
    event: z.enum(['ready', 'playing', 'paused', 'time', 'ended']),
    time: z.number(),
    duration: z.number().optional(),
    muted: z.boolean(),
  }),
  /** Origins of others that the page has asked for anything. */
  z.object({ kind: z.literal('requests'), from: z.array(z.string()) }),
  z.object({ kind: z.literal('measured'), measures: measuresSchema }),
]);

export type ToPreview = z.infer<typeof toPreview>;
export type FromPreview = z.infer<typeof fromPreview>;
export type Looks = z.infer<typeof looks>;
export type PreviewBox = z.infer<typeof box>;
