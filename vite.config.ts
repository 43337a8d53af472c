import tailwind from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { readdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { VitePWA } from 'vite-plugin-pwa';
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

/** The application itself comes after its language was chosen; browsers fetch it while that is done. */
const startEarly = (): Plugin => ({
  name: 'start-early',
  transformIndexHtml: {
    order: 'post',
    handler: (_html, { path, bundle = {}, chunk }) => {
      const chunks = new Map(Object.values(bundle).flatMap((file) => (file.type === 'chunk' ? [[file.fileName, file]] : [])));
      const withImports = (file: string, known: Set<string>): Set<string> => {
        if (known.has(file)) return known;
        known.add(file);
        return (chunks.get(file)?.imports ?? []).reduce((all, one) => withImports(one, all), known);
      };
      const start = [...chunks.values()].find(({ moduleIds }) => moduleIds.some((id) => id.endsWith('/app/start.tsx')));
      if (path !== '/index.html' || !start || !chunk) return [];
      const first = withImports(chunk.fileName, new Set());
      return [...withImports(start.fileName, new Set(first))]
        .filter((file) => !first.has(file))
        .map((file): HtmlTagDescriptor => ({
          tag: 'link',
          attrs: { rel: 'modulepreload', crossorigin: true, href: `/${file}` },
          injectTo: 'head',
        }));
    },
  },
});

/** The application opens without a network: all of it is kept, and the page itself is asked for first while there is one. */
const offline = (): ReturnType<typeof VitePWA> =>
  VitePWA({
    injectRegister: false,
    registerType: 'prompt',
    includeAssets: ['icon.svg', 'icon-192.png', 'icon-512.png'],
    manifest: {
      name: 'Refenestra',
      short_name: 'Refenestra',
      description: 'Share links in, embed code out: made to fit one page, and shown to behave before it is published.',
      start_url: '/',
      display: 'standalone',
      background_color: '#f5f2ea',
      theme_color: '#f5f2ea',
      icons: [
        { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
        { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
        { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' },
      ],
      share_target: {
        action: '/',
        method: 'GET',
        enctype: 'application/x-www-form-urlencoded',
        params: { title: 'title', text: 'text', url: 'take' },
      },
    },
    workbox: {
      // Players of the sample world are of other origins.
      globPatterns: ['index.html', 'assets/*-????????.{js,css,woff2}'],
      globIgnores: ['assets/preview-*', 'assets/*-script-*'],
      navigateFallback: null,
      sourcemap: false,
      inlineWorkboxRuntime: true,
      runtimeCaching: [
        {
          urlPattern: ({ request }) => request.mode === 'navigate',
          handler: 'NetworkOnly',
          options: { precacheFallback: { fallbackURL: '/index.html' } },
        },
        {
          urlPattern: /\/api\/(?:hosts|sites|demo|team)$/,
          handler: 'NetworkFirst',
          options: { cacheName: 'given', networkTimeoutSeconds: 4 },
        },
      ],
    },
  });

/** What browsers load. */
export default defineConfig({
  plugins: [react(), tailwind(), fontsFirst(), startEarly(), offline(), compressAll()],
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
        codeSplitting: {
          groups: [
            // What tells the schemas how to work stands with them, so that it is said before the first of them is made.
            { name: 'schemas', test: /node_modules\/zod\/|\/app\/withoutEval/, priority: 3 },
            // The language is chosen before anything that has sentences is there.
            { name: 'first', test: /\/messages\/language\.ts|\/app\/(?:chosenLanguage|screens\/load)\.ts/, priority: 2 },
            // All that the page of the preview has in common with the application.
            { name: 'messages', test: /\/preview\/messages/, priority: 2 },
            {
              name: 'libraries',
              test: /node_modules\/(?:react-dom|react-redux|react-router|@reduxjs|@emotion|dexie|intl-messageformat)\//,
              priority: 1,
            },
            // Everything that the first screen needs comes in two files: a browser asks one origin for six at a time at most.
            { name: 'application', test: /\/app\/start\.tsx$/ },
            // So does what opens over it, with the fields and dialogs of all screens: some twenty files by themselves.
            { name: 'fields', test: /\/bench\/(?:TokenEditor|SettingFinder)\.tsx$/ },
          ],
        },
        entryFileNames: (chunk) =>
          chunk.facadeModuleId?.includes('/standins/') ? 'assets/[name].js' : 'assets/[name]-[hash].js',
      },
    },
  },
});
