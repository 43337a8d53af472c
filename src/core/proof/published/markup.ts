import { Parser } from 'htmlparser2';

/** An element of a code: its name, its attributes, and the declarations of its style. */
export interface Element {
  tag: string;
  attributes: Readonly<Record<string, string>>;
  style: Readonly<Record<string, string>>;
}

/** All elements of a text, in order. */
export function elementsOf(html: string): Element[] {
  const found: Element[] = [];
  const parser = new Parser({
    onopentag: (tag, attributes) => found.push({ tag, attributes, style: declarationsOf(attributes.style ?? '') }),
  });
  parser.end(html);
  return found;
}

/** Declarations of a style attribute, by property. */
export function declarationsOf(style: string): Record<string, string> {
  const declarations = style.split(';').map((text) => text.split(/:(.*)/s) as [string, string?]);
  return Object.fromEntries(
    declarations.flatMap(([name, value]) => (value === undefined ? [] : [[name.trim().toLowerCase(), value.trim()]])),
  );
}
