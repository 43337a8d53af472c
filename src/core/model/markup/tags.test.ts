import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findTags, wantedTags } from './tags.ts';
import { runs } from '../../../laws/world.ts';

const NAMES = [
  'iframe',
  'script',
  'param',
  'a',
  'p',
  'b',
  'style',
  'title',
  'textarea',
  'noscript',
  'noframes',
  'xmp',
  'x-a',
  't',
  's',
];
const ATTRIBUTES = [
  '',
  ' ',
  ' a',
  ' a=b',
  ' src="/x"',
  " src='/x'",
  ' a="<b>"',
  " a='>'",
  ' a="',
  " b='",
  ' a = "c"',
  '/',
  ' a=/',
  '\u00a0a="b"',
];
const SIGNS = [
  '<',
  '>',
  '"',
  "'",
  '=',
  '/',
  '!',
  '-',
  '--',
  '?',
  ' ',
  '\n',
  'x',
  '&amp;',
  '&lt',
  '&',
  '<!--',
  '-->',
  '<![CDATA[',
  ']]>',
  '\u017f',
];

const tag = fc
  .tuple(
    fc.constantFrom('<', '</'),
    fc.constantFrom(...NAMES),
    fc.array(fc.constantFrom(...ATTRIBUTES), { maxLength: 3 }),
    fc.constantFrom('>', '/>', '', '\n>'),
  )
  .map(([open, name, attributes, close]) => open + name + attributes.join('') + close);
const markup = fc
  .array(
    fc.oneof(
      { weight: 3, arbitrary: tag },
      { weight: 2, arbitrary: fc.constantFrom(...SIGNS) },
      fc.constant('<p class="a">Words</p>'.repeat(70)),
    ),
    { maxLength: 14 },
  )
  .map((pieces) => pieces.join(''));

const wanted = wantedTags('iframe', 'script', 'param', 'a');

describe('the tags that are wanted', () => {
  it('are those among all tags, whatever stands between them', () => {
    fc.assert(
      fc.property(markup, (text) => {
        const all = findTags(text, null).filter(({ name }) => wanted.names.has(name));
        expect(findTags(text, wanted)).toEqual(all);
      }),
      runs(3000),
    );
  });
});
