import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, test } from 'vitest';
import { ROW_STATES, sayRow } from '../../../messages/batch.ts';
import { SETTINGS } from '../../known/settings/list.ts';
import { savedSchema } from '../../keeping/shelf/saved.ts';
import { styleSchema } from '../../known/styles/style.ts';
import { book, sites } from '../../../laws/world.ts';
import { recogniseColumns, ROLES } from './columns.ts';
import { filesOfCodes, pageOfCodes, tableWithCodes } from './out.ts';
import { makeRow, readCells, rowOut, workOf, type BatchSettings, type MadeRow } from './row.ts';
import { readTable, writeTable } from './table.ts';

const VIDEO = 'http://lanternreel.localhost:4600/see/k7wq2m9d';
const SOUND = 'http://murmurfold.localhost:4600/quillmarsh-mill/the-mill-at-night';
const style = styleSchema.parse({
  version: 1,
  site: sites[0]!.id,
  rules: [{ kind: 'video', setting: 'related', value: 'same', reason: 'no others’ videos' }],
});
const settings: BatchSettings = {
  book,
  sites,
  styles: { [sites[0]!.id]: style },
  site: sites[0]!.id,
  forAll: { autoplay: 'on', mute: 'on' },
  today: '2026-11-23',
};

function batch(text: string): MadeRow[] {
  const table = readTable(text);
  const roles = recogniseColumns(table);
  return table.rows.map((row, i) => {
    const cells = readCells(row, roles, { book, sites });
    return makeRow(workOf(`t-${i + 1}`, cells, settings), cells, {}, settings);
  });
}

