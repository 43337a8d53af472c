import { lazy, type ComponentType } from 'react';

/** Once nothing more urgent is to be done, or after a second. */
export const whenIdle = (): Promise<void> =>
  new Promise((done) => {
    // Not in every browser.
    if ('requestIdleCallback' in globalThis) requestIdleCallback(() => done(), { timeout: 1000 });
    else setTimeout(done, 200);
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
