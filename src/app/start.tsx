import { ready } from './early.ts';
import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import { startTransition } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { BrowserRouter } from 'react-router';
import { listenForShortcuts } from './commands/shortcuts.ts';
import { Screens } from './routes.tsx';
import { startAutosave } from './state/autosave.ts';
import { startDays } from './state/days.ts';
import { followOwn } from './state/followOwn.ts';
import { followTeam } from './state/followTeam.ts';
import { readLayout } from './state/layOut.ts';
import { openAtStart } from './state/openWork.ts';
import { readTheme } from './state/readTheme.ts';
import { workOffline } from './workOffline.ts';
import { Unbroken } from './ui/Unbroken.tsx';
import { makeStore } from './state/store.ts';
import { storageFound } from './state/view.ts';
import { watchOpening } from './storage/database.ts';
import { ONCE, server } from './state/server.ts';

/** Milliseconds for which the first sight waits for what it shows, which is under way since the page began. */
const SOON = 200;

/** Begins: what was kept is read, what the server gives is asked for, and the screen is drawn. */
export function start(): void {
  const store = makeStore();
  startAutosave(store);
  listenForShortcuts(store);
  const given = store.dispatch(server.endpoints.given.initiate(undefined, ONCE));
  followOwn(store);
  followTeam(store);
  watchOpening((trouble) => store.dispatch(storageFound(trouble)));
  startDays(store);
  void navigator.storage?.persist?.().catch(() => undefined);
  void readTheme(store);
  void readLayout(store);

  workOffline();

  const nonce = document.querySelector<HTMLMetaElement>('meta[name="style-nonce"]')?.content;
  const styles = createCache({ key: 'pane', nonce });
  const { insert } = styles;
  // MUI's styles stand in a layer, so that what a screen says of its parts is said last (ui/ground.css).
  styles.insert = (selector, said, ...to) => insert(selector, { ...said, styles: `@layer mui{${said.styles}}` }, ...to);
  const drawn = new AbortController();
  // Without a store nothing is opened; what the server gives is waited for all the same.
  const shown = Promise.all([given, openAtStart(store, given, drawn.signal).catch(() => undefined)]);
  void Promise.all([ready, Promise.race([shown, new Promise((done) => setTimeout(done, SOON))])]).then(() => {
    drawn.abort();
    const root = createRoot(document.querySelector('#application')!);
    startTransition(() =>
      root.render(
        <CacheProvider value={styles}>
          <Provider store={store}>
            <Unbroken>
              <BrowserRouter>
                <Screens />
              </BrowserRouter>
            </Unbroken>
          </Provider>
        </CacheProvider>,
      ),
    );
  });
}
