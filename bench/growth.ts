import { compareBack } from '../src/core/proof/published/compare.ts';
import { makeBook } from '../src/core/known/hosts/book.ts';
import { loadCards } from '../src/core/known/hosts/loadCards.ts';
import { readTable } from '../src/core/many/batch/table.ts';
import { patchOf } from '../src/core/many/sweep/apply.ts';
import type { Change } from '../src/core/many/sweep/found.ts';
import { rulesSchema } from '../src/core/many/sweep/rules.ts';
import { linksIn, sitemapIn } from '../src/core/many/sweep/siteLinks.ts';
import { sweepFile } from '../src/core/many/sweep/sweepFile.ts';
import { findRunning } from '../src/core/model/markup/running.ts';
import { readOrder } from '../src/core/order/formats/list.ts';
import { learn } from '../src/core/teach/learn.ts';
import { checkText } from '../src/programs/check.ts';
import { readCardFiles, WRITTEN_ORIGIN } from '../src/standins/world.ts';

/**
 * Prints how the time of the core's functions grows with their input, over texts that repeat a piece: for each function
 * the worst piece, as its time for four times the text over four times its time. Above 3 is not linear.
 */
const book = makeBook(loadCards(readCardFiles(WRITTEN_ORIGIN)).cards);
const rules = rulesSchema.parse({ version: 1, titles: true, putRight: ['titleMissing', 'insecureFrame', 'obsoleteAttribute'] });
const FRAME = '<iframe src="http://frames.lanternreel.localhost:4600/f/k7wq2m9d" width="560" height="315"></iframe>\n';
const LINK = 'http://lanternreel.localhost:4600/see/k7wq2m9d';
const settings = { book, site: null, style: undefined, rules };

/** Pieces to repeat, each with what stands before and behind all of them. */
const PIECES: readonly (readonly [name: string, piece: string, before?: string, behind?: string])[] = [
  ...[
    '<',
    '>',
    '&',
    '"',
    "'",
    '=',
    '[',
    ']',
    '(',
    ')',
    '{',
    '}',
    '/',
    '\\',
    '?',
    '#',
    ' ',
    '\n',
    ',',
    ';',
    ':',
    '*',
    '|',
    '`',
  ].flatMap((sign) => [
    [`${sign} alone`, sign] as const,
    [`${sign} in a link`, sign, LINK] as const,
    [`${sign} in a value`, sign, '<iframe src="', '"></iframe>'] as const,
    [`${sign} before a frame`, sign, '', FRAME] as const,
    [`${sign} in an open tag`, sign, '<iframe '] as const,
  ]),
  ['frames', FRAME],
  ['frames, started', FRAME.replace('width', 'title="a" width').replace('k7wq2m9d', 'k7wq2m9d?auto=1')],
  ['links', `${LINK}\n`],
  ['anchors', `<a href="${LINK}">a</a>`],
  ['links behind a label', `[${LINK}] `],
  ['links before ]', `${LINK}] `],
  ['Markdown links', `[words](${LINK}) `],
  ['short codes', `[gather code="a1b2" spread=2] ${LINK} `],
  ['short codes of pairs', `[media width="5"]${LINK}[/media] `],
  ['short code begun', '[aa b="'],
  ['amp;', 'amp;', '&', 'lt;iframe src="//a.example/b">'],
  ['entities', '&amp;lt;', '&lt;iframe src=//a.example/>'],
  ['scripts', '<script src="//a.example/a.js"></script>'],
  ['scripts with handlers', '<iframe src="//a.example/a" onload="a()"></iframe>'],
  ['objects', '<object data="//a.example/a">'],
  ['videos', '<video src="//a.example/a.mp4">'],
  ['sources', '<source src="a">', '<video>'],
  ['pictures', '<img src="//a.example/a.png">'],
  ['wrappers', '<div style="padding-top:56.25%">'],
  ['comments', '<!-- a -->', '<div style="padding-top:56.25%">', FRAME],
  ['comments begun', '<!--'],
  ['blockquotes', '<blockquote data-a="b">', '', '<script src="//a.example/a.js"></script>'],
  ['attributes', ' a="b"', '<iframe', '></iframe>'],
  ['attributes of one name', ' style="a:b"', '<iframe', '></iframe>'],
  ['declarations', 'width:1px;', '<iframe src="//a.example/a" style="', '"></iframe>'],
  ['features', 'autoplay;', '<iframe src="//a.example/a" allow="', '"></iframe>'],
  ['parameters', '&a=b', '<iframe src="//a.example/a?', '"></iframe>'],
  ['parameters, escaped', '&amp;a=b', '<iframe src="//a.example/a?', '"></iframe>'],
  ['JSX', '<iframe src={"//a.example/a"} style={{ width: 1 }} />'],
  ['strings joined', '"a" + ', '"<iframe src=//a.example/a>" + '],
  ['curly quotes', '“a” ', '<iframe src=“//a.example/a”>'],
  ['odd spaces', '\u00a0', '<iframe src="//a.example/a"', '></iframe>'],
  ['invisible signs', '\u200b', LINK],
  ['pages in pages', '&lt;p&gt;', '<iframe srcdoc="', '"></iframe>'],
  ['CDATA', '<![CDATA[<p>]]>'],
  ['cells', 'a,b\n'],
  ['cells of one row', ',', `link\n${LINK}\n`, '\n'],
  ['rows and one wide row', 'a\n', `link\n${','.repeat(5000)}\n`],
  ['quotes of a table', '"a""', `link\n"`],
  ['items of a feed', `<item><title>a</title><link>${LINK}</link></item>`, '<rss><channel>', '</channel></rss>'],
  ['elements of a feed', '<a>', '<rss><channel>'],
  ['locations', '<url><loc>http://a.example/a</loc></url>', '<urlset>', '</urlset>'],
  ['locations begun', '<url>', '<urlset>'],
  ['headings', '<h2>a</h2>'],
  ['headings begun', '<h2>'],
  ['lines of a list', 'https://a.example/b.mp3\n', '#EXTM3U\n'],
  ['CJK', `見て${LINK}を`],
];

