/** Screens that are loaded when they are first opened, since the Bench has no need of them; by the first part of their address. */
export const LOAD = {
  shelf: () => import('./shelf/Shelf.tsx').then((module) => module.Shelf),
  batch: () => import('./batch/Batch.tsx').then((module) => module.Batch),
  sweep: () => import('./sweep/Sweep.tsx').then((module) => module.Sweep),
  orders: () => import('./orders/Orders.tsx').then((module) => module.Orders),
  sites: () => import('./sites/Sites.tsx').then((module) => module.Sites),
  hosts: () => import('./hosts/HostBook.tsx').then((module) => module.HostBook),
  teach: () => import('./teach/Teach.tsx').then((module) => module.Teach),
  connect: () => import('./connect/Connect.tsx').then((module) => module.Connect),
  help: () => import('./help/Help.tsx').then((module) => module.Help),
} as const;

const byPath = new Map<string, () => Promise<unknown>>(Object.entries(LOAD));

/** Fetches the screen that an address asks for; where it cannot be, that is told when it is drawn. */
export const loadScreen = async (path: string): Promise<void> =>
  void (await byPath
    .get(path.split('/')[1] ?? '')?.()
    .catch(() => undefined));
