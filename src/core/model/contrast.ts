import { differenceEuclidean, formatHex, interpolate, modeLrgb, modeRgb, parse, useMode as know, wcagContrast } from 'culori/fn';

know(modeRgb);
know(modeLrgb);

/** WCAG 2.2, 1.4.11: parts of controls against what is next to them; and 1.4.3: text. */
export const LEAST_CONTRAST = { parts: 3, text: 4.5 } as const;

/** The contrast ratio of two colours `#rrggbb`, from 1 to 21 (WCAG 2.2, “contrast ratio”). */
export const contrastOf = (one: string, other: string): number => wcagContrast(one, other);

/** `4.51`: cut off, not rounded, so that what does not pass never looks as if it did. */
export const sayContrast = (ratio: number): string => (Math.floor(ratio * 100) / 100).toFixed(2);

/** The colour of the palette nearest to this one that has enough contrast with the ground; otherwise its nearest shade that has. */
export function nearestPassing(
  colour: string,
  ground: string,
  { palette, least }: { palette: readonly { name: string; colour: string }[]; least: number },
): { name: string | null; colour: string } {
  const far = differenceEuclidean('rgb');
  const [nearest] = palette
    .filter((brand) => contrastOf(brand.colour, ground) >= least)
    .sort((a, b) => far(a.colour, colour) - far(b.colour, colour));
  return nearest ? { name: nearest.name, colour: nearest.colour } : { name: null, colour: shadeOf(colour, ground, least) };
}

/** Steps towards black and white; the first of the nearer end that passes. */
function shadeOf(colour: string, ground: string, least: number): string {
  const ends = ['#000000', '#ffffff'].map((end) => {
    const towards = interpolate([parse(colour)!, parse(end)!], 'rgb');
    for (let step = 1; step <= 40; step++) {
      const shade = formatHex(towards(step / 40));
      if (contrastOf(shade, ground) >= least) return { step, shade };
    }
    return { step: 99, shade: end };
  });
  return ends.sort((a, b) => a.step - b.step)[0]!.shade;
}

/** `#rrggbb` of an opaque colour as CSS writes it: by name, `rgb()`, or in digits; undefined for what is none. */
export function colourOf(text: string): string | undefined {
  const colour = parse(text.trim());
  return colour && (colour.alpha ?? 1) === 1 ? formatHex(colour) : undefined;
}
