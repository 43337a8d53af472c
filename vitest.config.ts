import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'unit',
          include: ['src/**/*.test.ts', 'demo/**/*.test.ts'],
          environment: 'node',
          // Dexie looks for a store when it is loaded, which any file may be the first to do.
          setupFiles: ['fake-indexeddb/auto'],
          testTimeout: 60_000,
          env: { ASK: 'standins' },
          maxWorkers: 2,
          // Nothing is kept in modules, so that the files of a worker can share them: loading them took half of the time.
          isolate: false,
        },
      },
      {
        test: {
          name: 'parts',
          include: ['src/app/**/*.test.tsx'],
          environment: 'jsdom',
          setupFiles: ['src/app/testing/setup.ts'],
          testTimeout: 60_000,
          maxWorkers: 2,
          isolate: false,
        },
      },
      {
        test: {
          name: 'e2e',
          include: ['e2e/**/*.test.ts'],
          environment: 'node',
          testTimeout: 150_000,
          hookTimeout: 150_000,
          // Again on a machine that was held up; the report says which, and each is a fault until it is known whose.
          retry: 2,
          // Two browsers at once are what two cores bear.
          maxWorkers: 2,
          maxConcurrency: 2,
          sequence: { groupOrder: 1 },
        },
      },
    ],
  },
});
