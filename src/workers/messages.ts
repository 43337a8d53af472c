import type { Bundle, BundleRefusal } from '../core/bundle/bundle.ts';
import type { Crop, Size } from '../core/model/crop.ts';

/** What the page asks of the worker that makes covers. */
export interface CoverWanted {
  picture: Blob;
  crop: Crop;
  size: Size;
  type: 'image/webp' | 'image/jpeg';
  /** Bytes at most; the quality is lowered until it fits. */
  most: number;
}

/** The cover as a `data:` address with its weight in bytes, or that the picture could not be read. */
export type CoverMade = { address: string; bytes: number } | { failed: true };

/** What is asked of the worker that packs and unpacks bundles. */
export type BundleAsked = { pack: Bundle } | { unpack: Uint8Array };

export type BundleAnswer = { packed: Uint8Array<ArrayBuffer> } | { bundle: Bundle } | { refusal: BundleRefusal };
