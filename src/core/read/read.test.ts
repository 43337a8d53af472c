import { describe, expect, test } from 'vitest';
import { sayRefusal, sayRepair } from '../../messages/en.ts';
import { bringIn } from '../pipeline.ts';
import { book } from '../tests/world.ts';
import { LONGEST_TEXT, read } from './read.ts';

const LINK = 'http://lanternreel.localhost:4600/see/k7wq2m9d';

describe('what is found, and where', () => {
  test.each([
    ['a bare link', LINK, [LINK]],
    ['with space around it', `  ${LINK}\n`, [LINK]],
    ['within prose', `Look at ${LINK}, please.`, [LINK]],
    ['in brackets', `It is here (${LINK}).`, [LINK]],
    ['in curly quotes', `“${LINK}”`, [LINK]],
    ['several', `${LINK} and\n${LINK}?at=3s`, [LINK, `${LINK}?at=3s`]],
    ['an anchor', `<p>See <a href="${LINK}">this</a></p>`, [LINK]],
    ['an iframe code', `<iframe width="560" src="${LINK}"></iframe>`, [LINK]],
    ['an iframe code in capitals, without quotes', `<IFRAME SRC=${LINK} WIDTH=5></IFRAME>`, [LINK]],
    ['two iframe codes', `<iframe src="${LINK}"></iframe><p>x</p><iframe src='${LINK}'></iframe>`, [LINK, LINK]],
    ['a stray < in prose', `1 < 2 and ${LINK}`, [LINK]],
  ])('%s', (_, text, addresses) => {
    const found = read(text);
    expect(found.map((c) => c.address)).toEqual(addresses);
    for (const { addressRange, source } of found)
      expect([LINK, `${LINK}?at=3s`]).toContain(text.slice(...addressRange!) || source);
  });

  test.each(['<iframe src = "&#104;ttp://a.b/c">', "<iframe src='&#104;ttp://a.b/c' x>", '<iframe src=&#104;ttp://a.b/c>'])(
    'the address of %s',
    (code) => {
      const [found] = read(code);
      expect([found!.address, code.slice(...found!.addressRange!)]).toEqual(['http://a.b/c', '&#104;ttp://a.b/c']);
    },
  );

  test('the range of an iframe code is the whole code', () => {
    const code = `<iframe src="${LINK}"></iframe>`;
    expect(read(`before ${code} after`)[0]!.range).toEqual([7, 7 + code.length]);
  });

  test('attributes keep their order, case of value, and bare names', () => {
    const [found] = read(`<iframe src="${LINK}" Data-X="A &amp; B" allowfullscreen></iframe>`);
    const code = `<iframe src="${LINK}" Data-X="A &amp; B" allowfullscreen></iframe>`;
    expect(found!.attributes.map((a) => [a.name, a.value, code.slice(...a.whole)])).toEqual([
      ['data-x', 'A & B', 'Data-X="A &amp; B"'],
      ['allowfullscreen', null, 'allowfullscreen'],
    ]);
  });
});

describe('what is put right, with the sentence that tells it', () => {
  test.each([
    ['//media.example/a', 'https://media.example/a', 'an address that began with // was completed'],
    ['media.example/a', 'https://media.example/a', 'the beginning of the address was missing and was added'],
    ['lanternreel.localhost:4600/see/k7wq2m9d', LINK, 'the beginning of the address was missing and was added'],
    ['see media.example/a (really)', 'https://media.example/a', 'the beginning of the address was missing and was added'],
    ['http://media.example/a?b=1&amp;c=2', 'http://media.example/a?b=1&c=2', '&amp; was written twice over and is & again'],
    [
      '<iframe src="http://media.example/\n  a"></iframe>',
      'http://media.example/  a',
      'spaces or line breaks in the address were taken out',
    ],
    ['<iframe src="http://media.example/a" width="5', 'http://media.example/a', 'the code was cut off before its end'],
  ])('%j', (text, address, sentence) => {
    const [found] = read(text);
    expect(found!.address).toBe(address);
    expect(found!.repairs.map(sayRepair)).toContain(sentence);
  });
});

describe('what is refused, with the sentence that the publisher sees', () => {
  test.each([
    ['', 'Nothing is pasted yet.'],
    ['   \n', 'Nothing is pasted yet.'],
    ['We are open on Sundays.', 'There is neither a link nor embed code in this text.'],
    [
      'http://lanternreel.localhost:4600/see/k7wq2',
      '“k7wq2” is not complete: on Lanternreel this part is eight small letters or digits, such as k7wq2m9d.',
    ],
    [
      'http://foliobarn.localhost:4600/d/vst-4m2k9q/edit',
      'This is the edit link of Foliobarn: it opens the document for its editors',
    ],
    ['http://foliobarn.localhost:4600/d/vst-4m2k9q/send', 'This is the send link of Foliobarn'],
    ['http://lanternreel.localhost:4600/about', 'This page of Lanternreel cannot be embedded.'],
    ['javascript:alert(1)', 'An address that begins with javascript: could run code'],
    ['data:text/html,hello', 'An address that begins with data: could run code'],
    ['<iframe src="JaVaScript:alert(1)"></iframe>', 'An address that begins with javascript: could run code'],
    ['<iframe></iframe>', 'This iframe has no address in src'],
    ['http://', 'is not a web address'],
    ['<object></object>', 'This iframe has no address in src'],
    ['<script src="https://a.example/b.js"></script>', 'This code loads a script'],
    [
      'http://frame.murmurfold.localhost:4600/player?src=https%3A%2F%2Fother.example',
      'This page of Murmurfold cannot be embedded.',
    ],
    ['x'.repeat(LONGEST_TEXT + 1), 'The text is longer than 5 million characters.'],
  ])('%.60j', (text, sentence) => {
    const [found] = bringIn(text, book);
    expect(found!.item).toBeUndefined();
    expect(sayRefusal(found!.refusal!)).toContain(sentence);
  });

  test('a paste of five million characters is read', () => {
    const text = `${'word '.repeat(999_980)} ${LINK}`;
    expect(bringIn(text, book)[0]!.item).toMatchObject({ id: 'k7wq2m9d' });
  });
});
