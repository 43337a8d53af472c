import { describe, expect, test } from 'vitest';
import { framingRefusal } from './framing.ts';
import { judge, type Answer } from './reached.ts';

const frame = new URL('https://frames.media.example/f/1');

describe('whether a site may frame an answer', () => {
  test.each([
    ['no header', [], null, 'https://a.example', true],
    ['DENY', [], 'DENY', 'https://a.example', false],
    ['SAMEORIGIN from another origin', [], 'sameorigin', 'https://a.example', false],
    ['SAMEORIGIN from its own', [], 'SAMEORIGIN', 'https://frames.media.example', true],
    ['an option that no browser knows', [], 'ALLOW-FROM https://b.example', 'https://a.example', true],
    ["frame-ancestors 'none'", ["frame-ancestors 'none'"], null, 'https://a.example', false],
    ['an empty list', ['frame-ancestors'], null, 'https://a.example', false],
    ['*', ['frame-ancestors *'], 'DENY', 'https://a.example', true],
    ["'self'", ["frame-ancestors 'self'"], null, 'https://a.example', false],
    ['the host by name', ["default-src 'none'; frame-ancestors a.example b.example"], null, 'https://b.example', true],
    ['a host by name, over http within https', ['frame-ancestors a.example'], null, 'http://a.example', false],
    ['a wildcard, of a part', ['frame-ancestors https://*.a.example'], null, 'https://www.a.example', true],
    ['a wildcard, of the name itself', ['frame-ancestors https://*.a.example'], null, 'https://a.example', false],
    ['an http source, for https', ['frame-ancestors http://a.example'], null, 'https://a.example', true],
    ['another port', ['frame-ancestors https://a.example:8443'], null, 'https://a.example', false],
    ['any port', ['frame-ancestors http://a.example:*'], null, 'http://a.example:4600', true],
    ['a scheme', ['frame-ancestors https:'], null, 'https://a.example', true],
    ['a scheme, from another', ['frame-ancestors https:'], null, 'http://a.example', false],
    ['two policies, one of which refuses', ['frame-ancestors *', 'frame-ancestors b.example'], null, 'https://a.example', false],
    ['two in one header', ['frame-ancestors *, frame-ancestors b.example'], null, 'https://a.example', false],
    ['a policy without the directive, and an option', ["default-src 'self'"], 'DENY', 'https://a.example', false],
    ['a source that is none', ['frame-ancestors ///'], null, 'https://a.example', false],
  ] as const)('%s', (...row) => {
    const [, policies, frameOptions, site, allowed] = row;
    expect(framingRefusal({ policies, frameOptions }, frame, new URL(site)) === null).toBe(allowed);
  });
});

describe('what an answer means', () => {
  const site = new URL('https://a.example/');
  const answer = (change: Partial<Answer>): Answer => ({
    status: 200,
    asked: frame,
    final: frame,
    movedForGood: false,
    framing: { policies: [], frameOptions: null },
    retryAfter: null,
    seconds: 0.2,
    ...change,
  });
  const access = [{ needs: 'key', status: 403, words: 'It needs its key.', remedy: 'Copy it.', date: '2026-01-01' }] as const;
  const other = new URL('https://frames.media.example/f/2');

  test.each([
    ['reachable', {}],
    ['keyMissing', { status: 403 }],
    ['mustSignIn', { status: 401 }],
    ['mustSignIn', { final: new URL('https://media.example/login?next=1') }],
    ['gone', { status: 404 }],
    ['gone', { status: 410 }],
    ['hostTrouble', { status: 502 }],
    ['hostTrouble', { status: 503, retryAfter: '120' }],
    ['notYet', { status: 503, retryAfter: 'Mon, 11 Jan 2027 00:00:00 GMT' }],
    ['moved', { final: other, movedForGood: true }],
    ['reachable', { final: other }],
    ['slow', { seconds: 4 }],
    ['refusesFraming', { framing: { policies: [], frameOptions: 'DENY' } }],
  ] as const)('%s', (code, change) => {
    expect(judge(answer(change as Partial<Answer>), site, access)[0]!.code).toBe(code);
  });
});
