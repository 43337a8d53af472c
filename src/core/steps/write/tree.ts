import { escapeHtml } from '../../model/markup/escape.ts';
import type { CodeRange } from '../../model/code.ts';
import type { Origin } from '../../model/plan.ts';

/** A run of text with what it comes from; no origin for what every code has. */
export interface Piece {
  text: string;
  origin?: Origin;
  /** A parameter that nobody knows, as the item has it. */
  parameter?: string;
}

/** An attribute whose value is put together from pieces, each of which knows where it comes from. */
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

const SEMICOLON: Piece = { text: ';' };

/** Declarations of a style, with what joins them. */
export function joined(pieces: readonly Piece[]): Piece[] {
  const all: Piece[] = [];
  for (const piece of pieces) {
    if (all.length > 0) all.push(SEMICOLON);
    all.push(piece);
  }
  return all;
}

/** HTML, section 13.1.4: elements without content or end tag. */
const VOID = new Set(['meta', 'link', 'img', 'br']);
/** How nodes become text in one language of code. */
interface Dialect {
  escape: (text: string) => string;
  verbatim: (text: string) => string;
  /** What stands around several nodes side by side, where the language wants one. */
  siblings?: readonly [open: string, close: string];
  /** The name of an attribute in this language; null where it can have none such. */
  attribute: (name: string) => string | null;
  /** Declarations of a style as an object; absent where they are written as any value. */
  style?: (pieces: readonly Piece[]) => Piece[];
  /** What ends the tag of an element without content. */
  end: string;
}

/** Names that need no look. */
const USUAL_NAMES: ReadonlySet<string> = new Set([
  'src',
  'title',
  'style',
  'width',
  'height',
  'allow',
  'allowfullscreen',
  'loading',
]);
// HTML, section 13.1.2.3: what may not stand in the name of an attribute would end it.
const HTML_NAME = /^[^\s"'<>/=\u0000-\u001f\u007f]+$/;

const asIs = (text: string): string => text;
const HTML: Dialect = {
  escape: escapeHtml,
  verbatim: asIs,
  attribute: (name) => (USUAL_NAMES.has(name) || HTML_NAME.test(name) ? name : null),
  end: '>',
};
const DIALECTS = {
  html: HTML,
  text: { ...HTML, escape: asIs },
  jsx: {
    escape: (text) => escapeHtml(text).replace(/[{}]/g, (brace) => (brace === '{' ? '&#123;' : '&#125;')),
    verbatim: (text) => (text.includes('{') ? `{${JSON.stringify(text)}}` : text),
    siblings: ['<>\n', '\n</>'],
    attribute: (name) => JSX_NAMES.get(name) ?? (JSX_NAME.test(name) ? name : null),
    style: jsxStyle,
    end: ' />',
  },
} satisfies Record<string, Dialect>;

/** Names of attributes as properties of DOM elements (HTML, section 4.8), where they differ. */
const JSX_NAMES: ReadonlyMap<string, string> = new Map(
  Object.entries({
    class: 'className',
    srcdoc: 'srcDoc',
    allowfullscreen: 'allowFullScreen',
    referrerpolicy: 'referrerPolicy',
    playsinline: 'playsInline',
    autoplay: 'autoPlay',
  }),
);
/** A JSXIdentifier, or two with a colon between; any other name would be read as code. */
const JSX_NAME = /^[a-z_$][\w$-]*(?::[a-z_$][\w$-]*)?$/i;

/** Each declaration as a property of an object. */
function jsxStyle(pieces: readonly Piece[]): Piece[] {
  return pieces
    .filter(({ text }) => text !== ';')
    .flatMap((piece, i) => {
      const properties = piece.text
        .split(';')
        .filter((declaration) => declaration.includes(':'))
        .map(jsxProperty);
      const written = { ...piece, text: properties.join(', ') };
      return i === 0 ? [written] : [{ text: ', ' }, written];
    });
}

function jsxProperty(declaration: string): string {
  const colon = declaration.indexOf(':');
  const name = declaration.slice(0, colon).trim();
  const value = declaration.slice(colon + 1).trim();
  const property = name.startsWith('--') ? name : name.replace(/-([a-z])/g, (_, letter: string) => letter.toUpperCase());
  return `${PLAIN_PROPERTY.test(property) ? property : quoted(property)}: ${quoted(value)}`;
}

/** What may stand before a colon without quotes (ECMAScript, IdentifierName); `__proto__` would name no property. */
const PLAIN_PROPERTY = /^(?!__proto__$)[a-z_$][\w$]*$/i;

const quoted = (text: string): string => `'${JSON.stringify(text).slice(1, -1).replaceAll('\\"', '"').replaceAll("'", "\\'")}'`;

/** Serialises once; escapes every text for where it stands, and maps each range to its origin. */
export function serialise(nodes: readonly TreeNode[], language: keyof typeof DIALECTS): { text: string; map: CodeRange[] } {
  const dialect: Dialect = DIALECTS[language];
  const [open, close] = (nodes.length > 1 && dialect.siblings) || ['', ''];
  const out = new Writer(dialect);
  out.text = open;
  for (const node of nodes) out.node(node);
  out.text += close;
  return { text: out.text, map: out.map };
}

class Writer {
  text = '';
  readonly map: CodeRange[] = [];
  private readonly dialect: Dialect;

  constructor(dialect: Dialect) {
    this.dialect = dialect;
  }

  node(node: TreeNode): void {
    if ('verbatim' in node) this.text += this.dialect.verbatim(node.verbatim);
    else if ('pieces' in node) this.pieces(node.pieces);
    else this.element(node);
  }

  private element({ tag, attributes, children = [], block }: Extract<TreeNode, { tag: string }>): void {
    this.text += `<${tag}`;
    for (const attribute of attributes) this.attribute(attribute);
    if (VOID.has(tag)) {
      this.text += this.dialect.end + (block ? '\n' : '');
      return;
    }
    this.text += block ? '>\n' : '>';
    for (const child of children) this.node(child);
    this.text += block ? `</${tag}>\n` : `</${tag}>`;
  }

  private attribute({ name, value, origin }: TreeAttribute): void {
    const written = this.dialect.attribute(name);
    if (written === null) return;
    this.text += ' ';
    const from = this.text.length;
    this.text += written;
    const { style } = this.dialect;
    if (value && style && name === 'style') {
      this.text += '={{ ';
      this.pieces(style(value), asIs);
      this.text += ' }}';
    } else if (value) {
      this.text += '="';
      this.pieces(value);
      this.text += '"';
    }
    if (origin) this.map.push({ range: [from, this.text.length], origin });
  }

  private pieces(pieces: readonly Piece[], escape = this.dialect.escape): void {
    for (const { text, origin, parameter } of pieces) {
      const from = this.text.length;
      this.text += escape(text);
      if (origin && this.text.length > from) {
        const range = [from, this.text.length] as const;
        this.map.push(parameter === undefined ? { range, origin } : { range, origin, parameter });
      }
    }
  }
}
