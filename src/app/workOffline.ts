import { whenUsed } from './ui/lazily.ts';

/** Milliseconds of use after which the application is kept: it weighs a megabyte, which nobody needs who only looks in. */
const PATIENCE = 30_000;

/** Keeps the application in the browser, so that it opens without a network (Service Workers, section 3.4.3). */
export function workOffline(): void {
  if (!('serviceWorker' in navigator)) return;
  const keep = (): unknown => navigator.serviceWorker.register('/sw.js').catch(() => undefined);
  void whenUsed().then(() => setTimeout(keep, PATIENCE));
}
