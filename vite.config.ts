import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

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

export default defineConfig({
  root: 'web',
  plugins: [
    react(),
    {
      name: 'first-screen',
      buildEnd() {
        for (const id of this.getModuleIds()) if (this.getModuleInfo(id)?.isEntry) addImports(id, this);
      },
    },
  ],
  build: {
    outDir: '../dist',
    emptyOutDir: true,
    assetsInlineLimit: 0,
    target: 'es2022',
    chunkSizeWarningLimit: 900,
    // The first screen's program comes as one file: twenty small ones take longer to ask for than to read.
    rolldownOptions: { output: { codeSplitting: { groups: [{ name: 'first-screen', test: (id) => firstScreen.has(id) }] } } },
  },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env.PORT ?? 4810}` } },
});
