import react from '@vitejs/plugin-react';
import { readdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { defineConfig, type HtmlTagDescriptor, type Plugin } from 'vite';
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

/** The two fonts that every screen is written in come with the page, so that no text is laid out twice. */
const fontsFirst = (): Plugin => ({
  name: 'fonts-first',
  transformIndexHtml: {
    order: 'post',
    handler: (_html, { path, bundle = {} }) =>
      Object.keys(bundle)
        .filter((file) => path === '/index.html' && /-latin-wght-normal-[\w-]+\.woff2$/.test(file))
        .map((file): HtmlTagDescriptor => ({
          tag: 'link',
          attrs: { rel: 'preload', as: 'font', type: 'font/woff2', href: `/${file}`, crossorigin: 'anonymous' },
          injectTo: 'head',
        })),
  },
});

/** What browsers load. */
export default defineConfig({
  plugins: [react(), fontsFirst(), compressAll()],
  publicDir: false,
  resolve: {
    // Its form for browsers asks the document, which workers have not.
    alias: { 'decode-named-character-reference': at('node_modules/decode-named-character-reference/index.js') },
  },
  build: {
    outDir: 'dist/web',
    modulePreload: { polyfill: false },
    assetsInlineLimit: 0,
    rolldownOptions: {
      input: { index: at('index.html'), preview: at('preview.html'), ...standInScripts() },
      output: {
        // What tells the schemas how to work stands with them, so that it is said before the first of them is made.
        codeSplitting: { groups: [{ name: 'schemas', test: /node_modules\/zod\/|\/app\/withoutEval/ }] },
        entryFileNames: (chunk) =>
          chunk.facadeModuleId?.includes('/standins/') ? 'assets/[name].js' : 'assets/[name]-[hash].js',
      },
    },
  },
});
