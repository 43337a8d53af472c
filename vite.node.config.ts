import { resolve } from 'node:path';
import { defineConfig } from 'vite';

const at = (path: string): string => resolve(import.meta.dirname, path);

/** What runs without a compiler: the server and its workers, the command line, and some figures. All packages are in it. */
export default defineConfig({
  publicDir: false,
  ssr: { noExternal: true },
  build: {
    ssr: true,
    outDir: 'dist/node',
    target: 'node20',
    rolldownOptions: {
      input: {
        server: at('src/server/main.ts'),
        work: at('src/server/work.ts'),
        cli: at('src/cli/start.ts'),
        bench: at('bench/main.ts'),
        sweep: at('bench/sweep.ts'),
      },
      output: { entryFileNames: '[name].js' },
    },
  },
});
