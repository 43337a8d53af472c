import { resolve } from 'node:path';
import { defineConfig } from 'vite';

const at = (path: string): string => resolve(import.meta.dirname, path);

/** The library and the command line for other projects; `zod` is theirs to install, since its types are in ours. */
export default defineConfig({
  publicDir: false,
  ssr: { noExternal: true, external: ['zod'] },
  build: {
    ssr: true,
    outDir: 'dist/package/lib',
    target: 'node20',
    rolldownOptions: {
      input: { index: at('src/programs/library.ts'), cli: at('src/cli/start.ts') },
      output: { entryFileNames: '[name].js' },
    },
  },
});
