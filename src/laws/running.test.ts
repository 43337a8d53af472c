import fc from 'fast-check';
import { JSDOM } from 'jsdom';
import { describe, expect, test } from 'vitest';
import { makeBatch } from '../core/many/batch/batch.ts';
import { findRunning } from '../core/model/markup/running.ts';
import { bringIn, keepEmbed, makeEmbed, type Embed } from '../core/pipeline.ts';
import { embedOf } from '../core/keeping/shelf/embedOf.ts';
import { emptyWork } from '../core/keeping/shelf/work.ts';
import { FORMS } from '../core/steps/write/forms/list.ts';
import { book, form, link, runs, sites } from './world.ts';

const RUNS = runs(500);

const parser = new new JSDOM('').window.DOMParser();

/** What the browser's own parser takes for something that runs, told in the plainest way. */
function runsInBrowser(markup: string): boolean {
  const document = parser.parseFromString(`<body>${markup}`, 'text/html');
  for (const element of document.querySelectorAll('*')) {
    if (element.localName === 'script' && !/json/.test(element.getAttribute('type') ?? '')) return true;
    if (element.localName === 'meta' && /refresh/i.test(element.getAttribute('http-equiv') ?? '')) return true;
    for (const { name, value } of element.attributes) {
      if (/^on[a-z]/i.test(name) && value.trim() !== '') return true;
      if (/^(?:href|src|action|formaction|xlink:href|data)$/.test(name) && /^javascript:/i.test(value.replace(/[\0-\x20]/g, '')))
        return true;
      if (name === 'srcdoc' && runsInBrowser(value)) return true;
    }
  }
  return false;
}

const PIECES = [
  '<iframe src="https://media.example/a"',
  '<iframe srcdoc="&lt;script&gt;x()&lt;/script&gt;"',
  "srcdoc='<p onclick=x()>'",
  '></iframe>',
  '<script>x()</script>',
  '<script type="application/ld+json">{}</script>',
  '<img src=x onerror=x()>',
  '<div onclick="x()">',
  '</div>',
  '<a href="javascript:x()">',
  '<a href="java&#x73;cript:x()">',
  "<a href='java\tscript:x()'>",
  '<form action=javascript:x()>',
  '<meta http-equiv=refresh content="0;url=/">',
  '<svg><a xlink:href="javascript:x()">',
  '<!--',
  '-->',
  '<!-->',
  '--!>',
  '<![CDATA[',
  ']]>',
  '<?x ',
  '<textarea>',
  '</textarea>',
  '<title>',
  '</title>',
  '<noscript>',
  '</noscript>',
  '<style>',
  '</style>',
  ' onload=x()',
  ' onload="x()"',
  '/onload=x()',
  ' title="',
  '"',
  "'",
  '>',
  '/',
  ' ',
  'text ',
] as const;
const soup = fc.array(fc.constantFrom(...PIECES), { minLength: 1, maxLength: 12 }).map((parts) => parts.join(''));

describe('what runs in a code', () => {
  test('is told wherever a browser would run it', () => {
    fc.assert(
      fc.property(soup, (markup) => {
        if (runsInBrowser(markup)) expect(findRunning(markup).length, markup).toBeGreaterThan(0);
      }),
      runs(1500),
    );
  });

  test.each([
    ['data in a script', '<script type="application/ld+json">{"a":1}</script>'],
    ['a cover of ours', code({ load: 'ask' }, 'cover')],
    ['covers with our own script', code({ load: 'ask' }, 'cover-script')],
    ['words about code', '<p title="onload=x() javascript:x()">javascript:x() onclick="x()"</p>'],
    ['a comment', '<!-- <script>x()</script> -->'],
  ])('is not %s', (_, markup) => expect(findRunning(markup)).toEqual([]));
});

function code(settings: object, as: 'cover' | 'cover-script'): string {
  const { item } = bringIn('http://lanternreel.localhost:4600/see/k7wq2m9d', book)[0]!;
  return makeEmbed(item!, settings, { book, site: sites[0]!, form: as, facts: {} }).code.text;
}

/** A frame with something that runs: within it, around it, or beside it. */
const armed = fc
  .record({
    from: link,
    how: fc.constantFrom<(frame: (more: string) => string) => string>(
      (frame) => frame(' onload="x()"'),
      (frame) => frame(' OnMouseOver=x()'),
      (frame) => frame(' srcdoc="<script>x()</script>"'),
      (frame) => frame(` srcdoc='<a href="javascript:x()">y</a>'`),
      (frame) => frame(' srcdoc="<meta http-equiv=refresh content=0;url=https://media.example/>"'),
      (frame) => `<div onclick="x()">${frame('')}</div>`,
      (frame) => `${frame('')}<script>x()</script>`,
      (frame) => `<script src="https://strange.example/x.js"></script>${frame('')}`,
      (frame) => `${frame('')}<img src=x onerror="x()">`,
      (frame) => `<p>${frame('')}<a href="javascript:x()">y</a></p>`,
      (frame) => `<svg/onload=x()>${frame('')}`,
      (frame) => `<meta http-equiv="Refresh" content="0;url=https://media.example/">${frame('')}`,
      (frame) =>
        frame('')
          .replace(/iframe/g, 'object')
          .replace('src=', 'onload="x()" data='),
    ),
    escaped: fc.boolean(),
  })
  .map(({ from, how, escaped }) => {
    const text = how((more) => `<iframe src="${from.replaceAll('&', '&amp;')}"${more}></iframe>`);
    return escaped
      ? text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;')
      : text;
  })
  .filter((text) => bringIn(text, book)[0]!.item !== undefined);

