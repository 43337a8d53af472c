import { lazy, Suspense } from 'react';
import { createBrowserRouter } from 'react-router';
import { House } from './House.tsx';
import { Bench } from './screens/bench/Bench.tsx';
import { Shelf } from './screens/shelf/Shelf.tsx';

/** Loaded when it is first opened: the Bench has no need of it. */
const HostBook = lazy(() => import('./screens/hosts/HostBook.tsx').then((module) => ({ default: module.HostBook })));
const book = (part: 'grid' | 'card' | 'edit') => (
  <Suspense fallback={null}>
    <HostBook part={part} />
  </Suspense>
);

/** Every view has an address of its own. */
export const router = createBrowserRouter([
  {
    path: '/',
    element: <House />,
    children: [
      { index: true, element: <Bench /> },
      { path: 'bench/:id', element: <Bench /> },
      { path: 'shelf', element: <Shelf /> },
      { path: 'hosts', element: book('grid') },
      { path: 'hosts/:id', element: book('card') },
      { path: 'hosts/:id/edit', element: book('edit') },
      { path: '*', element: <Bench /> },
    ],
  },
]);
