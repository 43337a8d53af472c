import { describe, expect, test } from 'vitest';
import { book, sites } from '../../../laws/world.ts';
import { recogniseColumns } from './columns.ts';
import { filledOrders } from './orders.ts';
import { makeRow, readCells, workOf, type BatchSettings, type MadeRow } from './row.ts';
import { readTable } from './table.ts';

const VIDEO = 'http://lanternreel.localhost:4600/see/k7wq2m9d';
const SOUND = 'http://murmurfold.localhost:4600/quillmarsh-mill/the-mill-at-night';
const settings: BatchSettings = { book, sites, styles: {}, site: sites[0]!.id, forAll: {}, today: '2026-11-30' };

function rowsOf(text: string): MadeRow[] {
  const table = readTable(text);
  const roles = recogniseColumns(table);
  return table.rows.map((cells, i) => {
    const read = readCells(cells, roles, { book, sites });
    return makeRow(workOf(`row-${i}`, read, settings), read, {}, settings);
  });
}
const ids = (): (() => string) => {
  let n = 0;
  return () => `order-${++n}`;
};

describe('a column that names a running order', () => {
  const table = `link;title;from;until;running order\n${VIDEO};Sluice;0:10;0:20;Talks\n${SOUND};Night;;;Sounds\n${VIDEO}?at=5s;Again;;;Talks\nnothing;None;;;Talks\n${SOUND};Alone;;;`;

  test('makes each of them of its rows, in their order, cut as the row or the link says; what is nothing is left out', () => {
    const orders = filledOrders(rowsOf(table), [], ids());
    expect(
      orders.map(({ id, name, entries }) => [id, name, entries.map(({ title, from, until }) => [title, from, until])]),
    ).toEqual([
      [
        'order-1',
        'Talks',
        [
          ['Sluice', 10, 20],
          ['Again', 5, undefined],
        ],
      ],
      ['order-2', 'Sounds', [['Night', undefined, undefined]]],
    ]);
    expect(orders[0]!.entries[0]!.address).toBe(VIDEO);
  });

  test('brings the same rows into what is there once, and leaves what somebody added to them', () => {
    const [talks] = filledOrders(rowsOf(table), [], ids());
    const said = [{ from: 0, until: 1, text: 'Hello' }];
    const kept = { ...talks!, loop: 'all' as const, entries: [{ ...talks!.entries[0]!, transcript: said }, talks!.entries[1]!] };
    const changed = table.replace('Sluice', 'The sluice').replace('nothing', SOUND);
    const [after] = filledOrders(rowsOf(changed), [kept], ids());
    expect(after).toMatchObject({ id: 'order-1', loop: 'all' });
    expect(after!.entries.map(({ title }) => title)).toEqual(['The sluice', 'Again', 'None']);
    expect(after!.entries[0]!.transcript).toEqual(said);
  });

  test('makes nothing where no row names one', () => {
    expect(filledOrders(rowsOf(`link;title\n${VIDEO};Sluice`), [], ids())).toEqual([]);
  });
});
