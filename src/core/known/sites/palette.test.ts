import fc from 'fast-check';
import { expect, test } from 'vitest';
import { paletteToCss, paletteToTokens, tokensToPalette } from './palette.ts';

const palette = fc.uniqueArray(
  fc.record({ name: fc.stringMatching(/^[A-Za-z][a-z ]{0,18}[a-z]$/), colour: fc.stringMatching(/^#[0-9a-f]{6}$/) }),
  { maxLength: 12, selector: ({ name }) => name },
);

test('a palette survives the way through design tokens', () => {
  fc.assert(
    fc.property(palette, (colours) => {
      expect(tokensToPalette(paletteToTokens(colours))).toEqual(colours);
    }),
  );
});

test('groups, inherited types and colours as text are read; what is no colour is passed over', () => {
  const tokens = {
    brand: {
      $type: 'color',
      water: { $value: '#2F6F7E' },
      wood: { dark: { $value: { colorSpace: 'srgb', components: [1, 0, 0] } } },
    },
    gap: { $type: 'dimension', $value: { value: 8, unit: 'px' } },
    odd: { $type: 'color', $value: '{brand.water}' },
  };
  expect(tokensToPalette(tokens)).toEqual([
    { name: 'brand water', colour: '#2f6f7e' },
    { name: 'brand wood dark', colour: '#ff0000' },
  ]);
  for (const wrong of [null, 7, 'x', [], { $value: 3 }]) expect(tokensToPalette(wrong)).toEqual([]);
});

test('no colour is lost, whatever their names', () => {
  const any = fc.array(
    fc.record({
      name: fc.string({ unit: fc.constantFrom('a', 'A', 'é', 'В', '.', '{', '$', ' ', '-', '2'), minLength: 1, maxLength: 4 }),
      colour: fc.stringMatching(/^#[0-9a-f]{6}$/),
    }),
    { maxLength: 12 },
  );
  fc.assert(
    fc.property(any, (colours) => {
      const wanted = colours.map(({ colour }) => colour).sort();
      const tokens = JSON.parse(JSON.stringify(paletteToTokens(colours))) as unknown;
      expect(
        tokensToPalette(tokens)
          .map(({ colour }) => colour)
          .sort(),
      ).toEqual(wanted);
      const lines = [...paletteToCss(colours).matchAll(/^ {2}--([^\s:]+): (#\w{6});$/gm)];
      expect(lines.map(([, , colour]) => colour).sort()).toEqual(wanted);
      expect(new Set(lines.map(([, name]) => name)).size).toBe(colours.length);
    }),
  );
});

test('custom properties have names that CSS takes', () => {
  const palette = [
    { name: 'Mill race (2)', colour: '#2f6f7e' },
    { name: 'Écluse', colour: '#101010' },
    { name: 'Вода', colour: '#2f6f7e' },
  ];
  expect(paletteToCss(palette)).toBe(':root {\n  --mill-race-2: #2f6f7e;\n  --ecluse: #101010;\n  --вода: #2f6f7e;\n}\n');
});
