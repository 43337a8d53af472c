import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { repairsTable } from '../../../messages/repairsTable.ts';
import { REPAIR_CASES } from './repairs.cases.ts';
import { sayRefusal } from '../../../messages/reading.ts';
import { bringIn } from '../../pipeline.ts';
import { book } from '../../../laws/world.ts';
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
  const cases = Object.entries(REPAIR_CASES).flatMap(([code, some]) =>
    some.map(({ text, address }) => [code, text, address] as const),
  );

  test.each(cases)('%s: %j', (code, text, address) => {
    const [found] = read(text);
    expect(found!.address).toBe(address);
    expect(found!.repairs.map((repair) => repair.code)).toContain(code);
  });

  test('the table in docs is made of these cases', () => {
    expect(readFileSync(join(import.meta.dirname, '../../../../docs/repairs.md'), 'utf8')).toBe(repairsTable());
  });

  test('a value swallowed by a missing quote is found again', () => {
    const [found] = read('<iframe src="https://media.example/a width="560" height="315"></iframe>');
    expect(found!.attributes.map(({ name, value }) => [name, value])).toEqual([
      ['width', '560'],
      ['height', '315'],
    ]);
  });

  test('what only looks wrong is left alone', () => {
    for (const text of [
      'https://media.example/a?u=https://b.example/?x=1',
      'https://media.example/#/film/1?x=1',
      'https://media.example/a?b=1#c',
    ])
      expect(read(text)[0]).toMatchObject({ address: text, repairs: [] });
    const [found] = read('<iframe src="https://media.example/a" title=" className=x onload={y}"></iframe>');
    expect(found).toMatchObject({ repairs: [], attributes: [{ value: ' className=x onload={y}' }] });
  });

  test('places are those of the text that was brought in', () => {
    const text = 'so: &lt;iframe src=&quot;https://media.example/a&quot; width=&quot;5&quot;&gt;&lt;/iframe&gt; end';
    const [found] = read(text);
    expect(text.slice(...found!.range)).toBe(
      '&lt;iframe src=&quot;https://media.example/a&quot; width=&quot;5&quot;&gt;&lt;/iframe&gt;',
    );
    expect(text.slice(...found!.addressRange!)).toBe('https://media.example/a');
    expect(text.slice(...found!.attributes[0]!.whole)).toBe('width=&quot;5&quot;');
  });
});

describe('kinds of code', () => {
  test.each([
    [
      'a padding wrapper',
      '<p>x</p><div style="position:relative;padding-bottom:42.55%"><iframe src="https://media.example/a"></iframe></div>',
      'iframe',
    ],
    [
      'a video element',
      '<video controls><source src="https://media.example/a.mp4" type="video/mp4"><source src="b.ogv"></video>',
      'media',
    ],
    ['an audio element', '<audio src="https://media.example/a.ogg"></audio>', 'media'],
    ['a picture', '<img src="https://media.example/a.jpg" alt="x">', 'media'],
    ['a short code', 'text [gatherfold book="AN1126" spread="2"] text', 'shortcode'],
    ['Markdown', 'see [the film](https://media.example/a "title") now', 'markdown'],
    ['a picture in Markdown', '![the film](https://media.example/a.png)', 'markdown'],
    ['Markdown alone, whatever its words', '[http://\\<div src="a.b/](https://media.example/a)', 'markdown'],
    [
      'a placeholder with its script',
      '<div data-fold-book="AN1126"></div>\n<script async src="http://gatherfold.localhost:4600/fold.js"></script>',
      'script',
    ],
    ['a short code that holds a link', '[embed url="https://media.example/a"]', 'link'],
  ])('%s', (_, text, source) => {
    const found = read(text);
    expect(found.map((one) => one.source)).toEqual([source]);
  });

  test('a wrapper tells the ratio', () => {
    const ratio = (percent: string): string | undefined =>
      read(`<div style="padding:${percent}% 0 0 0"><iframe src="https://media.example/a"></iframe></div>`)[0]!.wrapper?.ratio;
    expect([ratio('56.25'), ratio('75'), ratio('42.55'), ratio('177.78')]).toEqual(['16:9', '4:3', '2.35:1', '9:16']);
  });

  test('of old object code the sizes are taken over, and the item is that of the share link', () => {
    const code =
      '<object width="425" height="344" data="http://frames.lanternreel.localhost:4600/old/k7wq2m9d?from=42"></object>';
    const { item } = bringIn(code, book)[0]!;
    expect(item).toMatchObject({ host: 'lanternreel', id: 'k7wq2m9d', settings: { start: 42, width: 425, height: 344 } });
  });

  test('of media files, start and end are read as Media Fragments', () => {
    const of = (text: string): object => bringIn(text, book)[0]!.item!.settings;
    expect(of('https://media.example/a.mp4#t=10,20')).toEqual({ start: 10, end: 20 });
    expect(of('https://media.example/a.ogg#t=npt:0:10')).toEqual({ start: 10 });
    expect(of('https://media.example/a.pdf#page=3')).toEqual({ page: 3 });
    expect(of('<video src="https://media.example/a.mp4" autoplay muted loop></video>')).toEqual({
      autoplay: 'on',
      mute: 'on',
      loop: 'on',
      controls: 'off',
    });
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
    [
      '<script src="https://a.example/b.js"></script>',
      'This code loads a script from a.example/b.js, of which no host card knows',
    ],
    ['<div data-x="1"></div><script src="https://a.example/b.js"></script>', 'This code loads a script from a.example/b.js'],
    ['[slides id="7"]', 'No host card knows a short code [slides …].'],
    ['http://airwherry.localhost:4600/station/your-station', '“your-station” is the sample from the instructions of Airwherry'],
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
