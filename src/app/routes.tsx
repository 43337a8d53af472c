import { Suspense, type ReactElement } from 'react';
import { Route, Routes } from 'react-router';
import { Layout } from './Layout.tsx';
import { Bench } from './screens/bench/Bench.tsx';
import { Batch, Connect, Help, HostBook, Orders, Shelf, Sites, Sweep, Teach } from './screens/late.ts';

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
      <Route path="help" element={shown(<Help />)} />
      <Route path="connect" element={shown(<Connect />)} />
      <Route path="sites" element={shown(<Sites />)} />
      <Route path="sites/:id" element={shown(<Sites />)} />
      <Route path="*" element={<Bench />} />
    </Route>
  </Routes>
);