describe('what comes in becomes rows', () => {
  test.each([
    ['links in prose', `The sluice: ${VIDEO}, and at night ${SOUND}.`, [[VIDEO], [SOUND]]],
    ['a list', `${VIDEO}\n${SOUND}\n`, [[VIDEO], [SOUND]]],
    ['a code', `<iframe src="${VIDEO}" style="a:b;c:d,e"></iframe>`, [[`<iframe src="${VIDEO}" style="a:b;c:d,e"></iframe>`]]],
    ['CSV with commas', `link,title\n${VIDEO},"Sluice, ""spring"""\n`, [[VIDEO, 'Sluice, "spring"']]],
    ['CSV with semicolons and a byte order mark', `\uFEFFLink;Titel\n${VIDEO};"a\nb"\n`, [[VIDEO, 'a\nb']]],
    [
      'cells of a spreadsheet',
      `${VIDEO}\tSluice\t1:12\n${SOUND}\tNight\t\n`,
      [
        [VIDEO, 'Sluice', '1:12'],
        [SOUND, 'Night', ''],
      ],
    ],
    ['one column with its name', `URL\n${VIDEO}\n${SOUND}`, [[VIDEO], [SOUND]]],
    [
      'rows of uneven length',
      `link,title,start\n${VIDEO},A\n${SOUND},B,9\n`,
      [
        [VIDEO, 'A', ''],
        [SOUND, 'B', '9'],
      ],
    ],
  ])('%s', (_, text, rows) => expect(readTable(text).rows).toEqual(rows));

  test('a feed, RSS or Atom', () => {
    const rss = `<?xml version="1.0"?><rss version="2.0"><channel><title>C</title><item><title>A &amp; B</title><link>${VIDEO}</link><description><![CDATA[<p>One <b>two</b></p>]]></description><pubDate>Mon, 11 Jan 2027 06:00:00 GMT</pubDate></item><item><title>E</title><enclosure url="${SOUND}" type="audio/mpeg"/></item></channel></rss>`;
    expect(readTable(rss)).toMatchObject({
      head: ['link', 'title', 'description', 'published'],
      rows: [
        [VIDEO, 'A & B', 'One two', '2027-01-11'],
        [SOUND, 'E', '', ''],
      ],
    });
    const numbers = `<rss><channel><item><title>Miller&#8217;s &#x2F; &amp;#8217;</title><link>${VIDEO.replaceAll('/', '&#x2F;')}</link></item></channel></rss>`;
    expect(readTable(numbers).rows).toEqual([[VIDEO, 'Miller’s / &#8217;', '', '']]);
    const own = `<?xml version="1.0"?><!DOCTYPE rss [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><rss><channel><item><title>&b;</title><link>${VIDEO}</link></item></channel></rss>`;
    expect(readTable(own).rows).toEqual([[VIDEO, '&b;', '', '']]);
    const atom = `<feed xmlns="http://www.w3.org/2005/Atom"><entry><title type="html">T</title><link rel="edit" href="http://a.example/"/><link href="${VIDEO}"/><published>2027-01-12T00:00:00Z</published></entry></feed>`;
    expect(readTable(atom).rows).toEqual([[VIDEO, 'T', '', '2027-01-12']]);
  });

  test.each([
    ['with a zone that is a day behind', '<pubDate>Mon, 11 Jan 2027 00:30:00 +0200</pubDate>', '2027-01-11'],
    ['with a zone that is a day ahead', '<published>2027-01-11T23:30:00-08:00</published>', '2027-01-11'],
    ['without the day of the week', '<pubDate>1 February 2027 06:00 GMT</pubDate>', '2027-02-01'],
    ['with a year of two digits', '<pubDate>Mon, 11 Jan 27 06:00:00 GMT</pubDate>', '2027-01-11'],
    ['that nobody can read', '<pubDate>soon</pubDate>', ''],
    ['that there is not', '<pubDate>Mon, 32 Jan 2027 06:00:00 GMT</pubDate>', ''],
  ])('the day of an entry %s is the publisher’s', (_, day, read) =>
    expect(readTable(`<rss><channel><item><link>${VIDEO}</link>${day}</item></channel></rss>`).rows).toEqual([
      [VIDEO, '', '', read],
    ]),
  );

  test.each([
    [
      'markup in CDATA',
      '<![CDATA[<p>The miller&#8217;s &amp; <b>wh</b>eel.</p><style>p{}</style><p>Two</p>]]>',
      'The miller’s & wheel. Two',
    ],
    ['escaped markup', '&lt;p&gt;Ebb &amp;amp; flood&lt;br/&gt;slack&lt;/p&gt;', 'Ebb & flood slack'],
    ['plain words', 'Three &lt; four, and so on', 'Three < four, and so on'],
  ])('a description of %s is its words', (_, description, read) =>
    expect(
      readTable(`<rss><channel><item><link>${VIDEO}</link><description>${description}</description></item></channel></rss>`).rows,
    ).toEqual([[VIDEO, '', read, '']]),
  );

  test('a title is markup only where Atom says so', () => {
    const entry = (title: string): string => `<feed><entry>${title}<link href="${VIDEO}"/></entry></feed>`;
    expect(readTable(entry('<title type="html">Ebb &amp;amp; &lt;i&gt;flood&lt;/i&gt;</title>')).rows[0]![1]).toBe('Ebb & flood');
    expect(readTable(entry('<title>Ebb &lt;i&gt;</title>')).rows[0]![1]).toBe('Ebb <i>');
  });

  test('columns are known by their names, or by what stands in them', () => {
    const named = readTable(`Episode;Share link;Client;Begin;Caption;Colour of hope\nA;${VIDEO};x;9;c;d`);
    expect(recogniseColumns(named)).toEqual(['title', 'link', 'site', 'start', 'caption', null]);
    expect(recogniseColumns(readTable(`Überschrift;Adresse;Beginn;Notiz\nA;${VIDEO};9;d`))).toEqual([
      'title',
      'link',
      'start',
      null,
    ]);
    expect(recogniseColumns(readTable(`Sluice\t${VIDEO}\t1:12\t2027-01-11\nNight\t${SOUND}\t0:30\t2027-01-12`))).toEqual([
      'title',
      'link',
      'start',
      'pageOut',
    ]);
  });
});

describe('a row', () => {
  const [first, second, third, fourth] = batch(
    `link,title,site,start,end\n${VIDEO},Own title,${sites[1]!.name},1:12,\n${VIDEO},T,,9,3\nhttp://nowhere,T,,,\n${SOUND},T,No such site,soon,\n`,
  ) as [MadeRow, MadeRow, MadeRow, MadeRow];

  test('says its own settings over those for all, over the house style of its site', () => {
    expect(first).toMatchObject({ made: { title: 'Own title', work: { site: sites[1]!.id } } });
    expect(batch(`link,title\n${VIDEO},T\n`)[0]!.state).toBe('done');
    expect(first.made.code).toMatch(/from=72/);
    expect(first.made.code).toMatch(/hush=1/);
    expect(first.made.code).not.toMatch(/after=own/);
    expect(second.made.code).toMatch(/after=own/);
  });

  test('needs a person where it goes wrong, is not recognised, or a cell cannot be used', () => {
    expect([second.state, third.state, fourth.state]).toEqual(['person', 'person', 'person']);
    expect(second.findings[0]!.code).toBe('endBeforeStart');
    expect(fourth.wrong.map(({ role }) => role)).toEqual(['site', 'start']);
    for (const row of [second, third, fourth]) expect(sayRow(row)[0]!.length).toBeGreaterThan(20);
  });
});

