import { createElement, use, type ComponentType, type ReactElement } from 'react';

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

/** A component that is loaded when it is first drawn, or before that by `load`. */
export type Late<Props extends object> = ((props: Props) => ReactElement) & { load: () => Promise<ComponentType<Props>> };

/** What is loaded when it is first needed; where it cannot be loaded, another stands in its place. */
export function lazily<Props extends object>(
  load: () => Promise<ComponentType<Props>>,
  instead: ComponentType<Props>,
): Late<Props> {
  let loading: Promise<ComponentType<Props>> | undefined;
  const once = (): Promise<ComponentType<Props>> => (loading ??= told(load().catch(() => instead)));
  const Shown = (props: Props): ReactElement => createElement(use(once()), props);
  return Object.assign(Shown, { load: once });
}

/** Its outcome is written on the promise, where React reads it without waiting. */
function told<Value>(promise: Promise<Value>): Promise<Value> {
  void promise.then((value) => Object.assign(promise, { status: 'fulfilled', value }));
  return promise;
}
