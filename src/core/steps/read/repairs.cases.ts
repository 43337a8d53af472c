import type { Repair } from '../../model/candidate.ts';

/** One thing that people paste, and the address that reading makes of it. */
export interface RepairCase {
  text: string;
  address: string;
}

/**
 * Every repair that reading makes, with what it was tried on. The tests run these, and the table in
 * `docs/repairs.md` is made of them.
 */
export const REPAIR_CASES: Record<Repair['code'], readonly RepairCase[]> = {
  schemeAdded: [
    { text: 'media.example/a', address: 'https://media.example/a' },
    { text: 'see media.example/a (really)', address: 'https://media.example/a' },
    { text: 'media.localhost:4600/a', address: 'http://media.localhost:4600/a' },
  ],
  schemeRelative: [
    { text: '//media.example/a', address: 'https://media.example/a' },
    { text: '<iframe src="//media.example/a"></iframe>', address: 'https://media.example/a' },
  ],
  entityTwice: [
    { text: 'http://media.example/a?b=1&amp;c=2', address: 'http://media.example/a?b=1&c=2' },
    { text: '<iframe src="https://media.example/a?b=1&amp;amp;c=2"></iframe>', address: 'https://media.example/a?b=1&c=2' },
  ],
  spaceTrimmed: [
    { text: '<iframe src="https://media.example/\n  a"></iframe>', address: 'https://media.example/  a' },
    { text: '<iframe src=" https://media.example/a "></iframe>', address: 'https://media.example/a' },
  ],
  tagUnclosed: [
    { text: '<iframe src="https://media.example/a" width="5', address: 'https://media.example/a' },
    { text: '<iframe src="https://media.example/a', address: 'https://media.example/a' },
  ],
  curlyQuotes: [
    { text: '<iframe src=“https://media.example/a” width=“560”></iframe>', address: 'https://media.example/a' },
    { text: '<iframe src=”https://media.example/a”></iframe>', address: 'https://media.example/a' },
    { text: '<iframe src=‘https://media.example/a’></iframe>', address: 'https://media.example/a' },
    { text: '<iframe src=„https://media.example/a“></iframe>', address: 'https://media.example/a' },
  ],
  escapedCode: [
    {
      text: '&lt;iframe src=&quot;https://media.example/a?b=1&amp;amp;c=2&quot;&gt;&lt;/iframe&gt;',
      address: 'https://media.example/a?b=1&c=2',
    },
    {
      text: '&amp;lt;iframe src=&amp;quot;https://media.example/a&amp;quot;&amp;gt;&amp;lt;/iframe&amp;gt;',
      address: 'https://media.example/a',
    },
    { text: 'Paste this: &lt;iframe src="https://media.example/a"&gt;&lt;/iframe&gt;', address: 'https://media.example/a' },
  ],
  quoteMissing: [
    { text: '<iframe src="https://media.example/a width="560" height="315"></iframe>', address: 'https://media.example/a' },
    { text: '<iframe src=https://media.example/a" width="560"></iframe>', address: 'https://media.example/a' },
  ],
  quoteDoubled: [{ text: '<iframe src=""https://media.example/a"" width=""560""></iframe>', address: 'https://media.example/a' }],
  questionTwice: [
    { text: 'https://media.example/a?b=1?c=2', address: 'https://media.example/a?b=1&c=2' },
    { text: '<iframe src="https://media.example/a?b=1?c=2?d=3"></iframe>', address: 'https://media.example/a?b=1&c=2&d=3' },
  ],
  questionMissing: [
    { text: 'https://media.example/a&b=1&c=2', address: 'https://media.example/a?b=1&c=2' },
    { text: '<iframe src="https://media.example/a&amp;b=1"></iframe>', address: 'https://media.example/a?b=1' },
  ],
  fragmentFirst: [
    { text: 'https://media.example/a#at=5?b=1', address: 'https://media.example/a?b=1#at=5' },
    { text: '<iframe src="https://media.example/a#part?b=1"></iframe>', address: 'https://media.example/a?b=1#part' },
  ],
  oldCode: [
    {
      text: '<object width="425" height="344"><param name="movie" value="https://media.example/a"><embed src="https://media.example/a" width="425" height="344"></object>',
      address: 'https://media.example/a',
    },
    { text: '<object data="https://media.example/a" width="425" height="344"></object>', address: 'https://media.example/a' },
    { text: '<embed src="https://media.example/a" width="425" height="344">', address: 'https://media.example/a' },
    { text: '<OBJECT><PARAM NAME=movie VALUE="https://media.example/a"></OBJECT>', address: 'https://media.example/a' },
  ],
  invisible: [
    { text: 'https://media.example/\u200ba?b=1\u2060', address: 'https://media.example/a?b=1' },
    { text: 'ht\u200btps://media.example/a', address: 'https://media.example/a' },
    { text: '<iframe src="https://media.example/\u00ada" title="x"></iframe>', address: 'https://media.example/a' },
  ],
  escapedString: [
    {
      text: '{"html":"\\u003ciframe src=\\"https:\\/\\/media.example\\/a\\" width=\\"560\\"\\u003e\\u003c\\/iframe\\u003e"}',
      address: 'https://media.example/a',
    },
    { text: 'echo "<iframe src=\\"https://media.example/a\\"></iframe>";', address: 'https://media.example/a' },
    { text: '"https:\\/\\/media.example\\/a"', address: 'https://media.example/a' },
  ],
  joinedStrings: [
    {
      text: `var code = '<iframe src="https://media.' + 'example/a" ' +\n  'width="560"></iframe>';`,
      address: 'https://media.example/a',
    },
    { text: `$code = '<iframe src="https://media.example' . '/a"></iframe>';`, address: 'https://media.example/a' },
  ],
  spacesBetween: [
    { text: '<iframe\u00a0src="https://media.example/a"\u00a0width="560"></iframe>', address: 'https://media.example/a' },
  ],
  waiting: [
    { text: '<iframe data-src="https://media.example/a" src="about:blank"></iframe>', address: 'https://media.example/a' },
    { text: '<iframe src="" data-lazy-src="//media.example/a"></iframe>', address: 'https://media.example/a' },
  ],
  jsx: [
    {
      text: '<iframe src={"https://media.example/a"} width={560} style={{ border: 0, maxWidth: "400px" }} allowFullScreen />',
      address: 'https://media.example/a',
    },
    { text: '<iframe src={`https://media.example/a`} className="wide" />', address: 'https://media.example/a' },
  ],
};
