import { configureStore, createListenerMiddleware } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { benchSlice } from './bench.ts';
import { proofSlice } from './proof.ts';
import { server } from './server.ts';
import { viewSlice } from './view.ts';
import { worldSlice } from './world.ts';

export const makeStore = () =>
  configureStore({
    reducer: {
      bench: benchSlice.reducer,
      world: worldSlice.reducer,
      view: viewSlice.reducer,
      proof: proofSlice.reducer,
      [server.reducerPath]: server.reducer,
    },
    middleware: (usual) => usual().prepend(createListenerMiddleware().middleware).concat(server.middleware),
  });

export type Store = ReturnType<typeof makeStore>;
export type State = ReturnType<Store['getState']>;
export type Dispatch = Store['dispatch'];

export const useAppDispatch = useDispatch.withTypes<Dispatch>();
export const useAppSelector = useSelector.withTypes<State>();
