import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { bringIn } from '../../pipeline.ts';
import { book, cards, link, runs } from '../../../laws/world.ts';
import { read } from './read.ts';

/** Links as people have them: of hosts that are known, and of others with what addresses may hold. */
const other = fc
  .record({
    host: fc.constantFrom('media.example', 'www.media.example', 'm\u00fchle.example', 'media.example:8080'),
    path: fc.constantFrom('/a', '/watch/k7wq2m9d', '/a_b-c.d~e', '/caf%C3%A9/x', '/w/Mill_(tide)', '/\u00e9cluse', '/a,b;c', '/'),
    query: fc.constantFrom('', '?v=a1', '?a=1&b=2', '?a[]=1&b=2', '?t=1m30s', '?q=a+b', '?u=https%3A%2F%2Fa.example'),
    fragment: fc.constantFrom('', '#t=90', '#at=1m30s'),
  })
  .map(({ host, path, query, fragment }) => `https://${host}${path}${query}${fragment}`);
const address = fc.oneof(link, other).filter((text) => !/[-.,_*~']$/.test(text));

/** What stands around a link in mails, chats, page editors and tables; `V` is the link. */
const AROUND = [
  'V',
  ' V\n',
  'See V.',
  'See V, and then more',
  'See V!',
  'Is it V?',
  'Look: V; then',
  'Film:V',
  'Film: V',
  '(V)',
  '(see V)',
  '[V]',
  '{V}',
  '"V"',
  "'V'",
  '“V”',
  '‘V’',
  '„V“',
  '«V»',
  '‹V›',
  '「V」',
  '『V』',
  '【V】',
  '《V》',
  'V。',
  'V，',
  'V、次',
  'V！',
  'V；',
  '链接：V，谢谢',
  'V—word',
  'V – word',
  'V…',
  'V،',
  'V؟',
  '**V**',
  '*V*',
  '_V_',
  '__V__',
  '~~V~~',
  '`V`',
  '> V',
  '- V',
  '1. V',
  '<V>',
  '<V|label>',
  'see <V> and',
  '[[V|label]]',
  '[[V]]',
  '[label](V)',
  '[label](V "title")',
  '![label](V)',
  '[label]: V',
  'V[label]',
  'link:V[the label]',
  '{{name|url=V|width=560}}',
  '{{V}}',
  '|V|label|',
  '[url=V]label[/url]',
  '[url]V[/url]',
  '[url="V"]label[/url]',
  '[media]V[/media]',
  '[video width="560"]V[/video]',
  '[embed]V[/embed]',
  'V\u200b',
  '\u200eV\u200e',
  '\u2066V\u2069',
  '\ufeffV',
  'a\u00a0V\u00a0b',
  'V 🎬',
  'V🎬',
  '<p>Film: <a href="V">the film</a></p>',
  '<p>Film: <a href="V">V</a></p>',
  '<p>V</p>',
  '<p>See V, please.</p>',
  '<td>V</td>',
  '{"url":"V"}',
  '{"url": "V", "title": "x"}',
  "url='V';",
  'href="V"',
  '<!-- note --> V',
];

const once = (text: string): string => new URL(text).href;

describe('a link in a text is read wholly', () => {
  test.each(AROUND)('%s', (around) => {
    const markup = around.includes('<p>') || around.includes('<a') || around.includes('<td');
    fc.assert(
      fc.property(address, (v) => {
        // A bar, or a sign that stands for the end of what is around, may belong to an address: others are tried with it.
        const text = around.replaceAll('V', () => (markup ? v.replaceAll('&', '&amp;') : v));
        const found = read(text).filter((one) => one.refusal === undefined);
        expect(
          found.map((one) => one.address && once(one.address)),
          text,
        ).toEqual([once(v)]);
        const [from, to] = found[0]!.addressRange!;
        expect(
          text
            .slice(from, to)
            .replace(/[\u200b\u200e\u2066\u2069\ufeff]/g, '')
            .replaceAll('&amp;', '&'),
        ).toBe(v);
      }),
      runs(60),
    );
  });

  test('several, and none of them twice', () => {
    fc.assert(
      fc.property(
        address,
        address,
        fc.constantFrom(', ', ' and ', '\n', '; ', ' | ', ',', '<br>', '</p><p>', '。', ' – '),
        (a, b, between) => {
          fc.pre(once(a) !== once(b));
          const text = `${a}${between}${b}`;
          expect(
            read(text).map((one) => one.address && once(one.address)),
            text,
          ).toEqual([once(a), once(b)]);
        },
      ),
      runs(500),
    );
  });
});

/** What programs and page editors make of a frame; `V` is its address as HTML has it. */
const FRAMES: [name: string, make: (v: string) => string][] = [
  ['plain', (v) => frame(v)],
  ['escaped', (v) => escaped(frame(v))],
  ['escaped twice', (v) => escaped(escaped(frame(v)))],
  ['numeric entities', (v) => frame(v).replace(/[<>"&]/g, (c) => `&#${c.charCodeAt(0)};`)],
  ['padded numeric entities', (v) => frame(v).replace(/[<>"&]/g, (c) => `&#0${c.charCodeAt(0)};`)],
  ['hexadecimal entities', (v) => frame(v).replace(/[<>"&]/g, (c) => `&#x${c.charCodeAt(0).toString(16).toUpperCase()};`)],
  ['numeric entities, twice', (v) => escaped(frame(v)).replace(/[&]/g, '&#38;')],
  ['escaped in a page', (v) => `<pre><code>${escaped(frame(v))}</code></pre>`],
  ['ampersands as numbers', (v) => frame(v).replaceAll('&amp;', '&#038;')],
  ['JSON', (v) => JSON.stringify({ html: frame(v) })],
  ['JSON with slashes', (v) => JSON.stringify({ html: frame(v) }).replaceAll('/', '\\/')],
  [
    'JSON without signs of HTML',
    (v) => JSON.stringify({ html: frame(v) }).replace(/[<>&]/g, (c) => `\\u00${c.charCodeAt(0).toString(16)}`),
  ],
  ['JSON in JSON', (v) => JSON.stringify(JSON.stringify({ html: frame(v) }))],
  ['a script', (v) => `var code = '${frame(v)}';`],
  ['a script in parts', (v) => `var code = '<iframe src="' + '${v}' + '" width="560"' +\n '></iframe>';`],
  ['PHP', (v) => `<?php echo "${frame(v).replaceAll('"', '\\"')}"; ?>`],
  ['PHP in parts', (v) => `$c = '<iframe src="' . '${v}' . '"></iframe>';`],
  ['CDATA', (v) => `<description><![CDATA[${frame(v)}]]></description>`],
  ['capitals', (v) => frame(v).replace(/(?<=<\/?)iframe|(?<= )(?:src|width)(?==)/g, (name) => name.toUpperCase())],
  ['no quotes', (v) => `<iframe src=${v} width=560></iframe>`],
  ['single quotes', (v) => frame(v).replaceAll('"', "'")],
  ['curly quotes', (v) => frame(v).replace(/"([^"]*)"/g, '“$1”')],
  ['curly quotes on some', (v) => `<iframe src=“${v}” width="560" height="315"></iframe>`],
  ['curly quotes on others', (v) => `<iframe src="${v}" width=“560” title="a"></iframe>`],
  ['a curly quote at the end', (v) => `<iframe src="${v}” width="560"></iframe>`],
  ['no-break spaces', (v) => frame(v).replaceAll(' ', '\u00a0')],
  ['waiting', (v) => `<iframe data-src="${v}" src="about:blank" class="lazy"></iframe>`],
  ['waiting, empty', (v) => `<iframe class="lazy" data-lazy-src="${v}" src=""></iframe>`],
  ['waiting, without src', (v) => `<iframe data-consent-src="${v}"></iframe>`],
  ['a twin for no script', (v) => `<iframe data-src="${v}"></iframe><noscript>${frame(v)}</noscript>`],
  ['for no script', (v) => `<div></div><noscript>${frame(v)}</noscript>`],
  ['a consent placeholder', (v) => `<div class="consent" data-embed-url="${v}"><p>May we load it?</p></div>`],
  ['padding', (v) => `<div style="position:relative;padding-bottom:56.25%;height:0">${frame(v)}</div>`],
  ['padding by a sum', (v) => `<div style="padding-top: calc(9 / 16 * 100%) !important">${frame(v)}</div>`],
  [
    'padding of a span, with comments',
    (v) => `<span style="display:block;padding:56.25% 0 0"><!-- x -->\n${frame(v)}<!-- y --></span>`,
  ],
  ['in JSX', (v) => `<iframe src={"${v.replaceAll('&amp;', '&')}"} width={560} allowFullScreen />`],
  ['a paragraph with its link', (v) => `${frame(v)}<p><a href="https://media.example/x">From the host</a></p>`],
];
const frame = (v: string): string => `<iframe src="${v}" width="560" height="315" allowfullscreen></iframe>`;
const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

describe('a frame is read wholly', () => {
  test.each(FRAMES)('%s', (_, make) => {
    fc.assert(
      fc.property(address, (v) => {
        fc.pre(!/['\s]/.test(v));
        const text = make(v.replaceAll('&', '&amp;'));
        const [found, ...more] = bringIn(text, book);
        expect(
          more.map((one) => one.candidate.address),
          text,
        ).toEqual([]);
        expect(found!.candidate.address && once(found!.candidate.address), text).toBe(once(v));
        for (const place of found!.candidate.attributes.flatMap(({ whole, range }) => (range ? [whole, range] : [whole])))
          expect(place[1]).toBeLessThanOrEqual(text.length);
      }),
      runs(60),
    );
  });

  test.each([
    ['padding', '16:9'],
    ['padding by a sum', '16:9'],
    ['padding of a span, with comments', '16:9'],
  ])('%s tells the ratio', (name, ratio) => {
    const make = FRAMES.find(([one]) => one === name)![1];
    expect(bringIn(make('https://media.example/a'), book)[0]!.item!.settings.ratio).toBe(ratio);
  });
});

test('what stands beside a code is read too', () => {
  const V = 'https://media.example/a';
  const W = 'https://media.example/b';
  const both = (text: string): unknown => read(text).map(({ source, address: at }) => [source, at]);
  expect(both(`${V}\n${frame(W)}`)).toEqual([
    ['iframe', W],
    ['link', V],
  ]);
  expect(both(`<p>${V} or</p>${frame(W)}`)).toEqual([
    ['iframe', W],
    ['link', V],
  ]);
  expect(both(`<video><source src="a.webm"><source src="${V}.mp4"></video>`)).toEqual([['media', `${V}.mp4`]]);
  expect(both('<https://media.example/a\n  b?c=1>')).toEqual([['link', 'https://media.example/ab?c=1']]);
});

test('a link whose end is in doubt says how else it can be read', () => {
  const doubts = (text: string): unknown => read(text).map(({ address: at, doubt }) => [at, doubt?.text]);
  expect(doubts('https://media.example/a—word')).toEqual([['https://media.example/a', 'https://media.example/a—word']]);
  expect(doubts('https://media.example/a谢谢')).toEqual([['https://media.example/a', 'https://media.example/a谢谢']]);
  expect(doubts('https://media.example/a(b')).toEqual([['https://media.example/a', 'https://media.example/a(b']]);
  expect(doubts('https://media.example/a。')).toEqual([['https://media.example/a', undefined]]);
});

test('a script serves the placeholders around it', () => {
  const target = cards.flatMap((card) => Object.values(card.targets)).find(({ script }) => script)!;
  const { attributes, element, src } = target.script!;
  const filled = Object.entries(attributes)
    .map(([name, value]) => ` ${name}="${value}"`)
    .join('');
  const one = `<${element}${filled}></${element}>`;
  const script = `<script async src="${src}"></script>`;
  const count = (text: string): number => read(text).filter(({ source }) => source === 'script').length;
  for (const text of [
    one + script,
    script + one,
    `${one}<!-- x -->\n${script}`,
    `${one}<p>Words</p>${script}`,
    `${script}\n<!-- x -->${one}`,
  ])
    expect(count(text), text).toBe(1);
  for (const text of [one + one + script, `${one}<p>x</p>${one}${script}`, script + one + one]) expect(count(text), text).toBe(2);
});

test('files that browsers do not show are told for what they are', () => {
  for (const [file, what] of [
    ['sluice.m3u8', 'stream'],
    ['sluice.mpd', 'stream'],
    ['sluice.vtt', 'subtitles'],
    ['diary.epub', 'book'],
    ['leaflet.docx', 'office'],
    ['talk.pptx', 'office'],
  ] as const)
    for (const text of [`https://media.example/${file}`, `<iframe src="https://media.example/${file}?a=1"></iframe>`])
      expect(bringIn(text, book)[0]!.refusal, text).toMatchObject({ code: 'noPlayerFile', what });
});
