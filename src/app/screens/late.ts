import { lazily } from '../ui/lazily.ts';
import { NotLoaded } from '../ui/NotLoaded.tsx';
import { LOAD } from './load.ts';

export const HostBook = lazily(LOAD.hosts, NotLoaded);
export const Shelf = lazily(LOAD.shelf, NotLoaded);
export const Batch = lazily(LOAD.batch, NotLoaded);
export const Teach = lazily(() => import('./teach/Teach.tsx').then((module) => module.Teach), NotLoaded);
export const Sweep = lazily(LOAD.sweep, NotLoaded);
export const Orders = lazily(LOAD.orders, NotLoaded);
export const Connect = lazily(LOAD.connect, NotLoaded);
export const Help = lazily(LOAD.help, NotLoaded);
export const Sites = lazily(LOAD.sites, NotLoaded);
