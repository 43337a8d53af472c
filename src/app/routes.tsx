import { createBrowserRouter } from 'react-router';
import { House } from './House.tsx';
import { Bench } from './screens/bench/Bench.tsx';
import { Shelf } from './screens/shelf/Shelf.tsx';

/** Every view has an address of its own. */
export const router = createBrowserRouter([
  {
    path: '/',
    element: <House />,
    children: [
      { index: true, element: <Bench /> },
      { path: 'bench/:id', element: <Bench /> },
      { path: 'shelf', element: <Shelf /> },
      { path: '*', element: <Bench /> },
    ],
  },
]);
