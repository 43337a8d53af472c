import fc from 'fast-check';
import { expect, test } from 'vitest';
import { colourOf, contrastOf, LEAST_CONTRAST, nearestPassing, sayContrast } from './contrast.ts';

const colour = fc.stringMatching(/^#[0-9a-f]{6}$/);

test('the ratios that WCAG names', () => {
  expect(contrastOf('#000000', '#ffffff')).toBe(21);
  expect(contrastOf('#777777', '#ffffff')).toBeCloseTo(4.48, 2);
  expect(sayContrast(4.499)).toBe('4.49');
});

test('what is offered passes, whatever the colours', () => {
  fc.assert(
    fc.property(colour, colour, fc.array(colour, { maxLength: 5 }), (own, ground, brand) => {
      const palette = brand.map((c, i) => ({ name: `c${i}`, colour: c }));
      const found = nearestPassing(own, ground, { palette, least: LEAST_CONTRAST.parts });
      expect(contrastOf(found.colour, ground)).toBeGreaterThanOrEqual(LEAST_CONTRAST.parts);
      expect(found.name !== null).toBe(palette.some((p) => contrastOf(p.colour, ground) >= LEAST_CONTRAST.parts));
    }),
  );
});

test('the brand goes before a shade, the nearest first', () => {
  const palette = [
    { name: 'Oak', colour: '#7a5130' },
    { name: 'Ink', colour: '#101010' },
  ];
  expect(nearestPassing('#c9a27f', '#ffffff', { palette, least: 3 })).toEqual({ name: 'Oak', colour: '#7a5130' });
  expect(nearestPassing('#c9a27f', '#ffffff', { palette: [], least: 3 }).name).toBeNull();
});

test('a colour is read as CSS writes it, unless it lets something through', () => {
  expect(['#2F6F7E', '#abc', 'teal', 'rgb(47, 111, 126)', 'rgb(47 111 126)'].map(colourOf)).toEqual([
    '#2f6f7e',
    '#aabbcc',
    '#008080',
    '#2f6f7e',
    '#2f6f7e',
  ]);
  expect(['no colour', 'rgb(47 111 126 / 50%)', ''].map(colourOf)).toEqual([undefined, undefined, undefined]);
});
