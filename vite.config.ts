import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

interface Modules {
  readonly getModuleInfo: (id: string) => { readonly isEntry: boolean; readonly importedIds: readonly string[] } | null;
}

/** All that the first screen imports without waiting, found from the entry on. */
const firstScreen = new Set<string>();
function addImports(id: string, modules: Modules): void {
  if (firstScreen.has(id)) return;
  firstScreen.add(id);
  for (const imported of modules.getModuleInfo(id)?.importedIds ?? []) addImports(imported, modules);
}

/** Under which name the page is kept for when the program is gone. */
const OFFLINE_PAGE = '/index.html';

/** Files that are sent smaller than they are: text, and fonts are packed already. */
const PACKED = /\.(js|css|svg|txt)$/;

export default defineConfig({
  root: 'web',
  plugins: [
    react(),
    // Once opened, the page opens without the program too: its files are kept in the browser, and what was last asked for.
    VitePWA({
      injectRegister: null,
      manifest: false,
      filename: 'sw.js',
      workbox: {
        globPatterns: ['assets/**/*.{js,css,woff2}', '*.svg'],
        // The page itself, anew with each build; by this name alone, so that the first look after an upgrade asks the program.
        additionalManifestEntries: [{ url: OFFLINE_PAGE, revision: String(Date.now()) }],
        directoryIndex: null,
        maximumFileSizeToCacheInBytes: 4e6,
        skipWaiting: true,
        clientsClaim: true,
        cleanupOutdatedCaches: true,
        navigateFallback: null,
        runtimeCaching: [
          {
            urlPattern: ({ request }) => request.mode === 'navigate',
            handler: 'NetworkFirst',
            // Every address is one page.
            options: {
              cacheName: 'page',
              precacheFallback: { fallbackURL: OFFLINE_PAGE },
              plugins: [{ cacheKeyWillBeUsed: () => Promise.resolve('/index.html') }],
            },
          },
          {
            urlPattern: ({ url, sameOrigin }) =>
              sameOrigin &&
              url.pathname.startsWith('/api/') &&
              !/^\/api\/(archive|lines|meets\/live|joined|join|sharing|class\/ticks|classes|cleared-classes|crews)(\/|$)/.test(
                url.pathname,
              ),
            handler: 'NetworkFirst',
            options: { cacheName: 'kept', expiration: { maxEntries: 200 } },
          },
        ],
      },
    }),
    {
      name: 'first-screen',
      buildEnd() {
        for (const id of this.getModuleIds()) if (this.getModuleInfo(id)?.isEntry) addImports(id, this);
      },
    },
    {
      name: 'packed-once',
      closeBundle() {
        const files = readdirSync('dist', { recursive: true, encoding: 'utf8' }).filter((file) => PACKED.test(file));
        for (const file of files) {
          const content = readFileSync(`dist/${file}`);
          writeFileSync(`dist/${file}.gz`, gzipSync(content, { level: 9 }));
          writeFileSync(`dist/${file}.br`, brotliCompressSync(content, { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }));
        }
      },
    },
  ],
  build: {
    outDir: '../dist',
    emptyOutDir: true,
    assetsInlineLimit: 0,
    manifest: 'stations.json',
    target: 'es2022',
    chunkSizeWarningLimit: 900,
    // The first screen's program comes as one file: twenty small ones take longer to ask for than to read.
    rolldownOptions: { output: { codeSplitting: { groups: [{ name: 'first-screen', test: (id) => firstScreen.has(id) }] } } },
  },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env.PORT ?? 4810}` } },
});
