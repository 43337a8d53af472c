import { keptOrderSchema, takenAlso, type KeptOrder, type Order } from '../../core/order/order.ts';
import { database } from './database.ts';

const { orders: table } = database;

// A row also has its key.
const rowSchema = keptOrderSchema.strip();
const read = (row: object | undefined): KeptOrder | undefined => rowSchema.safeParse(row).data;

/** All of them, the last changed first; what no longer passes the schema stays where it is, and is counted. */
export async function listOrders(): Promise<{ orders: KeptOrder[]; unreadable: number }> {
  const rows = await table.toArray();
  const orders = rows.flatMap((row) => read(row) ?? []);
  return { orders: orders.sort((a, b) => b.changed - a.changed), unreadable: rows.length - orders.length };
}

export const findOrder = async (id: string): Promise<KeptOrder | undefined> => read(await table.get(id));

/** A row of the table, as what is kept is written there. */
export const orderRow = (kept: KeptOrder): KeptOrder & { id: string } => ({ ...kept, id: kept.order.id });

export const saveOrder = (order: Order): Promise<void> => saveOrders([order]);

/** Keeps them as they are now; where they were placed, and their versions, stay. */
export async function saveOrders(orders: readonly Order[]): Promise<void> {
  const changed = Date.now();
  await database.transaction('rw', table, async () => {
    const before = await table.bulkGet(orders.map(({ id }) => id));
    await table.bulkPut(
      orders.map((order, i) => {
        const { placed = [], versions = [] } = read(before[i]) ?? {};
        return orderRow({ changed, order, placed, versions });
      }),
    );
  });
}

/** Changes what is kept of a running order besides itself. */
async function changeKept(id: string, change: (kept: KeptOrder) => Partial<KeptOrder>): Promise<void> {
  await database.transaction('rw', table, async () => {
    const kept = await findOrder(id);
    if (kept) await table.put(orderRow(keptOrderSchema.parse({ ...kept, ...change(kept) })));
  });
}

export const savePlaced = (id: string, placed: KeptOrder['placed']): Promise<void> => changeKept(id, () => ({ placed }));

/** Keeps it as it was taken away. */
export const addOrderVersion = (order: Order, taken = Date.now()): Promise<void> =>
  changeKept(order.id, ({ versions }) => ({ versions: takenAlso(versions, order, taken) }));
