import { expose } from 'comlink';
import type { CoverMade, CoverMaker, CoverWanted } from './messages.ts';

/** Crops, scales and encodes a cover picture, away from the screen's own thread. */
const QUALITIES = [0.82, 0.7, 0.58, 0.45, 0.32, 0.2];

const maker: CoverMaker = { make: (wanted) => make(wanted).catch((): CoverMade => ({ failed: true })) };
expose(maker);

async function make({ picture, crop, size, type, most }: CoverWanted): Promise<CoverMade> {
  const bitmap = await createImageBitmap(picture, crop.left, crop.top, crop.width, crop.height);
  const canvas = new OffscreenCanvas(size.width, size.height);
  const context = canvas.getContext('2d')!;
  context.imageSmoothingQuality = 'high';
  context.drawImage(bitmap, 0, 0, size.width, size.height);
  bitmap.close();
  let encoded = await canvas.convertToBlob({ type, quality: QUALITIES[0]! });
  for (const quality of QUALITIES.slice(1)) {
    if (encoded.size <= most) break;
    encoded = await canvas.convertToBlob({ type, quality });
  }
  return { address: `data:${encoded.type};base64,${base64(new Uint8Array(await encoded.arrayBuffer()))}`, bytes: encoded.size };
}

function base64(bytes: Uint8Array): string {
  let text = '';
  for (let at = 0; at < bytes.length; at += 8192) text += String.fromCharCode(...bytes.subarray(at, at + 8192));
  return btoa(text);
}
