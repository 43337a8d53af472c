import { lazy, type ComponentType } from 'react';

/** By these it shows that somebody is there. */
const SIGNS = ['pointermove', 'pointerdown', 'keydown', 'focusin', 'paste'] as const;
/** Milliseconds after which it is done for somebody who only looks. */
const LONGEST = 10_000;

/** Once the page is used, so that what only those need who work with it does not hold up its first sight. */
export const whenUsed = (): Promise<void> =>
  new Promise((done) => {
    const stop = new AbortController();
    const used = (): void => {
      stop.abort();
      clearTimeout(timer);
      done();
    };
    const timer = setTimeout(used, LONGEST);
    for (const sign of SIGNS) addEventListener(sign, used, { signal: stop.signal, capture: true, passive: true });
  });

/** A component that is loaded when it is first needed; where it cannot be loaded, another stands in its place. */
export const lazily = <Props extends object>(
  load: () => Promise<ComponentType<Props>>,
  instead: ComponentType<Props>,
): ReturnType<typeof lazy<ComponentType<Props>>> =>
  lazy(() =>
    load().then(
      (component) => ({ default: component }),
      () => ({ default: instead }),
    ),
  );