const told = ({ findings }: Embed): string[] =>
  findings.filter(({ code: id }) => id === 'runsOwnCode').map(({ severity }) => severity);
const context = { book, site: null, facts: {} };
const embedForms = FORMS.filter(({ language }) => language === 'html').map(({ id }) => id);

describe('code that runs, pasted', () => {
  test('is told as an error with its place, and stands in no form of code', () => {
    fc.assert(
      fc.property(armed, form, (text, as) => {
        const { item, candidate } = bringIn(text, book)[0]!;
        const made = makeEmbed(item!, item!.settings, { ...context, form: as });
        expect(told(made), text).toContain('error');
        for (const { inText } of made.findings.filter(({ code: id }) => id === 'runsOwnCode'))
          expect(text.slice(...inText!).length).toBeGreaterThan(0);
        if (embedForms.includes(as)) expect(strangers(made.code.text), made.code.text).toBe(false);
        const kept = keepEmbed({ text, candidate }, item!, item!.settings, context);
        expect(told(kept), text).toContain('error');
        if (candidate.source === 'iframe' && candidate.repairs.length === 0)
          expect(strangers(kept.code.text), kept.code.text).toBe(false);
      }),
      RUNS,
    );
  });

  /** Whether something runs that neither we nor a card wrote. */
  const strangers = (markup: string): boolean =>
    findRunning(markup).some(({ address }) => address === undefined || !address.includes('localhost'));

  test('is kept where somebody wants that, and no longer told where it is to be left out', () => {
    fc.assert(
      fc.property(armed, (text) => {
        const { item, candidate } = bringIn(text, book)[0]!;
        const make = (running: 'keep' | 'leave') => makeEmbed(item!, item!.settings, { ...context, form: 'responsive', running });
        expect(told(make('leave')), text).toEqual([]);
        if (candidate.source !== 'iframe' || candidate.repairs.length > 0) return;
        const kept = keepEmbed({ text, candidate }, item!, item!.settings, { ...context, running: 'keep' });
        expect(kept.code.text).toBe(text);
        expect(told(kept)).toContain('error');
      }),
      RUNS,
    );
  });

  test('is never done in a batch, from a table or a feed', () => {
    const settings = { book, sites, styles: {}, site: sites[0]!.id, forAll: {}, today: '2026-11-26' };
    const quoted = (text: string): string => `"${text.replaceAll('"', '""')}"`;
    const escaped = (text: string): string => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;');
    fc.assert(
      fc.property(armed, (text) => {
        for (const table of [
          `link,title\n${quoted(text)},T\n`,
          `<rss version="2.0"><channel><item><title>T</title><link>${escaped(text)}</link></item></channel></rss>`,
        ])
          for (const { state, made } of makeBatch(table, 't', settings).made) {
            expect(state, table).toBe('person');
            expect(strangers(made.code), made.code).toBe(false);
          }
      }),
      RUNS,
    );
  });

  test('and kept code of a work is without it until somebody says so', () => {
    fc.assert(
      fc.property(armed, (text) => {
        const work = { ...emptyWork('', 'a'), text, code: text, form: 'asItStands' as const };
        expect(strangers(embedOf(work, context)!.code.text)).toBe(false);
      }),
      RUNS,
    );
  });
});

/** Names and values that would be code in JSX, were they not quoted. */
const hostile = fc.array(
  fc.constantFrom(
    '[',
    ']',
    '(',
    ')',
    '{',
    '}',
    '...',
    '`',
    '$',
    '\\',
    "'",
    'x',
    'top',
    '.',
    '=',
    '+',
    ',',
    '-',
    '*',
    '/',
    '#',
    '@',
    '__proto__',
  ),
  { minLength: 1, maxLength: 8 },
);

describe('text in a script component', () => {
  test('is data: names and values of styles and attributes run nothing', () => {
    fc.assert(
      fc.property(hostile, hostile, hostile, (name, value, attribute) => {
        const safe = (parts: string[]): string => parts.join('').replaceAll("'", '&#39;').replaceAll('/', '').replaceAll('=', '');
        const text = `<iframe src='https://media.example/a' style='${safe(name)}:${safe(value)}' a${safe(attribute)}='${safe(value)}'></iframe>`;
        const { item } = bringIn(text, book)[0]!;
        const jsx = makeEmbed(item!, {}, { ...context, form: 'jsx' }).code.text;
        expect(onlyLiterals(jsx), jsx).toBe(true);
      }),
      RUNS,
    );
  });

  /** One tag whose attributes are plain names with quoted values, and whose style is an object of literals. */
  const onlyLiterals = (jsx: string): boolean => {
    const string = String.raw`'(?:[^'\\\n]|\\.)*'`;
    const property = `(?:[A-Za-z_$][\\w$]*|${string}): ${string}`;
    return new RegExp(
      `^<iframe(?: [A-Za-z_$][\\w$:-]*(?:="[^"{}<>]*")?| style=\\{\\{ (?:${property}(?:, ${property})*)? \\}\\})*></iframe>$`,
    ).test(jsx);
  };
});
