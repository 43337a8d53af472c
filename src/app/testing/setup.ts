import 'fake-indexeddb/auto';
import { cleanup } from '@testing-library/react';
import { afterEach } from 'vitest';

// A document without layout knows no sizes.
class NoSizes {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
globalThis.ResizeObserver ??= NoSizes;
const missing = { checkVisibility: () => true, setPointerCapture: () => undefined, scrollIntoView: () => undefined };
for (const [name, does] of Object.entries(missing))
  if (!(name in Element.prototype)) Object.assign(Element.prototype, { [name]: does });

afterEach(cleanup);
