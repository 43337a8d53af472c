import react from '@vitejs/plugin-react';
import { readdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { defineConfig } from 'vite';
import { compressAll } from './scripts/compressAll.ts';

const at = (path: string): string => resolve(import.meta.dirname, path);

/** What stand-ins give to browsers: `player.ts` under the host's name, `script.ts` for pages of others. */
function standInScripts(): Record<string, string> {
  const folder = at('src/standins');
  const files = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((file) =>
    /^[^/]+\/(?:player|script)\.ts$/.test(file),
  );
  return Object.fromEntries(
    files.map((file) => [file.replace(/\/player\.ts$/, '').replace(/\/script\.ts$/, '-script'), join(folder, file)]),
  );
}

/** What browsers load. */
export default defineConfig({
  plugins: [react(), compressAll()],
  publicDir: false,
  build: {
    outDir: 'dist/web',
    modulePreload: { polyfill: false },
    assetsInlineLimit: 0,
    rolldownOptions: {
      input: { index: at('index.html'), preview: at('preview.html'), ...standInScripts() },
      output: {
        entryFileNames: (chunk) =>
          chunk.facadeModuleId?.includes('/standins/') ? 'assets/[name].js' : 'assets/[name]-[hash].js',
      },
    },
  },
});
