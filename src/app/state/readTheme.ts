import { findPreference } from '../storage/database.ts';
import type { Store } from './store.ts';
import { storageFound, themeChosen } from './view.ts';

/** The theme that was chosen, or else the one that the system has. */
export async function readTheme(store: Store): Promise<void> {
  try {
    const theme = await findPreference('theme');
    const night = theme === 'night' || (theme === undefined && matchMedia('(prefers-color-scheme: dark)').matches);
    store.dispatch(themeChosen(night ? 'night' : 'day'));
  } catch {
    store.dispatch(storageFound('missing'));
  }
}
