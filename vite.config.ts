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
        plumbline: at('src/standins/plumbline/player.ts'),
        earbrook: at('src/standins/earbrook/player.ts'),
        deckmoor: at('src/standins/deckmoor/player.ts'),
        gatherfold: at('src/standins/gatherfold/player.ts'),
        'gatherfold-fold': at('src/standins/gatherfold/fold.ts'),
        askmeadow: at('src/standins/askmeadow/player.ts'),
        waymoss: at('src/standins/waymoss/player.ts'),
        airwherry: at('src/standins/airwherry/player.ts'),
        loopwick: at('src/standins/loopwick/player.ts'),
        'albumfen-fen': at('src/standins/albumfen/fen.ts'),
        spoolnote: at('src/standins/spoolnote/player.ts'),
      },
      output: {
        entryFileNames: (chunk) =>
          chunk.facadeModuleId?.includes('/standins/') ? 'assets/[name].js' : 'assets/[name]-[hash].js',
      },
    },
  },
});
