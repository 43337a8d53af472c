import { keptOrderSchema, type KeptOrder, type Order } from '../../core/order/order.ts';
import { database } from './database.ts';

/** All of them, the last changed first; what no longer passes the schema stays where it is, and is counted. */
export async function listOrders(): Promise<{ orders: KeptOrder[]; unreadable: number }> {
  const rows = await database.orders.toArray();
  const orders = rows.flatMap(({ changed, order }) => keptOrderSchema.safeParse({ changed, order }).data ?? []);
  return { orders: orders.sort((a, b) => b.changed - a.changed), unreadable: rows.length - orders.length };
}

export async function saveOrder(order: Order): Promise<void> {
  await database.orders.put({ id: order.id, changed: Date.now(), order });
}

export async function saveOrders(orders: readonly Order[]): Promise<void> {
  const changed = Date.now();
  await database.orders.bulkPut(orders.map((order) => ({ id: order.id, changed, order })));
}
