import { fromMarkdown } from 'mdast-util-from-markdown';
import { asItIs, mayHold, type Container } from './container.ts';

/** HTML in Markdown stands as it is (CommonMark 0.31, section 4.6); what is shown as code is none, and keeps its place as blanks. */
export const markdown: Container = {
  id: 'markdown',
  endings: ['md', 'markdown'],
  pieces: (text) => [asItIs(mayHold(text) && /[`~]|^(?: {4}|\t)|^---/m.test(text) ? withoutCode(text) : text)],
};

/** Front matter is data of the site's own making. */
const FRONT = /^---\r?\n[^]*?\r?\n---(?=\r?\n|$)/;

function withoutCode(text: string): string {
  const front = FRONT.exec(text)?.[0] ?? '';
  let blanked = blank(front);
  const body = text.slice(front.length);
  let at = 0;
  for (const [from, to] of codeIn(fromMarkdown(body))) {
    blanked += body.slice(at, from) + blank(body.slice(from, to));
    at = to;
  }
  return blanked + body.slice(at);
}

const blank = (text: string): string => text.replace(/[^\n\r]/g, ' ');

type Nodes = ReturnType<typeof fromMarkdown> | ReturnType<typeof fromMarkdown>['children'][number];

function codeIn(node: Nodes): [number, number][] {
  if (node.type === 'code' || node.type === 'inlineCode') return [[node.position!.start.offset!, node.position!.end.offset!]];
  return 'children' in node ? node.children.flatMap((child) => codeIn(child as Nodes)) : [];
}
