import { writeCoverPage } from '../../model/coverPage.ts';
import { OPENER } from '../../model/coverScript.ts';
import { pageWords } from '../../model/pageWords.ts';
import type { Kind } from '../../model/kind.ts';
import { linkAddress, pressedAddress } from './address.ts';
import type { WriteInput } from './form.ts';
import { frameAttributes, frameElement, frameStyle, type Sizing } from './frame.ts';
import type { Piece, TreeAttribute, TreeNode } from './tree.ts';

const PLAYED: readonly Kind[] = ['video', 'audio', 'podcast', 'live', 'recording', 'slideshow'];
/** Ink on plaster, where no site says otherwise. */
const USUAL = { text: '#1e2630', ground: '#fffdf8', accent: '#1f5f4f' };

/** What stands on the cover, from the settings and the site. */
function coverOf({ item, plan: { frame }, site }: WriteInput) {
  const words = pageWords(site);
  return {
    title: String(frame.title ?? ''),
    picture: frame.cover === undefined ? null : String(frame.cover),
    words: String(frame.coverWords ?? (PLAYED.includes(item.kind) ? words.play : words.show)),
    consent: frame.consent === undefined ? null : String(frame.consent),
    colours: site ? { ...site.light, accent: site.palette[0]?.colour ?? site.light.text } : USUAL,
  };
}

const textOf = (pieces: readonly Piece[]): string => pieces.map(({ text }) => text).join('');

/** A frame whose own page is the cover; a press on it leads to the player, in the same frame. */
export function coverFrame(input: WriteInput, sizing: Sizing): TreeNode {
  const frame = frameElement(input, sizing) as Extract<TreeNode, { tag: string }>;
  const { title, ...cover } = coverOf(input);
  const page = writeCoverPage({
    ...cover,
    language: input.site?.language ?? 'en',
    title: title.trim() || cover.words.trim() || pageWords(input.site).cover,
    href: textOf(pressedAddress(input.plan)),
  });
  const [src, ...others] = frame.attributes;
  const origin = new URL(textOf(input.plan.base)).origin;
  const attributes = others.map((a) => (a.name === 'allow' ? { ...a, value: delegated(a.value!, origin) } : a));
  return { ...frame, attributes: [src!, { name: 'srcdoc', value: [{ text: page }], origin: 'load' }, ...attributes] };
}

/**
 * A frame with `srcdoc` has the origin of the page (HTML, section 4.8.5), and without a list of origins a feature is
 * for that origin alone (Permissions Policy, section 9.5): the host, which comes later, must be named.
 */
const delegated = (allow: readonly Piece[], origin: string): Piece[] =>
  allow.map((piece) => (/^[a-z-]+$/.test(piece.text) ? { ...piece, text: `${piece.text} ${origin}` } : piece));

/** A link with the cover on it, which the script below turns into the frame. */
export function coverLink(input: WriteInput, sizing: Sizing): TreeNode[] {
  const { title, picture, words, consent, colours } = coverOf(input);
  const { text, ground, accent } = colours;
  const attribute = (name: string, value: string, origin?: TreeAttribute['origin']): TreeAttribute => ({
    name,
    value: [{ text: value }],
    ...(origin && { origin }),
  });
  const allow = input.plan.allow.map(({ feature }) => feature).join('; ');
  const children: TreeNode[] = [];
  if (picture !== null)
    children.push({
      tag: 'img',
      attributes: [
        attribute('src', picture, 'cover'),
        attribute('alt', ''),
        attribute('style', 'position:absolute;width:100%;height:100%;object-fit:cover'),
      ],
    });
  const plate = `position:relative;padding:10px 18px;background:${ground};border-bottom:4px solid ${accent}`;
  children.push({
    tag: 'b',
    attributes: [attribute('style', plate)],
    children: [{ pieces: [{ text: words, origin: 'coverWords' }] }],
  });
  if (consent !== null) {
    const foot = `position:absolute;bottom:0;width:100%;box-sizing:border-box;padding:8px 14px;background:${ground};font:14px/1.4 sans-serif`;
    children.push({
      tag: 'small',
      attributes: [attribute('style', foot)],
      children: [{ pieces: [{ text: consent, origin: 'consent' }] }],
    });
  }
  const look = `display:grid;place-items:center;position:absolute;top:0;left:0;width:100%;height:100%;overflow:hidden;color:${text};background:${ground};font:600 16px/1.4 sans-serif;text-decoration:none;outline:1px solid;outline-offset:-1px`;
  const link: TreeNode = {
    tag: 'a',
    attributes: [
      { name: 'href', value: linkAddress(input.plan) },
      { name: 'data-frame', value: pressedAddress(input.plan) },
      attribute('data-title', title),
      attribute('data-allow', allow),
      attribute('style', look),
    ],
    children,
  };
  const box: TreeAttribute[] = [{ name: 'style', value: [{ text: 'position:relative;' }, ...frameStyle(input, sizing.style)] }];
  return [
    { tag: 'div', attributes: [...box, ...frameAttributes(input, box, 'place')], children: [link] },
    { verbatim: `\n<script>${OPENER}</script>` },
  ];
}
