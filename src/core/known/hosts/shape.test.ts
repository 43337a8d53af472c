import fc from 'fast-check';
import { expect, test } from 'vitest';
import { runs } from '../../../laws/world.ts';
import { compileShape } from './shape.ts';

const part = fc
  .tuple(
    fc.constantFrom('a', 'b', '[ab]', '[a-c]', '[0-9]', '-', '[a-z0-9_-]'),
    fc.constantFrom('', '+', '{2}', '{1,3}', '{0,2}'),
  )
  .map((both) => both.join(''));
const shape = fc.array(part, { minLength: 1, maxLength: 6 }).map((parts) => parts.join(''));

test('a shape holds of the same texts as the regular expression that it looks like', () => {
  fc.assert(
    fc.property(shape, fc.string({ unit: fc.constantFrom('a', 'b', 'c', '1', '-', '_'), maxLength: 12 }), (written, text) => {
      expect(compileShape(written)(text), `${written} of ${text}`).toBe(new RegExp(`^(?:${written})$`).test(text));
    }),
    runs(5000),
  );
});

test('however it is made up, a long text is soon done with', () => {
  const shapes = ['a+'.repeat(60), '[a-c]+'.repeat(17), `${'a{0,99}'.repeat(14)}b`].map(compileShape);
  for (const fits of shapes) expect(fits(`${'a'.repeat(200_000)}!`)).toBe(false);
});
