import { linkAddress } from './address.ts';
import type { WriteInput } from './form.ts';
import { pageWords } from '../../model/pageWords.ts';
import { structuredData } from './structuredData.ts';
import type { TreeAttribute, TreeNode } from './tree.ts';
import type { SettingId } from '../../known/settings/list.ts';

const NEW_LINE: TreeNode = { verbatim: '\n' };
const styled = (style: string): TreeAttribute[] => [{ name: 'style', value: [{ text: style }] }];

/** The embed with what stands around it in the page: heading, text, caption, link, transcript, structured data. */
export function surround(input: WriteInput, embed: readonly TreeNode[]): readonly TreeNode[] {
  const { frame } = input.plan;
  const asked = AROUND.some((id) => frame[id] !== undefined && frame[id] !== 'off' && frame[id] !== '');
  if (!asked) return embed;
  const words = (id: SettingId, tag: string): TreeNode[] =>
    frame[id] ? [{ tag, attributes: [], children: [{ pieces: [{ text: String(frame[id]), origin: id }] }] }] : [];
  const introduction = [...words('heading', 'h2'), ...words('text', 'p')];
  const figure = frame.caption
    ? [{ tag: 'figure', attributes: styled('margin:0'), children: [...embed, ...words('caption', 'figcaption')] }]
    : embed;
  const body = [...figure, ...below(input)];
  const together = frame.beside === 'on' && introduction.length > 0 ? sideBySide(body, introduction) : [...introduction, ...body];
  return frame.structuredData === 'on' ? [...together, NEW_LINE, structuredData(input, 'structuredData')] : together;
}

export const AROUND = ['heading', 'text', 'caption', 'textLink', 'transcript', 'structuredData'] as const;

/** The link to the host’s page, and the transcript that unfolds. */
function below(input: WriteInput): TreeNode[] {
  const { site } = input;
  const { textLink, transcript } = input.plan.frame;
  const nodes: TreeNode[] = [];
  if (textLink) {
    const link: TreeNode = {
      tag: 'a',
      attributes: [{ name: 'href', value: linkAddress(input.plan) }],
      children: [{ pieces: [{ text: String(textLink), origin: 'textLink' }] }],
    };
    nodes.push({ tag: 'p', attributes: [], children: [link] });
  }
  if (transcript) {
    const lines = String(transcript)
      .split(/\n\s*\n/)
      .map((text): TreeNode => ({ tag: 'p', attributes: [], children: [{ pieces: [{ text, origin: 'transcript' }] }] }));
    const summary: TreeNode = { tag: 'summary', attributes: [], children: [{ pieces: [{ text: pageWords(site).transcript }] }] };
    nodes.push({ tag: 'details', attributes: [], children: [summary, ...lines] });
  }
  return nodes;
}

/** Two columns that become one where there is no room for both (CSS Flexible Box Layout 1, section 6). */
function sideBySide(player: readonly TreeNode[], words: readonly TreeNode[]): TreeNode[] {
  const column = (basis: number, children: readonly TreeNode[]): TreeNode => ({
    tag: 'div',
    attributes: styled(`flex:1 1 ${basis}px;min-width:0`),
    children,
  });
  return [
    {
      tag: 'div',
      attributes: [{ ...styled('display:flex;flex-wrap:wrap;gap:24px')[0]!, origin: 'beside' }],
      children: [column(240, words), column(320, player)],
    },
  ];
}
