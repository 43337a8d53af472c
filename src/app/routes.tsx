import { Suspense, type ReactElement } from 'react';
import { Route, Routes } from 'react-router';
import { Layout } from './Layout.tsx';
import { Bench } from './screens/bench/Bench.tsx';
import { LATE } from './screens/late.ts';

const shown = (screen: ReactElement): ReactElement => <Suspense fallback={null}>{screen}</Suspense>;

/** Every view has an address of its own. */
export const Screens = (): ReactElement => (
  <Routes>
    <Route path="/" element={<Layout />}>
      <Route index element={<Bench />} />
      <Route path="bench/:id" element={<Bench />} />
      <Route path="shelf" element={shown(<LATE.shelf />)} />
      <Route path="batch" element={shown(<LATE.batch />)} />
      <Route path="hosts" element={shown(<LATE.hosts part="grid" />)} />
      <Route path="hosts/teach" element={shown(<LATE.teach />)} />
      <Route path="hosts/libraries" element={shown(<LATE.hosts part="libraries" />)} />
      <Route path="hosts/:id/teach" element={shown(<LATE.teach />)} />
      <Route path="hosts/:id" element={shown(<LATE.hosts part="card" />)} />
      <Route path="hosts/:id/edit" element={shown(<LATE.hosts part="edit" />)} />
      <Route path="sweep" element={shown(<LATE.sweep />)} />
      <Route path="orders" element={shown(<LATE.orders />)} />
      <Route path="orders/:id" element={shown(<LATE.orders />)} />
      <Route path="help" element={shown(<LATE.help />)} />
      <Route path="connect" element={shown(<LATE.connect />)} />
      <Route path="sites" element={shown(<LATE.sites />)} />
      <Route path="sites/:id" element={shown(<LATE.sites />)} />
      <Route path="*" element={<Bench />} />
    </Route>
  </Routes>
);
