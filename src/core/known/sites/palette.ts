import { z } from 'zod';
import type { Site } from '../../model/site.ts';
import { parseColour } from '../../model/values.ts';
import { wordsIn } from '../../model/words.ts';

type Palette = Site['palette'];

const share = (hex: string, at: number): number => Math.round((parseInt(hex.slice(at, at + 2), 16) / 255) * 10_000) / 10_000;

/** The palette in the Design Tokens format (W3C Design Tokens Community Group, Format 2025.10 and Color 2025.10). */
export function paletteToTokens(palette: Palette): Record<string, unknown> {
  // A name may hold no dot or brace, nor begin with $ (Format, section 5.1.1).
  const names = palette.map(
    ({ name }) =>
      name
        .replace(/[.{}]/g, ' ')
        .replace(/^[\s$]+/, '')
        .trim() || 'Colour',
  );
  const apart = distinct(names, ' ');
  const tokens = palette.map(({ colour }, i) => [
    apart[i],
    { $value: { colorSpace: 'srgb', components: [1, 3, 5].map((at) => share(colour, at)), hex: colour } },
  ]);
  return { $type: 'color', ...(Object.fromEntries(tokens) as object) };
}

/** The palette as custom properties (CSS Custom Properties 1, section 2); letters of any script may name them (CSS Syntax 3, section 4.2). */
export function paletteToCss(palette: Palette): string {
  const names = distinct(
    palette.map(({ name }) => wordsIn(name).join('-') || 'colour'),
    '-',
  );
  const lines = palette.map(({ colour }, i) => `  --${names[i]}: ${colour};`);
  return `:root {\n${lines.join('\n')}\n}\n`;
}

const components = z.object({
  colorSpace: z.literal('srgb'),
  components: z.array(z.number().min(0).max(1)).length(3),
});

/** The colours of a file of design tokens, in groups or not; of an older draft too, which has colours as text. */
export function tokensToPalette(data: unknown): Palette {
  const found: Palette = [];
  walk(data, { names: [], type: undefined }, found);
  return found.slice(0, MOST);
}

const MOST = 24;
const DEEPEST = 8;

function walk(node: unknown, { names, type }: { names: readonly string[]; type: unknown }, found: Palette): void {
  if (typeof node !== 'object' || node === null || names.length > DEEPEST || found.length >= MOST) return;
  const group = node as Record<string, unknown>;
  const own = group.$type ?? type;
  if ('$value' in group) {
    const colour = own === 'color' || own === undefined ? colourOf(group.$value) : undefined;
    if (colour) found.push({ name: names.join(' ').slice(0, 40) || 'Colour', colour });
    return;
  }
  for (const [name, child] of Object.entries(group))
    if (!name.startsWith('$')) walk(child, { names: [...names, name], type: own }, found);
}

function colourOf(value: unknown): string | undefined {
  if (typeof value === 'string') return parseColour(value);
  const read = components.safeParse(value);
  if (!read.success) return undefined;
  return `#${read.data.components
    .map((part) =>
      Math.round(part * 255)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
}

/** Each text as it is, or with the first number behind it, from 2 on, that makes it another than those before. */
function distinct(texts: readonly string[], joint: string): string[] {
  const taken = new Set<string>();
  return texts.map((text) => {
    let one = text;
    for (let count = 2; taken.has(one); count++) one = `${text}${joint}${count}`;
    taken.add(one);
    return one;
  });
}
