import { cropTo, type Size } from '../../core/model/crop.ts';
import type { CoverMaker } from '../../workers/messages.ts';
import { askWorker } from '../askWorker.ts';
import { findPictures, savePicture } from '../storage/embeds.ts';
import { loadPicture } from './server.ts';

/** The small picture of the Shelf: its size for dense screens, and bytes at most. */
const THUMBNAIL = { width: 128, height: 72 };
const MOST = 8000;

/** A picture cut to a ratio and made small, as a data URL; null where it is none that can be read. */
export async function smallPicture(
  picture: Blob,
  { size, ratio, most }: { size: Size; ratio: string; most: number },
): Promise<string | null> {
  const bitmap = await createImageBitmap(picture).catch(() => null);
  if (!bitmap) return null;
  const crop = cropTo(bitmap, ratio, { x: 0.5, y: 0.5 });
  bitmap.close();
  const worker = (): Worker => new Worker(new URL('../../workers/cover.ts', import.meta.url), { type: 'module' });
  const made = await askWorker<CoverMaker>(worker)((maker) => maker.make({ picture, crop, size, type: 'image/webp', most }));
  return 'failed' in made ? null : made.address;
}

/** Fetches the cover of an item through the server, makes it small, and keeps it with the embed; once. */
export async function keepThumbnail(id: string, cover: string): Promise<void> {
  const [before] = await findPictures([id]);
  if (before) return;
  const address = await smallPicture(await loadPicture(cover), { size: THUMBNAIL, ratio: '16:9', most: MOST });
  if (address !== null) await savePicture({ id, address });
}
