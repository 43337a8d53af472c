import fc from 'fast-check';
import { expect, test } from 'vitest';
import { runs } from '../../../laws/world.ts';
import { wordsOfMarkup } from '../../model/markup/wordsOfMarkup.ts';
import { surroundingsOf } from './surroundings.ts';

/** The same said in one pattern, which looks at every sign. */
const HEADING = /<(h[1-6])\b[^<>]{0,2000}>([^]{0,2000}?)<\/\1\s*>|^ {0,3}#{1,6}[ \t]+([^\n\r]{1,500})/gim;
const headingsIn = (text: string): { end: number; words: string }[] =>
  [...text.matchAll(HEADING)].map(({ 0: whole, 2: marked, 3: plain, index }) => ({
    end: index + whole.length,
    words: marked === undefined ? plain!.replace(/[ \t]+#*[ \t]*$/, '') : wordsOfMarkup(marked),
  }));

const piece = fc.constantFrom(
  '<h2>High water</h2>',
  '<H3 class="a">Low <b>water</b></H3 >',
  '<h1>',
  '</h1>',
  '<hr>',
  '# Ebb',
  '####### Seven',
  '## Flood ##',
  '   # Three',
  '    # Four',
  ' ',
  '\n',
  '\r\n',
  '\u2028',
  'a#b',
  '# ',
  '#\t\n',
  '<p>The pond</p>',
);

test('headings are found where one pattern for all of them finds them', () => {
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 14 }), (pieces) => {
      const text = pieces.join('');
      const { headingAt } = surroundingsOf(text);
      const expected = headingsIn(text).filter(({ words }) => words !== '');
      for (let place = 0; place <= text.length; place++)
        expect(headingAt(place)).toBe(expected.findLast(({ end }) => end <= place)?.words ?? '');
    }),
    runs(400),
  );
});
