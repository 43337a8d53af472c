import { whenUsed } from './ui/lazily.ts';

/** Milliseconds of use after which the application is kept: it weighs a megabyte, which nobody needs who only looks in. */
const PATIENCE = 30_000;
/** What the server gives to everybody, and the name under which the service worker looks for it. */
const GIVEN = ['hosts', 'sites', 'demo', 'team'].map((what) => `/api/${what}`);
const KEPT_AS = 'given';

/** Keeps the application in the browser, so that it opens without a network (Service Workers, section 3.4.3). */
export function workOffline(): void {
  const { serviceWorker } = navigator;
  if (!serviceWorker) return;
  const nothing = (): void => undefined;
  // What is preloaded comes past the service worker in WebKit, so that it could not keep it.
  const keepGiven = (): Promise<void> => caches.open(KEPT_AS).then((kept) => kept.addAll(GIVEN));
  const keep = (): void => void serviceWorker.register('/sw.js').then(keepGiven).catch(nothing);
  void whenUsed().then(() => {
    setTimeout(keep, PATIENCE);
    if (serviceWorker.controller) keepGiven().catch(nothing);
  });
}
