import { colorsNamed } from 'culori/fn';

const hexOf = (packed: number): string => `#${packed.toString(16).padStart(6, '0')}`;
/** The first name of those that mean the same. */
const BY_HEX: ReadonlyMap<string, string> = new Map(
  Object.entries(colorsNamed as Readonly<Record<string, number>>)
    .reverse()
    .map(([name, packed]) => [hexOf(packed), name]),
);
const BY_NAME: ReadonlyMap<string, number> = new Map(Object.entries(colorsNamed as Readonly<Record<string, number>>));

/** The name of `#rrggbb` (CSS Color 4, section 6.1), or undefined where it has none. */
export const nameOfColour = (hex: string): string | undefined => BY_HEX.get(hex.toLowerCase());

/** `#rrggbb` for a name, or undefined. */
export function colourNamed(name: string): string | undefined {
  const packed = BY_NAME.get(name.toLowerCase());
  return packed === undefined ? undefined : hexOf(packed);
}
