import type { ScriptPlan } from '../../model/plan.ts';
import { frameAddress } from './address.ts';
import type { WriteInput } from './form.ts';
import { frameAttributes, frameStyle, frameElement, widthStyle, type Sizing } from './frame.ts';
import type { Piece, TreeAttribute, TreeNode } from './tree.ts';

/** The embed as nodes: a frame, an element of our own for a media file, or the host's script code. */
export function embedNodes(input: WriteInput, sizing: Sizing): TreeNode[] {
  if (input.plan.script) return scriptNodes(input.plan.script);
  return [input.plan.media ? mediaElement(input, sizing) : frameElement(input, sizing)];
}

function scriptNodes({ element, attributes, picture, text, src }: ScriptPlan): TreeNode[] {
  const plain = (name: string, value: string): TreeAttribute => ({ name, value: [{ text: value }] });
  const inside: TreeNode[] = picture
    ? [{ tag: 'img', attributes: [plain('src', picture.src), plain('alt', picture.alt)] }]
    : text === null
      ? []
      : [{ pieces: [{ text }] }];
  return [
    {
      tag: element,
      attributes: attributes.map(({ name, value, origin }) => ({ name, value: [{ text: value }], origin })),
      children: inside,
    },
    { verbatim: '\n' },
    { tag: 'script', attributes: [{ name: 'async', value: null }, plain('src', src)] },
  ];
}

/** HTML, 4.8.3, 4.8.8 and 4.8.9. Start and end stand in the address (Media Fragments URI 1.0, section 4.2.1). */
function mediaElement(input: WriteInput, sizing: Sizing): TreeNode {
  const { plan } = input;
  const { title, load } = plan.frame;
  const element = plan.media!;
  const flag = (name: string): TreeAttribute => ({ name, value: null });
  const attributes: TreeAttribute[] = [{ name: 'src', value: frameAddress(plan) }];
  if (element === 'img') attributes.push({ name: 'alt', value: [{ text: String(title ?? ''), origin: 'title' }] });
  else {
    if (title !== undefined) attributes.push({ name: 'aria-label', value: [{ text: String(title) }], origin: 'title' });
    if (plan.frame.controls !== 'off') attributes.push(flag('controls'));
    if (element === 'video') attributes.push(flag('playsinline'));
    if (element === 'video' && plan.frame.cover !== undefined)
      attributes.push({ name: 'poster', value: [{ text: String(plan.frame.cover) }], origin: 'cover' });
    for (const [setting, name] of FLAGS)
      if (plan.frame[setting] === 'on') attributes.push({ name, value: null, origin: setting });
  }
  // HTML, section 4.8.9: sound has no size of its own, but a player as wide, and as high, as it is styled.
  if (element !== 'audio') attributes.push(...sizing.attributes);
  attributes.push({ name: 'style', value: frameStyle(input, element === 'audio' ? soundSize(plan) : sizing.style) });
  if (load === 'near' || load === 'all')
    attributes.push(
      element === 'img'
        ? { name: 'loading', value: [{ text: load === 'near' ? 'lazy' : 'eager' }], origin: 'load' }
        : { name: 'preload', value: [{ text: load === 'near' ? 'none' : 'metadata' }], origin: 'load' },
    );
  attributes.push(...frameAttributes(input, attributes));
  return { tag: element, attributes };
}

const FLAGS = [
  ['autoplay', 'autoplay'],
  ['mute', 'muted'],
  ['loop', 'loop'],
] as const;

function soundSize({ box, frame }: WriteInput['plan']): Piece[] {
  const height: Piece[] = frame.height === undefined ? [] : [{ text: `height:${frame.height}px`, origin: 'height' }];
  return [...widthStyle(box), ...height];
}
