import { existsSync } from 'node:fs';
import { createServer } from 'node:http';
import { resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createApp } from './app.ts';
import { DataUnusable, reasonOf, setAside } from './data-file.ts';
import { openDatabase } from './database.ts';
import { makeSharing } from './sharing/sharing.ts';
import { loadDemo } from './demo/load-demo.ts';

const root = fileURLToPath(new URL('..', import.meta.url));
const isDemo = process.argv.includes('--demo');
const port = Number(process.env.PORT?.trim() || 4810);
const folder = resolve(root, process.env.NIMBLE_AXLE_DATA?.trim() || (isDemo ? 'data-demo' : 'data'));
const webRoot = resolve(root, 'dist');

function fail(message: string): never {
  process.stderr.write(`${message}\n`);
  process.exit(1);
}

if (!Number.isInteger(port) || port < 0 || port > 65535) fail(`PORT: "${process.env.PORT}" is not a port number (0 to 65535).`);
if (!existsSync(resolve(webRoot, 'index.html'))) fail('The page is not built yet: run npm start, npm run demo or npm run build.');

// What is written is for its owner alone.
process.umask(0o077);
try {
  if (process.argv.includes('--set-aside')) {
    const aside = setAside(folder, new Date());
    if (aside) process.stdout.write(`The data so far is kept as ${aside}; beginning anew.\n`);
  }
  const store = openDatabase(folder);
  if (isDemo) loadDemo(store.db);
  const sharing = makeSharing();
  const server = createServer(createApp(store, webRoot, sharing));
  server.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code === 'EADDRINUSE')
      fail(`Port ${port} is taken by another program. Stop it, or choose another port: PORT=${port + 1} npm start`);
    fail(`The server cannot start: ${error.message}`);
  });
  server.listen(port, '127.0.0.1', () => {
    const address = server.address() as { port: number };
    process.stdout.write(`Nimble Axle is at http://127.0.0.1:${address.port}  (data in ${folder}; Ctrl+C stops it)\n`);
  });
  const stop = (): void => {
    sharing.end();
    server.close(() => {
      store.db.close();
      process.exit(0);
    });
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), 2000).unref();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
} catch (error) {
  const reason = error instanceof DataUnusable ? error.message : reasonOf(error, folder);
  if (reason === null) throw error;
  fail(reason);
}
