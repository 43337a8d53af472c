import { expect, test } from 'vitest';
import { answerText } from './answerText.ts';

const SAID = 'Zażółć gęślą jaźń';
/** The sentence in ISO 8859-2, as servers of its land still send it. */
const LATIN2 = Buffer.from('Za\xbf\xf3\xb3\xe6 g\xea\xb6l\xb1 ja\xbc\xf1', 'latin1');
const answer = (body: Buffer, type: string) => answerText({ body, headers: { 'content-type': type } });
const around = (head: string, body: Buffer): Buffer => Buffer.concat([Buffer.from(head, 'latin1'), body]);

test.each([
  ['as its type says', LATIN2, 'text/xml; charset=iso-8859-2'],
  ['as its type says in quotes', LATIN2, 'application/rss+xml;Charset="ISO-8859-2"'],
  ['as the feed says', around('<?xml version="1.0" encoding="iso-8859-2"?>', LATIN2), 'application/rss+xml'],
  ['as the page says', around('<meta http-equiv=content-type content="text/html; charset=iso-8859-2">', LATIN2), 'text/html'],
  ['as the page says in spite of its type', around('<meta charset="iso-8859-2">', LATIN2), 'text/html; charset=utf-8'],
  ['in spite of what it says', around('<meta charset="utf-16">', Buffer.from(SAID)), 'text/html; charset=klingon'],
  ['by its mark in spite of its type', Buffer.from(`\uFEFF${SAID}`), 'text/xml; charset=iso-8859-1'],
  ['in pairs', Buffer.from(`\uFEFF${SAID}`, 'utf16le'), 'text/xml; charset=utf-8'],
  ['where nothing says it', Buffer.from(SAID), ''],
])('an answer is read %s', (_, body, type) => {
  expect(answer(body, type).replace(/^<[^>]*>/, '')).toBe(SAID);
});

test('signs of several bytes are read, and a mark is no part of JSON', () => {
  const japanese = Buffer.from([0x90, 0x85, 0x8e, 0xd4]);
  expect(answer(japanese, 'text/html; charset=Shift_JIS')).toBe('水車');
  expect(JSON.parse(answer(Buffer.from('\uFEFF{"title":"T"}'), 'application/json'))).toEqual({ title: 'T' });
});

test('bytes that fit nowhere are read as Western systems write them', () => {
  expect(answer(Buffer.from('Caf\xe9', 'latin1'), 'text/html; charset=utf-8')).toBe('Café');
});