test('whatever stands in its cells, a row is made, and can be kept', () => {
  const roles = [...ROLES, ...SETTINGS.map(({ id }) => id)];
  const long = fc.constantFrom('tag '.repeat(60), 'x'.repeat(70), 'word '.repeat(9000), '9'.repeat(30));
  const cell = fc.oneof(long, fc.string({ unit: 'binary' }), fc.constantFrom(VIDEO, '0:42', 'on', '2027-01-11', '#abc'));
  const cells = fc.array(cell, { minLength: roles.length, maxLength: roles.length });
  fc.assert(
    fc.property(cells, fc.constantFrom(VIDEO, SOUND, 'nothing'), (row, link) => {
      const read = readCells([link, ...row.slice(1)], roles, { book, sites });
      const { made, tags } = makeRow(workOf('t-1', read, settings), read, {}, settings);
      const kept = { ...made, tags, made: 1, changed: 1 };
      expect(savedSchema.safeParse(kept).error?.issues).toBeUndefined();
    }),
    { numRuns: 300 },
  );
});

test('a day that there is not is told, and not used', () => {
  const [row] = batch(`link,title,out on\n${VIDEO},T,2027-02-31\n`);
  expect(row).toMatchObject({ state: 'person', wrong: [{ role: 'out', text: '2027-02-31' }], made: { work: { out: null } } });
});

describe('what goes out', () => {
  const text = `link;title\r\n${VIDEO};"a ""quoted"" line\r\nand; another"\r\n${SOUND};Night\r\n`;
  const table = readTable(text);
  const made = batch(text);
  const out = made.map((row) => rowOut(row, sayRow(row)));
  const csv = tableWithCodes(table, out, ROW_STATES);

  test('CSV keeps what came in and says the code, its state and what was found', () => {
    const { data } = Papa.parse<string[]>(csv.replace(/^\uFEFF/, ''), { skipEmptyLines: true });
    expect(data[0]).toEqual(['link', 'title', 'embed code', 'state', 'findings']);
    expect(data.slice(1).map((row) => row.slice(0, 3))).toEqual(made.map((row, i) => [...table.rows[i]!, row.made.code]));
    expect(csv.startsWith('\uFEFFlink;title;embed code')).toBe(true);
    // Read again by us, it is the same table, and links stay links.
    expect(readTable(csv).rows.map((row) => row.slice(0, 2))).toEqual(table.rows);
    expect(recogniseColumns(readTable(csv)).slice(0, 2)).toEqual(['link', 'title']);
  });

  test('one page, and one file for each row', () => {
    const page = pageOfCodes(out, 'A & B');
    expect(page).toContain('<title>A &amp; B</title>');
    for (const row of made) expect(page).toContain(row.made.code);
    expect(Object.keys(filesOfCodes(out))).toEqual(['1-a-quoted-line-and-another.html', '2-night.html']);
  });

  test('a feed gives a spreadsheet nothing to reckon', () => {
    const feed = `<rss version="2.0"><channel><item><title>=1+1</title><link>${VIDEO}</link></item></channel></rss>`;
    const rows = batch(feed).map((row) => rowOut(row, []));
    expect(tableWithCodes(readTable(feed), rows, ROW_STATES)).toContain("'=1+1");
    expect(tableWithCodes(readTable(`link,title\n${VIDEO},=1+1\n`), rows, ROW_STATES)).toContain(',=1+1,');
  });

  test('any cells survive being written and read', () => {
    const cell = fc.string({ unit: fc.constantFrom('a', '"', ',', ';', '\t', '\n', '\r\n', ' ', 'é', '=', "'") });
    const rows = fc
      .integer({ min: 2, max: 5 })
      .chain((width) => fc.array(fc.array(cell, { minLength: width, maxLength: width }), { minLength: 1, maxLength: 8 }));
    fc.assert(
      fc.property(rows, fc.constantFrom(',', ';', '\t'), (cells, delimiter) => {
        const head = cells[0]!.map((_, i) => (i === 0 ? 'link' : `column ${i}`));
        const written = writeTable(
          head,
          cells.map((row) => [VIDEO, ...row.slice(1)]),
          { delimiter, from: 'table' },
        );
        expect(readTable(written).rows).toEqual(cells.map((row) => [VIDEO, ...row.slice(1)]));
      }),
      { numRuns: 1000 },
    );
  });
});

test('one long line does not fill every row of a table, and loses none of its cells', () => {
  const rows = Array.from({ length: 5000 }, (_, i) => `https://media.example/${i},Title ${i}`);
  const wide = `https://media.example/wide,${'a,'.repeat(150_000)}b`;
  const table = readTable(['link,title', ...rows, wide].join('\n'));
  expect(table.rows).toHaveLength(5001);
  expect(table.rows.reduce((sum, row) => sum + row.length, 0)).toBeLessThan(3_000_000);
  expect(table.rows.at(-1)!.join(',')).toBe(wide);
});
