import { screen, waitFor } from '@testing-library/react';
import { beforeEach, expect, test } from 'vitest';
import { cards } from '../../laws/world.ts';
import { removeCard, removeOrder } from '../state/removing.ts';
import { database } from '../storage/database.ts';
import { saveOrder } from '../storage/orders.ts';
import { saveTaught } from '../storage/own.ts';
import { putRightSchema } from '../../core/teach/examples.ts';
import { newOrder } from '../../core/order/order.ts';
import { renderIn, storeWith } from '../testing/render.tsx';
import { RemovedBar } from './RemovedBar.tsx';

const [card] = cards;

beforeEach(async () => {
  await Promise.all([database.cards.clear(), database.lessons.clear(), database.orders.clear()]);
});

test('a card that was removed comes back by a press, with what it was learnt from', async () => {
  const store = storeWith('');
  await saveTaught(card!, { examples: [{ link: 'https://media.example/see/1' }], putRight: putRightSchema.parse({}) });
  const user = renderIn(store, <RemovedBar />);
  await removeCard(store, card!);
  expect(await database.cards.count()).toBe(0);
  expect((await screen.findByRole('alert')).textContent).toContain(`“${card!.name}” is removed.`);
  await user.click(screen.getByRole('button', { name: 'Undo' }));
  await waitFor(async () => expect(await database.cards.get(card!.id)).toMatchObject({ id: card!.id }));
  expect(await database.lessons.get(card!.id)).toMatchObject({ examples: [{ link: 'https://media.example/see/1' }] });
  expect(screen.queryByRole('alert')).toBeNull();
});

test('so does a running order; what was not there is not told', async () => {
  const store = storeWith('');
  const order = newOrder('tides', { name: 'Tides' });
  await saveOrder(order);
  const user = renderIn(store, <RemovedBar />);
  await removeOrder(store, { id: 'nowhere', name: 'Nothing' });
  expect(screen.queryByRole('alert')).toBeNull();
  await removeOrder(store, order);
  await user.click(await screen.findByRole('button', { name: 'Undo' }));
  await waitFor(async () => expect(await database.orders.get('tides')).toMatchObject({ order: { name: 'Tides' } }));
});
