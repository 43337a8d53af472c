import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { breaksIn, linesOf } from './codeLines.ts';

const FRAME =
  '<iframe src="https://media.example/f/k7?auto=1&amp;hush=1&amp;from=42" title="Tide & mill" style="border:0" allowfullscreen></iframe>';

describe('the lines of a code', () => {
  test('begin at attributes and parameters', () => {
    expect(linesOf(FRAME)).toEqual([
      '<iframe ',
      'src="https://media.example/f/k7?',
      'auto=1&amp;',
      'hush=1&amp;',
      'from=42" ',
      'title="Tide & mill" ',
      'style="border:0" ',
      'allowfullscreen></iframe>',
    ]);
  });

  test('begin at elements within others', () => {
    expect(linesOf(`<div class="wide">${FRAME}</div>`)[1]).toBe('<iframe ');
  });

  test('stay where the author broke them', () => {
    const written = FRAME.replace(' title', '\n  title');
    expect(linesOf(written)).toContain('from=42"\n  title="Tide & mill" ');
  });

  test('begin at the declarations of a long style', () => {
    const styled = FRAME.replace('border:0', 'display:block;border:0;width:100%;aspect-ratio:16/9');
    expect(linesOf(styled)).toEqual(expect.arrayContaining(['style="display:block;border:0;width:100%;', 'aspect-ratio:16/9" ']));
  });

  test('of a short code are one', () => {
    expect(breaksIn('<iframe src="https://media.example/a?b=1&amp;c=2">')).toEqual([]);
  });

  test('make up the whole text, whatever it is', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('<', '>', ' src="https://a.example/?a=1&amp;b=2" ', '&', '?', '<div', '"', '\n', 'text')),
        (parts) => {
          const text = parts.join('');
          expect(linesOf(text).join('')).toBe(text);
        },
      ),
    );
  });
});
