import { lazily } from '../ui/lazily.ts';
import { NotLoaded } from '../ui/NotLoaded.tsx';
import { LOAD } from './load.ts';

/** The screens of `LOAD`, each drawn as soon as it has been loaded. */
export const LATE = {
  shelf: lazily(LOAD.shelf, NotLoaded),
  batch: lazily(LOAD.batch, NotLoaded),
  sweep: lazily(LOAD.sweep, NotLoaded),
  orders: lazily(LOAD.orders, NotLoaded),
  sites: lazily(LOAD.sites, NotLoaded),
  hosts: lazily(LOAD.hosts, NotLoaded),
  teach: lazily(LOAD.teach, NotLoaded),
  connect: lazily(LOAD.connect, NotLoaded),
  help: lazily(LOAD.help, NotLoaded),
} as const satisfies Record<keyof typeof LOAD, unknown>;
