import { lazy, type ComponentType } from 'react';

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
