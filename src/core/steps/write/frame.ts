import type { Box, Origin } from '../../model/plan.ts';
import { boxHeight } from '../../model/box.ts';
import { ratioOf, type SettingValue } from '../../model/values.ts';
import { frameAddress } from './address.ts';
import type { WriteInput } from './form.ts';
import { joined, type Piece, type TreeAttribute, type TreeNode } from './tree.ts';

/** How the size is written: as attributes, or as style. */
export interface Sizing {
  attributes: TreeAttribute[];
  style: Piece[];
}

/** The iframe that forms share. */
export function frameElement(input: WriteInput, sizing: Sizing, place: 'alone' | 'inside' = 'alone'): TreeNode {
  const { plan } = input;
  const { title, load } = plan.frame;
  const attributes: TreeAttribute[] = [{ name: 'src', value: frameAddress(plan) }];
  if (title !== undefined) attributes.push({ name: 'title', value: [{ text: String(title) }], origin: 'title' });
  attributes.push(...sizing.attributes, {
    name: 'style',
    value: place === 'alone' ? frameStyle(input, sizing.style) : joined([NO_EDGE, ...sizing.style, ...keptStyle(input.item)]),
  });
  if (load === 'near' || load === 'all')
    attributes.push({ name: 'loading', value: [{ text: load === 'near' ? 'lazy' : 'eager' }], origin: 'load' });
  if (plan.allow.length > 0) attributes.push({ name: 'allow', value: allowList(plan.allow) });
  if (plan.fullscreen) attributes.push(plan.fullscreen === 'item' ? FULLSCREEN : { ...FULLSCREEN, origin: plan.fullscreen });
  for (const { setting, sent } of plan.entries)
    for (const s of sent)
      if (s.in === 'frameAttribute') attributes.push({ name: s.name, value: [{ text: s.value }], origin: setting });
  attributes.push(...frameAttributes(input, attributes));
  return { tag: 'iframe', attributes };
}

const FULLSCREEN: TreeAttribute = { name: 'allowfullscreen', value: null };

/** The style of the element: its size, space, edges, and what was kept. */
export function frameStyle({ item, plan }: WriteInput, sizing: readonly Piece[]): Piece[] {
  const always = plan.frame.border === undefined ? ALWAYS : BLOCK;
  return joined([always, ...sizing, ...edges(plan), ...keptStyle(item)]);
}

const keptStyle = ({ kept }: WriteInput['item']): Piece[] => kept.style.map((text) => ({ text, origin: 'item' }));

/** Attributes that name and bind it, and those that were kept. */
export function frameAttributes(
  { item, plan }: WriteInput,
  written: readonly TreeAttribute[],
  of: 'frame' | 'place' = 'frame',
): TreeAttribute[] {
  const attributes: TreeAttribute[] = [];
  const put = (name: string, value: SettingValue | undefined, origin: Origin): void => {
    if (value !== undefined) attributes.push({ name, value: [{ text: String(value) }], origin });
  };
  const { referrer, sandbox, elementId, className } = plan.frame;
  if (plan.media === null && of === 'frame') {
    put('referrerpolicy', referrer === undefined ? undefined : REFERRERS[referrer as keyof typeof REFERRERS], 'referrer');
    put('sandbox', sandbox, 'sandbox');
  }
  put('id', elementId, 'elementId');
  put('class', className, 'className');
  for (const { name, value } of item.kept.attributes)
    if (!attributes.some((a) => a.name === name) && !written.some((a) => a.name === name))
      attributes.push({ name, value: value === null ? null : [{ text: value }], origin: 'item' });
  return attributes;
}

/** Referrer Policy, section 3. */
const REFERRERS = { origin: 'origin', none: 'no-referrer', usual: 'strict-origin-when-cross-origin' } as const;

/** Width and height in CSS, following the column. */
export function fluidSize(box: Box): Piece[] {
  const { heightFrom } = box;
  const style = widthStyle(box);
  if (box.height.by === 'number') style.push({ text: `height:${box.height.pixels}px`, origin: heightFrom });
  else style.push({ text: `aspect-ratio:${box.height.ratio.replace(':', '/')}`, origin: heightFrom }, { text: 'height:auto' });
  return style;
}

/** The width in CSS, following the column where it may. */
export function widthStyle({ mode, width, widthFrom }: Box): Piece[] {
  const style: Piece[] = [{ text: mode === 'fixed' ? `width:${width}px` : 'width:100%', origin: widthFrom }];
  if (mode === 'atMost') style.push({ text: `max-width:${width}px`, origin: widthFrom });
  return style;
}

/** Padding in per cent of the width, which keeps a ratio (CSS Box Model 3, section 4); to a hundred-thousandth. */
export function paddingOf({ height, heightFrom }: Box): Piece {
  const share = height.by === 'ratio' ? 100 / ratioOf(height.ratio) : 0;
  return { text: `padding-top:${Math.round(share * 1e5) / 1e5}%`, origin: heightFrom };
}

/** Width and height as attributes, in whole pixels. */
export function fixedSize(box: Box): TreeAttribute[] {
  return [number('width', box.width, box.widthFrom), number('height', boxHeight(box), box.heightFrom)];
}

/** The size as attributes where the width may be the whole column. */
export function attributeSize(box: Box): TreeAttribute[] {
  const [width, height] = fixedSize(box);
  return [box.mode === 'fill' ? { ...width!, value: [{ text: '100%' }] } : width!, height!];
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

/** Edges of the box, and its place in the column. */
export function edges({
  frame: { align, spaceAbove, spaceBelow, border, radius, background },
  entries,
}: WriteInput['plan']): Piece[] {
  const pieces: Piece[] = [];
  if (border !== undefined) pieces.push({ text: `border:${border}px solid`, origin: 'border' });
  if (radius !== undefined) pieces.push({ text: `border-radius:${radius}px`, origin: 'radius' });
  if (background !== undefined && entries.some((e) => e.setting === 'background' && e.state === 'done here'))
    pieces.push({ text: `background:${background}`, origin: 'background' });
  if (spaceAbove !== undefined) pieces.push({ text: `margin-top:${spaceAbove}px`, origin: 'spaceAbove' });
  if (spaceBelow !== undefined) pieces.push({ text: `margin-bottom:${spaceBelow}px`, origin: 'spaceBelow' });
  if (align !== undefined) for (const text of MARGINS[align as keyof typeof MARGINS]) pieces.push({ text, origin: 'align' });
  return pieces;
}

const BLOCK: Piece = { text: 'display:block' };
const ALWAYS: Piece = { text: 'display:block;border:0' };
const NO_EDGE: Piece = { text: 'border:0' };

/** Permissions Policy, section 5: features of `allow`, joined by semicolons. */
function allowList(allow: WriteInput['plan']['allow']): Piece[] {
  const pieces: Piece[] = [];
  for (const { feature, origin } of allow) {
    if (pieces.length > 0) pieces.push({ text: '; ' });
    pieces.push({ text: feature, origin });
  }
  return pieces;
}