const changesIn = (text: string): Change[] =>
  [...text.matchAll(/e/g)].map(({ index }) => ({
    range: [index, index + 1],
    before: 'e',
    after: 'E',
    ends: [],
    stays: [],
    loads: true,
  }));
const examplesIn = (text: string) => [{ link: LINK, code: text.slice(0, 50_000) }];
const FUNCTIONS: Readonly<Record<string, (text: string) => unknown>> = {
  checkText: (text) => checkText(text, { book, site: null }),
  findRunning,
  sweepFile: (text) => sweepFile('page.html', text, settings),
  'sweepFile (Markdown)': (text) => sweepFile('page.md', text, settings),
  'sweepFile (CSV)': (text) => sweepFile('page.csv', text, settings),
  'sweepFile (XML)': (text) => sweepFile('page.xml', text, settings),
  'sweepFile (JSON)': (text) => sweepFile('page.json', text, settings),
  readTable,
  readOrder: (text) => readOrder(text),
  compareBack: (text) => compareBack(text, text),
  linksIn: (text) => linksIn(text, 'http://a.example/'),
  sitemapIn,
  learn: (text) => learn(examplesIn(text), { today: '2027-01-01' }),
  patchOf: (text) => patchOf('page.html', text, changesIn(text)),
};

/** UTF-16 code units. */
const SMALL = Number(process.env.SMALL ?? 250_000);
const LEAST = 30;

const made = ([, piece, before = '', behind = '']: (typeof PIECES)[number], length: number): string =>
  before + piece.repeat(Math.ceil(length / piece.length)) + behind;

function milliseconds(run: (text: string) => unknown, text: string): number {
  const began = performance.now();
  run(text);
  return performance.now() - began;
}

let broken = 0;
for (const [name, run] of Object.entries(FUNCTIONS)) {
  let worst = { growth: 0, time: 0, piece: '' };
  let longest = { time: 0, piece: '' };
  for (const piece of PIECES) {
    milliseconds(run, made(piece, SMALL / 16));
    const small = Math.max(milliseconds(run, made(piece, SMALL)), 1);
    const time = small > 4000 ? Infinity : milliseconds(run, made(piece, 4 * SMALL));
    const growth = time < LEAST ? 0 : time / (4 * small);
    if (growth > worst.growth) worst = { growth, time, piece: piece[0] };
    if (time > longest.time) longest = { time, piece: piece[0] };
    if ((growth > 3 || time > 1000) && process.env.ALL)
      console.log(`  ${name}: ${piece[0]}: ${small.toFixed(0)} → ${time.toFixed(0)} ms`);
  }
  const holds = worst.growth <= 3 && longest.time <= 1000;
  if (!holds) broken++;
  console.log(
    `${name}: grows ${worst.growth.toFixed(1)} × linear at most (${worst.piece}), limit 3; ` +
      `${Math.round(longest.time)} ms at most (${longest.piece}), limit 1000: ${holds ? 'holds' : 'MISSED'}`,
  );
}
process.exitCode = broken > 0 ? 1 : 0;
