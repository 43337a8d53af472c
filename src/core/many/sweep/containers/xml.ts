import { decodeXML } from 'entities';
import { asItIs, mayHold, type Container, type Piece } from './container.ts';
import { decodedPiece } from './decoded.ts';

/** An export or a feed: HTML in CDATA sections, or escaped (XML 1.0, sections 2.4 and 2.7). */
export const xml: Container = {
  id: 'xml',
  endings: ['xml', 'rss', 'atom'],
  pieces: (text) => {
    const pieces: Piece[] = [];
    for (let at = 0; at < text.length;) {
      const open = text.indexOf(CDATA, at);
      const end = open < 0 ? text.length : open;
      pieces.push(...escapedIn(text, at, end));
      if (open < 0) break;
      const from = open + CDATA.length;
      const close = text.indexOf(']]>', from);
      const to = close < 0 ? text.length : close;
      if (mayHold(text.slice(from, to))) pieces.push({ ...asItIs(text.slice(from, to), from), spell: inSection });
      at = close < 0 ? text.length : to + 3;
    }
    return pieces;
  },
};

const CDATA = '<![CDATA[';
const inSection = (text: string): string | null => (text.includes(']]>') ? null : text);

/** Text between two tags that holds an escaped one. */
function escapedIn(text: string, from: number, to: number): Piece[] {
  const pieces: Piece[] = [];
  for (let at = from; at < to;) {
    const tag = text.indexOf('<', at);
    const end = tag < 0 || tag > to ? to : tag;
    const raw = text.slice(at, end);
    if (ESCAPED_TAG.test(raw)) pieces.push(decodedPiece(raw, at, ESCAPED));
    const close = end < to ? text.indexOf('>', end) : -1;
    at = close < 0 ? to : close + 1;
  }
  return pieces;
}

const ESCAPED_TAG = /&(?:lt|#60|#x3c);|\[[a-z]/i;
const SIGNS: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;' };
const ESCAPED = {
  escape: /&(?:amp|lt|gt|quot|apos|#\d{1,7}|#x[\da-f]{1,6});/gi,
  decode: decodeXML,
  spell: (text: string): string => text.replace(/[&<>]/g, (sign) => SIGNS[sign]!),
};
