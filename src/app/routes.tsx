import { Suspense, type ReactElement } from 'react';
import { Route, Routes } from 'react-router';
import { Layout } from './Layout.tsx';
import { Bench } from './screens/bench/Bench.tsx';
import { lazily } from './ui/lazily.ts';
import { NotLoaded } from './ui/NotLoaded.tsx';

/** Loaded when they are first opened: the Bench has no need of them. */
const HostBook = lazily(() => import('./screens/hosts/HostBook.tsx').then((module) => module.HostBook), NotLoaded);
const Shelf = lazily(() => import('./screens/shelf/Shelf.tsx').then((module) => module.Shelf), NotLoaded);
const Batch = lazily(() => import('./screens/batch/Batch.tsx').then((module) => module.Batch), NotLoaded);
const Teach = lazily(() => import('./screens/teach/Teach.tsx').then((module) => module.Teach), NotLoaded);
const Sweep = lazily(() => import('./screens/sweep/Sweep.tsx').then((module) => module.Sweep), NotLoaded);
const Orders = lazily(() => import('./screens/orders/Orders.tsx').then((module) => module.Orders), NotLoaded);
const Sites = lazily(() => import('./screens/sites/Sites.tsx').then((module) => module.Sites), NotLoaded);
const shown = (screen: ReactElement): ReactElement => <Suspense fallback={null}>{screen}</Suspense>;

/** Every view has an address of its own. */
export const Screens = (): ReactElement => (
  <Routes>
    <Route path="/" element={<Layout />}>
      <Route index element={<Bench />} />
      <Route path="bench/:id" element={<Bench />} />
      <Route path="shelf" element={shown(<Shelf />)} />
      <Route path="batch" element={shown(<Batch />)} />
      <Route path="hosts" element={shown(<HostBook part="grid" />)} />
      <Route path="hosts/teach" element={shown(<Teach />)} />
      <Route path="hosts/libraries" element={shown(<HostBook part="libraries" />)} />
      <Route path="hosts/:id/teach" element={shown(<Teach />)} />
      <Route path="hosts/:id" element={shown(<HostBook part="card" />)} />
      <Route path="hosts/:id/edit" element={shown(<HostBook part="edit" />)} />
      <Route path="sweep" element={shown(<Sweep />)} />
      <Route path="orders" element={shown(<Orders />)} />
      <Route path="orders/:id" element={shown(<Orders />)} />
      <Route path="sites" element={shown(<Sites />)} />
      <Route path="sites/:id" element={shown(<Sites />)} />
      <Route path="*" element={<Bench />} />
    </Route>
  </Routes>
);
