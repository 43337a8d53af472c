import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { runs } from '../../../laws/world.ts';
import type { Cue } from '../order.ts';
import { readChapters, writeChapters } from './chapters.ts';
import { readCues, writeSrt, writeVtt } from './cues.ts';

const text = fc
  .string({ minLength: 1, maxLength: 40, unit: 'grapheme' })
  .map((one) =>
    one
      .replace(/[\p{C}\s]+/gu, ' ')
      .replace(/-->|[<>&]/g, '')
      .trim(),
  )
  .filter((one) => one !== '');
const cue: fc.Arbitrary<Cue> = fc
  .tuple(
    fc.integer({ min: 0, max: 35_000_000 }),
    fc.integer({ min: 1, max: 9000 }),
    text,
    fc.option(fc.constantFrom('Ann', 'The miller'), { nil: undefined }),
  )
  .map(([from, length, said, who]) => ({ from: from / 1000, until: (from + length) / 1000, text: said, ...(who && { who }) }));
const cues = fc
  .uniqueArray(cue, { selector: ({ from }) => from, minLength: 1, maxLength: 12 })
  .map((all) => [...all].sort((a, b) => a.from - b.from));
const silent = ({ from, until, text: said }: Cue): Cue => ({ from, until, text: said });

describe('a transcript', () => {
  test('is written and read back: WebVTT with who speaks, SubRip without', () =>
    fc.assert(
      fc.asyncProperty(cues, async (all) => {
        expect(await readCues(writeVtt(all))).toEqual(all);
        expect(await readCues(writeSrt(all))).toEqual(all.map(silent));
      }),
      runs(100),
    ));

  test('of ten hours is there to its end', async () => {
    const all = Array.from({ length: 36_000 }, (_, i): Cue => ({ from: i, until: i + 0.9, text: `line ${i}` }));
    expect(await readCues(writeVtt(all))).toEqual(all);
    expect(await readCues(writeSrt(all))).toEqual(all);
  });

  test.each([
    [
      'notes, styles, regions and cues that end before they begin',
      'WEBVTT head\n\nNOTE a\nb\n\nSTYLE\n::cue { color: red }\n\nREGION\nid:x\n\n00:05.000 --> 00:04.000\nback\n\nid\n00:01.000 --> 00:02.000 line:0 align:start\n<v.loud Ann>Hello <b>you</b> &amp; me\n',
      [{ from: 1, until: 2, text: 'Hello you & me', who: 'Ann' }],
    ],
    [
      'SubRip with points in its times and line ends of Windows',
      '1\r\n00:00:01.500 --> 00:00:02.000\r\nHi <i>x</i>\r\nthere\r\n\r\n2\r\n00:00:03,000 --> 00:00:04,000\r\nb\r\n',
      [
        { from: 1.5, until: 2, text: 'Hi x there' },
        { from: 3, until: 4, text: 'b' },
      ],
    ],
    [
      'cues out of order',
      'WEBVTT\n\n00:03.000 --> 00:04.000\nb\n\n00:01.000 --> 00:02.000\na\n',
      [
        { from: 1, until: 2, text: 'a' },
        { from: 3, until: 4, text: 'b' },
      ],
    ],
  ])('%s', async (_, source, told) => expect(await readCues(source)).toEqual(told));

  test.each(['', 'Only words.', '{"cues":[]}', '<tt xml:lang="en"></tt>'])('is none: %s', async (source) =>
    expect(await readCues(source)).toBeNull(),
  );
});

test('chapters are written and read back; those without a title, or not for the list, are left out', () => {
  const chapters = [
    { at: 0, title: 'The pond' },
    { at: 62.5, title: 'The wheel' },
  ];
  expect(readChapters(writeChapters(chapters))).toEqual(chapters);
  expect(
    readChapters(
      '{"version":"1.2.0","chapters":[{"startTime":9},{"startTime":2,"title":"b","toc":false},{"startTime":1,"title":"a"}]}',
    ),
  ).toEqual([{ at: 1, title: 'a' }]);
  expect(readChapters('{"version":"1.2.0","chapters":[{"startTime":"1","title":"a"}]}')).toBeNull();
  expect(readChapters('WEBVTT')).toBeNull();
});
