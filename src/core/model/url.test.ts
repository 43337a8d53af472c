import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { runs } from '../../laws/world.ts';
import { isAsParsed, splitUrl } from './url.ts';

const label = fc.stringMatching(/^[a-z0-9-]{1,8}$/);
const host = fc
  .array(fc.oneof(label, fc.constantFrom('xn--mhle-kva', '1', '0x7f', '-', 'www', 'A')), { minLength: 1, maxLength: 4 })
  .map((labels) => labels.join('.'));
const port = fc.constantFrom('', ':80', ':443', ':4600', ':08', ':65535', ':70000', ':');
const segment = fc.oneof(
  fc.stringMatching(/^[\w!$&+,\-.:=@%~]{0,8}$/),
  fc.constantFrom('.', '..', '%2e', '%2E.', '%41', 'ü', ' ', "'", '"', '|', '^', '`', '{a}', '\\', '\t', 'a..', '.a'),
);
const tail = fc.oneof(
  fc.constant(''),
  fc.array(segment, { minLength: 1, maxLength: 3 }).map((parts) => parts.join('?')),
);
const address = fc
  .tuple(
    fc.constantFrom('http://', 'https://', 'HTTP://', 'http:/', 'ftp://', 'https:'),
    host,
    port,
    fc.array(segment),
    tail,
    tail,
  )
  .map(([scheme, name, at, path, query, fragment]) =>
    [scheme, name, at, ...path.map((one) => `/${one}`), query && `?${query}`, fragment && `#${fragment}`].join(''),
  );

describe('an address is taken apart as the URL parser does', () => {
  test('whether or not it is asked', () => {
    fc.assert(
      fc.property(address, (text) => {
        const url = URL.canParse(text) ? new URL(text) : null;
        const parts = url && { origin: url.origin, host: url.host, path: url.pathname, query: url.search, fragment: url.hash };
        const split = splitUrl(text);
        // A lone sign is no query, and no fragment.
        const lone = (part: string): string => (part.length > 1 ? part : '');
        expect(split && { ...split, query: lone(split.query), fragment: lone(split.fragment) }).toEqual(parts);
        if (isAsParsed(text)) expect(url?.href).toBe(text);
      }),
      runs(3000),
    );
  });

  test('usual ones without it', () => {
    expect(['https://media.example/a/b.mp4?x=1&y=%20#t=5', 'http://a.localhost:4600/l/1'].map(isAsParsed)).toEqual([true, true]);
  });
});
