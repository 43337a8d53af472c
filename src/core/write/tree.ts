import type { Mark } from '../model/code.ts';
import type { Origin } from '../model/plan.ts';

/** A run of text with what it comes from; no origin for what every code has. */
export interface Piece {
  text: string;
  origin?: Origin;
}

export interface TreeAttribute {
  name: string;
  /** Null for a bare name. */
  value: readonly Piece[] | null;
  /** What the whole attribute comes from. Pieces inside then have none of their own. */
  origin?: Origin;
}

export type TreeNode =
  | { tag: string; attributes: readonly TreeAttribute[]; children?: readonly TreeNode[]; block?: boolean }
  | { pieces: readonly Piece[] }
  | { verbatim: string };

/** HTML, section 13.1.4: elements without content or end tag. */
const VOID = new Set(['meta', 'link', 'img', 'br']);
const ESCAPES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', '\u0000': '\ufffd' };
const escapeHtml = (text: string): string =>
  /[&<>"\u0000]/.test(text) ? text.replace(/[&<>"\u0000]/g, (c) => ESCAPES[c]!) : text;
const asIs = (text: string): string => text;

/** Serialises once; escapes every text for where it stands, and maps each range to its origin. */
export function serialise(nodes: readonly TreeNode[], language: 'html' | 'text'): { text: string; map: Mark[] } {
  const out = new Writer(language === 'html' ? escapeHtml : asIs);
  for (const node of nodes) out.node(node);
  return { text: out.text, map: out.map };
}

class Writer {
  text = '';
  readonly map: Mark[] = [];
  private readonly escape: (text: string) => string;

  constructor(escape: (text: string) => string) {
    this.escape = escape;
  }

  node(node: TreeNode): void {
    if ('verbatim' in node) this.text += node.verbatim;
    else if ('pieces' in node) this.pieces(node.pieces);
    else this.element(node);
  }

  private element({ tag, attributes, children = [], block }: Extract<TreeNode, { tag: string }>): void {
    this.text += `<${tag}`;
    for (const attribute of attributes) this.attribute(attribute);
    this.text += block ? '>\n' : '>';
    if (VOID.has(tag)) return;
    for (const child of children) this.node(child);
    this.text += block ? `</${tag}>\n` : `</${tag}>`;
  }

  private attribute({ name, value, origin }: TreeAttribute): void {
    this.text += ' ';
    const from = this.text.length;
    this.text += name;
    if (value) {
      this.text += '="';
      this.pieces(value);
      this.text += '"';
    }
    if (origin) this.map.push({ range: [from, this.text.length], origin });
  }

  private pieces(pieces: readonly Piece[]): void {
    for (const { text, origin } of pieces) {
      const from = this.text.length;
      this.text += this.escape(text);
      if (origin && this.text.length > from) this.map.push({ range: [from, this.text.length], origin });
    }
  }
}
