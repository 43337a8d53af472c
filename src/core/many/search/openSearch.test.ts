import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { readDescription, readResults, searchAddress, type SearchUrl } from './openSearch.ts';

const documentOf = (...urls: string[]): string =>
  `<?xml version="1.0"?><OpenSearchDescription><ShortName>M</ShortName>${urls.join('')}</OpenSearchDescription>`;
const url = (type: string, more = ''): string =>
  `<Url type="${type}" template="https://media.example/find?q={searchTerms}&amp;n={count?}"${more}/>`;

describe('a description', () => {
  test('is asked in what tells most', () => {
    const all = documentOf(url('text/html'), url('application/x-suggestions+json'), url('application/rss+xml'));
    expect(readDescription(all)).toEqual({
      type: 'application/rss+xml',
      template: 'https://media.example/find?q={searchTerms}&n={count?}',
    });
    expect(readDescription(documentOf(url('text/html'), url('application/x-suggestions+json')))?.type).toContain('suggestions');
  });

  test.each([
    '',
    '{',
    '<rss/>',
    documentOf(),
    documentOf(url('text/html')),
    documentOf(url('application/rss+xml', ' method="post"')),
  ])('that answers in nothing that can be read is none: %s', (text) => expect(readDescription(text)).toBeNull());
});

describe('a template', () => {
  test('is filled so that no word gets out of its place', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (words) => {
        const { searchParams } = new URL(searchAddress('https://media.example/find?q={searchTerms}&n={count?}&x={own?}', words)!);
        const whole = words.replace(/\p{Surrogate}/gu, '\uFFFD');
        expect([searchParams.get('q'), searchParams.get('n'), searchParams.get('x')]).toEqual([whole, '20', '']);
      }),
    );
  });

  test('that wants what nobody knows cannot be asked', () =>
    expect(searchAddress('https://media.example/?q={searchTerms}&k={key}', 'mill')).toBeNull());
});

describe('what was found', () => {
  const of = (type: SearchUrl['type'], text: string) => readResults(text, { type, template: '' });

  test('is read from feeds, with picture, length and day', () => {
    const item = `<item><title>The &lt;i&gt;mill&lt;/i&gt;</title><link>https://media.example/see/1</link><pubDate>Mon, 11 Jan 2027 06:00:00 GMT</pubDate><media:thumbnail url="https://media.example/1.webp"/><media:content duration="72"/></item>`;
    expect(
      of(
        'application/rss+xml',
        `<rss><channel>${item}<item><title>x</title><link>javascript:alert(1)</link></item></channel></rss>`,
      ),
    ).toEqual([
      {
        title: 'The <i>mill</i>',
        link: 'https://media.example/see/1',
        duration: 72,
        date: '2027-01-11',
        cover: 'https://media.example/1.webp',
      },
    ]);
    expect(
      of('application/atom+xml', `<feed><entry><title>A</title><link href="https://media.example/2"/></entry></feed>`),
    ).toMatchObject([{ title: 'A', link: 'https://media.example/2' }]);
  });

  test('is read from suggestions that have addresses', () => {
    const told = ['mill', ['The mill', 'No address'], ['', ''], ['https://media.example/3']];
    expect(of('application/x-suggestions+json', JSON.stringify(told))).toEqual([
      { title: 'The mill', link: 'https://media.example/3' },
    ]);
  });

  test('of anything else is nothing', () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom('application/rss+xml', 'application/x-suggestions+json'), (text, type) => {
        expect(of(type, text)).toEqual([]);
      }),
    );
  });
});
