import { Parser } from 'htmlparser2';
import type { Strips } from './loss.ts';

/** Elements whose content goes with them. */
const WHOLE = new Set(['script', 'iframe', 'style', 'video', 'audio', 'object']);

/** The code as a site of which this is known would leave it. */
export function strip(code: string, { scripts, elements, attributes, properties }: Strips): string {
  const out = new Set([...elements, ...(scripts ? ['script'] : [])]);
  if (out.size + attributes.length + properties.length === 0) return code;
  let text = '';
  let within = 0;
  const parser = new Parser(
    {
      onopentag: (tag, found) => {
        if (out.has(tag)) within += WHOLE.has(tag) ? 1 : 0;
        else if (within === 0) text += `<${tag}${written(found, attributes, properties)}>`;
      },
      onclosetag: (tag, implied) => {
        if (out.has(tag)) within -= WHOLE.has(tag) ? 1 : 0;
        else if (within === 0 && !implied) text += `</${tag}>`;
      },
      ontext: (words) => {
        if (within === 0) text += words;
      },
    },
    { decodeEntities: false },
  );
  parser.end(code);
  return text;
}

function written(found: Record<string, string>, attributes: readonly string[], properties: readonly string[]): string {
  const gone = new Set(properties);
  return Object.entries(found)
    .filter(([name]) => !attributes.includes(name))
    .map(([name, value]) => ` ${name}="${name === 'style' ? withoutProperties(value, gone) : value}"`)
    .join('');
}

const withoutProperties = (style: string, gone: ReadonlySet<string>): string =>
  style
    .split(';')
    .filter((declaration) => !gone.has(declaration.split(':')[0]!.trim().toLowerCase()))
    .join(';');
