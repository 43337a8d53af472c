import { LATE } from './screens/late.ts';

const screens = new Map<string, { load: () => Promise<unknown> }>(Object.entries(LATE));

/**
 * Once the screen that the address asks for is there, which is fetched while everything else is still being set up. What
 * stands in for a screen would be left for a third of a second before the screen itself is drawn.
 */
export const ready = Promise.resolve(screens.get(location.pathname.split('/')[1] ?? '')?.load());
