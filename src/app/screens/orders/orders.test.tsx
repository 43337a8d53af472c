import { screen, within } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { book, sites } from '../../../laws/world.ts';
import { orderForm } from '../../../core/order/forms/list.ts';
import { newOrder, type Entry, type Order } from '../../../core/order/order.ts';
import { pageOf } from '../../../core/order/page/page.ts';
import { SCRIPT_HASH } from '../../../core/order/page/script.ts';
import { renderIn, storeWith, VIDEO } from '../../testing/render.tsx';
import { Entries } from './Entries.tsx';
import { OrderChecks } from './OrderChecks.tsx';
import { OrderOut } from './OrderOut.tsx';

const site = { ...sites[0]!, strips: { scripts: true, elements: [], attributes: [], properties: [] } };
const order = newOrder('o', {
  name: 'Talks',
  entries: [
    {
      id: 'a',
      address: 'http://localhost:4600/a.mp3',
      title: 'The pond',
      seconds: 60,
      chapters: [{ at: 20, title: 'The wheel' }],
      transcript: [{ from: 0, until: 1, text: 'Hello' }],
    },
    { id: 'b', address: VIDEO, title: 'Sluice', from: 30, until: 10 },
  ],
});
const page = pageOf(order, { book, site });

describe('the entries', () => {
  function shown() {
    const set = vi.fn<(entries: Entry[]) => void>();
    const user = renderIn(storeWith(VIDEO), <Entries entries={order.entries} notes={[]} set={set} />);
    return { set, user, last: (): Entry[] => set.mock.lastCall![0] };
  }

  test('are cut on a rail by arrow keys, and by a time that is typed; what is none is told, and not taken', async () => {
    const { set, user, last } = shown();
    screen.getByRole('slider', { name: 'Clip of entry 1 begins' }).focus();
    await user.keyboard('{ArrowRight}');
    expect(last()[0]).toMatchObject({ from: 1, until: undefined });
    screen.getByRole('slider', { name: 'Clip of entry 1 ends' }).focus();
    await user.keyboard('{ArrowLeft}');
    expect(last()[0]!.until).toBe(59);
    // Of an item whose length nobody knows there is no rail.
    expect(screen.queryByRole('slider', { name: 'Clip of entry 2 begins' })).toBeNull();
    await user.type(screen.getByRole('textbox', { name: 'Entry 1 until' }), '0:42');
    expect(last()[0]!.until).toBe(42);
    const times = set.mock.calls.length;
    await user.clear(screen.getByRole('textbox', { name: 'Entry 2 from' }));
    await user.type(screen.getByRole('textbox', { name: 'Entry 2 from' }), 'soon');
    screen.getByText('a time such as 42 or 1:12');
    expect(set.mock.calls.slice(times).flatMap(([entries]) => entries[1]!.from ?? [])).toEqual([]);
  });

  test('become their chapters in one press, and leave in one', async () => {
    const { user, last } = shown();
    await user.click(screen.getByRole('button', { name: 'Make entries of the chapters of The pond' }));
    expect(last().map(({ title, from, until }) => [title, from, until])).toEqual([
      ['The pond', undefined, 20],
      ['The wheel', 20, undefined],
      ['Sluice', 30, 10],
    ]);
    await user.click(screen.getByRole('button', { name: 'Remove Sluice' }));
    expect(last().map(({ id }) => id)).toEqual(['a']);
  });
});

test('the checks tell what is wrong, and one press puts it right', async () => {
  const change = vi.fn<(to: (before: Order) => Order) => void>();
  const user = renderIn(storeWith(VIDEO), <OrderChecks order={order} page={page} site={site} change={change} />);
  const row = screen.getByText('The clip of “Sluice” ends before it begins.').closest('li')!;
  expect(row.dataset.severity).toBe('error');
  await user.click(within(row).getByRole('button', { name: 'Play to the end' }));
  const after = change.mock.lastCall![0](order);
  expect(after.entries.map(({ until }) => until)).toEqual([undefined, undefined]);
});

test('what is taken away says what it needs: leave for its script, or an editor that keeps scripts', async () => {
  const user = renderIn(storeWith(VIDEO), <OrderOut order={order} page={page} site={site} />);
  screen.getByText(new RegExp(SCRIPT_HASH.replace(/[+/]/g, '.')));
  expect(screen.queryByText(/takes scripts out/)).toBeNull();
  await user.selectOptions(screen.getByRole('combobox', { name: 'Code' }), 'script');
  screen.getByText(/takes scripts out of pasted code/);
  await user.selectOptions(screen.getByRole('combobox', { name: 'Code' }), 'file');
  expect(screen.queryByText(/takes scripts out/)).toBeNull();
  screen.getByRole('button', { name: 'Save the page' });
  await user.click(screen.getByRole('checkbox', { name: 'With its text around it, for search engines' }));
  screen.getByText(/takes scripts out of pasted code/);
});

test('what a site made of the code is told', async () => {
  const user = renderIn(storeWith(VIDEO), <OrderOut order={order} page={page} site={site} />);
  await user.selectOptions(screen.getByRole('combobox', { name: 'Code' }), 'file');
  await user.click(screen.getByText('See what your site made of it'));
  const back = screen.getByRole('textbox', { name: /The code as it stands in the page now/ });
  const given = orderForm('file').write(order, page, 'running-order.html');
  await user.click(back);
  await user.paste(given);
  screen.getByText('Everything is there, as it was given.');
  await user.clear(back);
  await user.paste(given.replace(/ allow="[^"]*"/, ''));
  screen.getByText('One thing is not as it was given');
});
