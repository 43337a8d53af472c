import { cropTo } from '../../core/model/crop.ts';
import type { CoverMaker } from '../../workers/messages.ts';
import { askWorker } from '../askWorker.ts';
import { findPictures, savePicture } from '../storage/embeds.ts';
import { loadPicture } from './server.ts';

/** The small picture of the Shelf: its size for dense screens, and bytes at most. */
const THUMBNAIL = { width: 128, height: 72 };
const MOST = 8000;

/** Fetches the cover of an item through the server, makes it small, and keeps it with the embed; once. */
export async function keepThumbnail(id: string, cover: string): Promise<void> {
  const [before] = await findPictures([id]);
  if (before) return;
  const picture = await loadPicture(cover);
  const bitmap = await createImageBitmap(picture);
  const crop = cropTo(bitmap, '16:9', { x: 0.5, y: 0.5 });
  bitmap.close();
  const worker = (): Worker => new Worker(new URL('../../workers/cover.ts', import.meta.url), { type: 'module' });
  const made = await askWorker<CoverMaker>(worker)((maker) =>
    maker.make({ picture, crop, size: THUMBNAIL, type: 'image/webp', most: MOST }),
  );
  if (!('failed' in made)) await savePicture({ id, address: made.address });
}
