import type { AddressPart, Plan } from '../../model/plan.ts';
import type { Piece } from './tree.ts';

/** The frame address as pieces: base, query, fragment. */
export const frameAddress = ({ base, parts }: Plan): readonly Piece[] => joinedAddress(base, parts);

/** The frame address once a visitor has asked for the player: it then begins by itself, where the host can. */
export const pressedAddress = ({ base, parts, pressed }: Plan): readonly Piece[] => joinedAddress(base, pressed ?? parts);

function joinedAddress(base: Plan['base'], parts: readonly AddressPart[]): readonly Piece[] {
  if (parts.length === 0) return base;
  const text = base.length === 1 ? base[0]!.text : base.map((b) => b.text).join('');
  const hash = text.indexOf('#');
  if (hash < 0) return [...base, ...tail(text, parts)];
  // What the address has behind the # stays behind all parameters.
  const query = tail(
    text.slice(0, hash),
    parts.filter(({ in: place }) => place === 'query'),
  );
  const fragment = tail(
    '',
    parts.filter(({ in: place }) => place === 'fragment'),
  ).map((piece, i) => (i === 0 ? { ...piece, text: '&' } : piece));
  return [{ text: text.slice(0, hash), origin: 'item' }, ...query, { text: text.slice(hash), origin: 'item' }, ...fragment];
}

/** The share link as pieces. */
export const linkAddress = ({ link }: Plan): Piece[] => [{ text: link.base, origin: 'item' }, ...tail(link.base, link.parts)];

const pieceOf = (raw: string, origin: AddressPart['origin']): Piece =>
  origin === 'item' ? { text: raw, origin, parameter: raw } : { text: raw, origin };

function tail(base: string, parts: readonly AddressPart[]): Piece[] {
  if (parts.length === 0) return [];
  const pieces: Piece[] = [];
  let joint = base.includes('?') ? '&' : '?';
  for (const { in: place, raw, origin } of parts)
    if (place === 'query') {
      pieces.push({ text: joint }, pieceOf(raw, origin));
      joint = '&';
    }
  joint = '#';
  for (const { in: place, raw, origin, pieces: inside } of parts)
    if (place === 'fragment') {
      pieces.push({ text: joint }, ...(inside ?? [pieceOf(raw, origin)]));
      joint = '&';
    }
  return pieces;
}
