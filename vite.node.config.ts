import { resolve } from 'node:path';
import { defineConfig } from 'vite';

const at = (path: string): string => resolve(import.meta.dirname, path);

/** What runs without a compiler: the command line, and the figures of the core and of a sweep. All packages are in it. */
export default defineConfig({
  publicDir: false,
  ssr: { noExternal: true },
  build: {
    ssr: true,
    outDir: 'dist/node',
    target: 'node20',
    rolldownOptions: {
      input: { cli: at('src/cli/main.ts'), bench: at('bench/main.ts'), sweep: at('bench/sweep.ts') },
      output: { entryFileNames: '[name].js' },
    },
  },
});
