import type { Box, Origin } from '../model/plan.ts';
import { ratioOf } from '../model/values.ts';
import { frameAddress } from './address.ts';
import type { WriteInput } from './form.ts';
import type { Piece, TreeAttribute, TreeNode } from './tree.ts';

/** The iframe that forms share: `sizing` says how its size is written. */
export function frameElement({ item, plan }: WriteInput, sizing: { attributes: TreeAttribute[]; style: Piece[] }): TreeNode {
  const { title, load } = plan.frame;
  const style = [ALWAYS];
  for (const piece of sizing.style) style.push(SEMICOLON, piece);
  for (const piece of spacing(plan.frame)) style.push(SEMICOLON, piece);
  for (const text of item.kept.style) style.push(SEMICOLON, { text, origin: 'item' });
  const attributes: TreeAttribute[] = [{ name: 'src', value: frameAddress(plan) }];
  if (title !== undefined) attributes.push({ name: 'title', value: [{ text: String(title) }], origin: 'title' });
  attributes.push(...sizing.attributes, { name: 'style', value: style });
  if (load !== undefined)
    attributes.push({ name: 'loading', value: [{ text: load === 'near' ? 'lazy' : 'eager' }], origin: 'load' });
  if (plan.allow.length > 0) attributes.push({ name: 'allow', value: allowList(plan.allow) });
  if (plan.fullscreen) attributes.push({ name: 'allowfullscreen', value: null });
  for (const { name, value } of item.kept.attributes)
    if (!attributes.some((a) => a.name === name))
      attributes.push({ name, value: value === null ? null : [{ text: value }], origin: 'item' });
  return { tag: 'iframe', attributes };
}

/** Width and height in CSS, following the column. */
export function fluidSize(box: Box): Piece[] {
  const { widthFrom, heightFrom } = box;
  const style: Piece[] = [{ text: box.mode === 'fixed' ? `width:${box.width}px` : 'width:100%', origin: widthFrom }];
  if (box.mode === 'atMost') style.push({ text: `max-width:${box.width}px`, origin: widthFrom });
  if (box.height.by === 'number') style.push({ text: `height:${box.height.pixels}px`, origin: heightFrom });
  else style.push({ text: `aspect-ratio:${box.height.ratio.replace(':', '/')}`, origin: heightFrom }, { text: 'height:auto' });
  return style;
}

/** Width and height as attributes, in whole pixels. */
export function fixedSize(box: Box): TreeAttribute[] {
  return [number('width', box.width, box.widthFrom), number('height', boxHeight(box), box.heightFrom)];
}

/** The height in pixels at the box's full width. */
export function boxHeight({ width, height }: Box): number {
  return height.by === 'number' ? height.pixels : Math.max(1, Math.round(width / ratioOf(height.ratio)));
}

const number = (name: string, value: number, origin: Origin): TreeAttribute => ({
  name,
  value: [{ text: String(value) }],
  origin,
});

const MARGINS = {
  start: ['margin-right:auto'],
  centre: ['margin-left:auto', 'margin-right:auto'],
  end: ['margin-left:auto'],
} as const;

function spacing({ align, spaceAbove, spaceBelow }: WriteInput['plan']['frame']): Piece[] {
  const pieces: Piece[] = [];
  if (spaceAbove !== undefined) pieces.push({ text: `margin-top:${spaceAbove}px`, origin: 'spaceAbove' });
  if (spaceBelow !== undefined) pieces.push({ text: `margin-bottom:${spaceBelow}px`, origin: 'spaceBelow' });
  if (align !== undefined) for (const text of MARGINS[align as keyof typeof MARGINS]) pieces.push({ text, origin: 'align' });
  return pieces;
}

const ALWAYS: Piece = { text: 'display:block;border:0' };
const SEMICOLON: Piece = { text: ';' };

/** Permissions Policy, section 5: features of `allow`, joined by semicolons. */
function allowList(allow: WriteInput['plan']['allow']): Piece[] {
  const pieces: Piece[] = [];
  for (const { feature, origin } of allow) {
    if (pieces.length > 0) pieces.push({ text: '; ' });
    pieces.push({ text: feature, origin });
  }
  return pieces;
}
