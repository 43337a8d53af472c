import { orderSchema, type Order } from '../../core/order/order.ts';
import { database } from './database.ts';

/** All of them, the last changed first; what no longer passes the schema stays where it is, and is counted. */
export async function listOrders(): Promise<{ orders: Order[]; unreadable: number }> {
  const rows = await database.orders.toArray();
  const read = rows.map((row) => orderSchema.safeParse(row.order).data);
  const good = rows.flatMap((row, i) => (read[i] ? [{ changed: row.changed, order: read[i] }] : []));
  return {
    orders: good.sort((a, b) => b.changed - a.changed).map(({ order }) => order),
    unreadable: rows.length - good.length,
  };
}

export async function saveOrder(order: Order): Promise<void> {
  await database.orders.put({ id: order.id, changed: Date.now(), order });
}

export async function removeOrder(id: string): Promise<void> {
  await database.orders.delete(id);
}
