import createPurifier from 'dompurify';
import { JSDOM } from 'jsdom';
import sanitize from 'sanitize-html';
import { strip } from '../core/proof/published/strip.ts';

const NOTHING = { scripts: false, elements: [], attributes: [], properties: [] };
const purifier = createPurifier(new JSDOM('').window);

/** What page editors make of code that is pasted into them, from the mildest to the strictest. */
export const STRIPPERS: Readonly<Record<string, (code: string) => string>> = {
  'takes out scripts': (code) => strip(code, { ...NOTHING, scripts: true }),
  'knows no newer CSS': (code) => strip(code, { ...NOTHING, properties: ['aspect-ratio'] }),
  'takes out styles': (code) => strip(code, { ...NOTHING, attributes: ['style'] }),
  'keeps address and size alone': (code) =>
    code
      .replace(/<(iframe)\b([^>]*)>/g, (_, tag: string, attributes: string) => {
        const kept = [...attributes.matchAll(/ (?:src|width|height)="[^"]*"/g)].map(([text]) => text).join('');
        return `<${tag}${kept}>`;
      })
      .replace(/<\/?(?:div|script)\b[^>]*>/g, ''),
  'takes out frames': (code) =>
    `<p>${code.replace(/<iframe\b[^>]*src="([^"]*)"[^>]*>.*?<\/iframe>/gs, '<a href="$1">$1</a>')}</p>`,
  'shows code as text': (code) => `<p>${code.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;')}</p>`,
  'sanitize-html as it comes': (code) => sanitize(code),
  'DOMPurify as it comes': (code) => purifier.sanitize(code),
};
