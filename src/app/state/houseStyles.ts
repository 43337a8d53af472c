import type { HouseStyle } from '../../core/known/styles/style.ts';
import { saveStyle } from '../storage/own.ts';
import type { Store } from './store.ts';
import { storageFound } from './view.ts';
import { stylesRead } from './world.ts';

/** Keeps a style; what is begun from now on starts with it. Nothing that was made changes. */
export async function keepStyle(store: Store, style: HouseStyle): Promise<void> {
  store.dispatch(stylesRead(Object.values({ ...store.getState().world.styles, [style.site]: style })));
  await saveStyle(style).catch(() => store.dispatch(storageFound('missing')));
}
