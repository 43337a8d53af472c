import { ratioOf } from './values.ts';

/** A size, and a rectangle within one, in pixels of the picture. */
export interface Size {
  width: number;
  height: number;
}
/** A part of a picture: its size and its upper left corner, in pixels. */
export interface Crop extends Size {
  left: number;
  top: number;
}

/** What matters in a picture, as shares of its width and height from its upper left corner, each from 0 to 1. */
export interface Focus {
  x: number;
  y: number;
}

/** The largest part of a picture with this ratio that has the focus as near its middle as the edges allow. */
export function cropTo(picture: Size, ratio: string, focus: Focus): Crop {
  const wanted = ratioOf(ratio);
  const wide = picture.width / picture.height > wanted;
  const width = wide ? Math.max(1, Math.round(picture.height * wanted)) : picture.width;
  const height = wide ? picture.height : Math.max(1, Math.round(picture.width / wanted));
  const place = (share: number, whole: number, part: number): number =>
    Math.round(Math.min(whole - part, Math.max(0, share * whole - part / 2)));
  return { width, height, left: place(focus.x, picture.width, width), top: place(focus.y, picture.height, height) };
}

/** The size in which a crop is kept: for screens of this density, never larger than the crop itself. */
export function keptSize(crop: Size, shownWidth: number, density: number): Size {
  const width = Math.max(1, Math.min(crop.width, Math.round(shownWidth * density)));
  return { width, height: Math.max(1, Math.round((width * crop.height) / crop.width)) };
}
