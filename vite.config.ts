import react from '@vitejs/plugin-react';
import { resolve } from 'node:path';
import { defineConfig } from 'vite';

const at = (path: string): string => resolve(import.meta.dirname, path);

export default defineConfig({
  plugins: [react()],
  publicDir: false,
  build: {
    outDir: 'dist',
    modulePreload: { polyfill: false },
    assetsInlineLimit: 0,
    rolldownOptions: {
      input: {
        index: at('index.html'),
        preview: at('preview.html'),
        lanternreel: at('src/standins/lanternreel/player.ts'),
        murmurfold: at('src/standins/murmurfold/player.ts'),
        foliobarn: at('src/standins/foliobarn/player.ts'),
      },
      output: {
        entryFileNames: (chunk) =>
          chunk.facadeModuleId?.includes('/standins/') ? 'assets/[name].js' : 'assets/[name]-[hash].js',
      },
    },
  },
});
