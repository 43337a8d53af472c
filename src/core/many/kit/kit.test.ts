import fc from 'fast-check';
import { fromMarkdown } from 'mdast-util-from-markdown';
import { runs } from '../../../laws/world.ts';
import { describe, expect, test } from 'vitest';
import { blockOf } from './block.ts';
import { kitAsHtml, kitAsMarkdown, tidyAddress } from './kit.ts';

describe('a tidy address', () => {
  test.each([
    ['Episode 12: The long ebb (part 2)', 'the-long-ebb'],
    ['Ép. 3 — L’écluse à marée haute', 'lecluse-a-maree-haute'],
    ['#41 Part of the wheel', 'part-of-the-wheel'],
    ['2026', 'untitled'],
    [`${'ebb and flood '.repeat(9)}`, 'ebb-and-flood-ebb-and-flood-ebb-and-flood-ebb-and-flood-ebb'],
  ])('%s', (title, address) => expect(tidyAddress(title)).toBe(address));
});

const kit = {
  heading: 'Ebb: "flood" <b>',
  description: 'One & two.\n\nThree.',
  address: 'ebb',
  cover: '',
  date: '2026-11-23',
  author: 'A & B',
  code: '<iframe src="http://a.example/"></iframe>',
};

test('as Markdown: every line of the front matter is a name and a quoted text; nothing empty', () => {
  const [, front, body] = kitAsMarkdown(kit).split('---\n');
  const lines = front!
    .trim()
    .split('\n')
    .map((line) => /^(\w+): (.*)$/.exec(line)!.slice(1));
  expect(Object.fromEntries(lines.map(([name, text]) => [name, JSON.parse(text!) as unknown]))).toEqual({
    title: kit.heading,
    slug: 'ebb',
    date: kit.date,
    author: kit.author,
    description: kit.description,
  });
  expect(body).toBe(`\n${kit.description}\n\n${kit.code}\n`);
});

test('as Markdown: no words of a feed become markup, and a writer’s own signs stay', () => {
  const description = '*Low* water <script>x</script> &lt;b> 3 < 4 & more';
  expect(kitAsMarkdown({ ...kit, description })).toContain('\n*Low* water \\<script>x\\</script> \\&lt;b> 3 < 4 & more\n');
});

test('as HTML: words are words, whatever stands in them', () => {
  const html = kitAsHtml(kit);
  expect(html).toContain('<h1>Ebb: &quot;flood&quot; &lt;b&gt;</h1>');
  expect(html).toContain('<p>One &amp; two.</p>\n  <p>Three.</p>');
  expect(html).toContain(kit.code);
});

describe('several codes as one block', () => {
  const script = '<script>cover()</script>';
  test('bring a shared script once, at the end, and keep the space of the site', () =>
    expect(blockOf([`<a>1</a>\n${script}`, `<a>2</a>\n${script}`, '<a>3</a>'], 24)).toBe(
      `<a>1</a>\n<div style="height:24px" aria-hidden="true"></div>\n<a>2</a>\n<div style="height:24px" aria-hidden="true"></div>\n<a>3</a>\n${script}`,
    ));
  test('keep scripts that differ', () =>
    expect(blockOf(['<a>1</a><script>a</script>', '<a>2</a><script>b</script>'], 0)).toBe(
      '<a>1</a>\n<a>2</a>\n<script>a</script>\n<script>b</script>',
    ));
});

test('no link in a description leads anywhere but to the web and to mails', () => {
  const piece = fc.constantFrom(
    '[',
    ']',
    '(',
    ')',
    '![',
    '](',
    ']: ',
    '[a]',
    'a',
    ' ',
    '\n',
    '\n\n',
    '\\',
    '<',
    '>',
    '`',
    '*',
    ':',
    '&colon;',
    '&#58;',
    'javascript:x()',
    'JavaScript:x()',
    'java\\script:x',
    'data:text/html,x',
    'vbscript:x',
    'https://media.example/a',
    'mailto:a@media.example',
    '<script>',
    '<img src=x onerror=x()>',
  );
  const description = fc.array(piece, { minLength: 1, maxLength: 14 }).map((parts) => parts.join(''));
  fc.assert(
    fc.property(description, (text) => {
      const markdown = kitAsMarkdown({
        heading: 'H',
        description: text,
        address: 'h',
        cover: '',
        date: '',
        author: '',
        code: '',
      });
      const body = markdown.slice(markdown.indexOf('---', 3) + 4);
      const look = (node: { type: string; url?: string; children?: unknown[] }): void => {
        expect(node.type, body).not.toBe('html');
        if (node.url !== undefined) expect(node.url, body).not.toMatch(/^(?!https?:|mailto:)[a-z][a-z0-9+.-]*:/i);
        for (const child of node.children ?? []) look(child as never);
      };
      look(fromMarkdown(body));
    }),
    runs(2000),
  );
});
