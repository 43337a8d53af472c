import { lazily } from '../ui/lazily.ts';
import { NotLoaded } from '../ui/NotLoaded.tsx';

/** Screens that are loaded when they are first opened, since the Bench has no need of them. */
export const HostBook = lazily(() => import('./hosts/HostBook.tsx').then((module) => module.HostBook), NotLoaded);
export const Shelf = lazily(() => import('./shelf/Shelf.tsx').then((module) => module.Shelf), NotLoaded);
export const Batch = lazily(() => import('./batch/Batch.tsx').then((module) => module.Batch), NotLoaded);
export const Teach = lazily(() => import('./teach/Teach.tsx').then((module) => module.Teach), NotLoaded);
export const Sweep = lazily(() => import('./sweep/Sweep.tsx').then((module) => module.Sweep), NotLoaded);
export const Orders = lazily(() => import('./orders/Orders.tsx').then((module) => module.Orders), NotLoaded);
export const Connect = lazily(() => import('./connect/Connect.tsx').then((module) => module.Connect), NotLoaded);
export const Help = lazily(() => import('./help/Help.tsx').then((module) => module.Help), NotLoaded);
export const Sites = lazily(() => import('./sites/Sites.tsx').then((module) => module.Sites), NotLoaded);
