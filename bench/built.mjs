/** Builds a bench as the app is built, and runs it: what a loader adds to functions is not part of what is measured. `node bench/built.mjs runs`. */
import { fileURLToPath } from 'node:url';
import { build } from 'vite';

const here = new URL('.', import.meta.url);
const name = process.argv[2];
const input = Object.fromEntries([name, 'map-worker'].map((entry) => [entry, fileURLToPath(new URL(`${entry}.ts`, here))]));
const outDir = fileURLToPath(new URL('../.cache/bench/', here));
await build({
  configFile: false,
  logLevel: 'error',
  build: { ssr: true, outDir, emptyOutDir: true, minify: false, target: 'node20', rollupOptions: { input } },
});
await import(`../.cache/bench/${name}.js`);
