import { existsSync } from 'node:fs';
import { createServer } from 'node:http';
import { resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createApp } from './app.ts';
import { boundSockets } from './bounded-sockets.ts';
import { DataUnusable, reasonOf, setAside } from './data-file.ts';
import { openDatabase } from './database.ts';
import { loadDemoClass } from './demo/load-demo-class.ts';
import { loadDemo } from './demo/load-demo.ts';
import { photoQueries } from './queries/photos.ts';
import { BadProxy, trustedProxy } from './sharing/proxy.ts';
import { CannotShare, sharePort } from './sharing/sharing.ts';

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

/** What the owner's own pages may hold; a large archive is read for a while without a byte along its run. ms. */
const SOCKETS = { most: 500, mostOfAddress: 500, quiet: 600_000 };

/** A fault of a file or socket, which nobody waited for: what is stored is not touched by it. */
const isOfSystem = ({ code }: NodeJS.ErrnoException): boolean => /^(E[A-Z]+|ERR_(STREAM|HTTP|SOCKET)\w*)$/.test(code ?? '');

// The last resort: the program goes on where only an answer was lost, and ends in good order elsewhere.
process.on('uncaughtException', (error) => {
  console.error(error);
  if (!isOfSystem(error)) process.exit(1);
});
process.on('unhandledRejection', (reason) => console.error(reason));

// What is written is for its owner alone.
process.umask(0o077);
try {
  if (process.argv.includes('--set-aside')) {
    const aside = setAside(folder, new Date());
    if (aside)
      process.stdout.write(`The old data is saved as ${aside}; starting with no data.
`);
  }
  const store = openDatabase(folder);
  if (isDemo) loadDemo(store.db);
  photoQueries(store.db).sweep(new Date());
  sharePort();
  trustedProxy();
  const { app, sharing, classes, resumeSharing, close } = createApp(store, webRoot);
  if (isDemo) loadDemoClass(store, classes);
  const server = createServer(app);
  boundSockets(server, SOCKETS);
  server.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code === 'EADDRINUSE')
      fail(`Port ${port} is taken by another program. Stop it, or choose another port: PORT=${port + 1} npm start`);
    fail(`The server cannot start: ${error.message}`);
  });
  server.listen(port, '127.0.0.1', () => {
    const address = server.address() as { port: number };
    process.stdout.write(`Nimble Axle is at http://127.0.0.1:${address.port}  (data in ${folder}; Ctrl+C stops it)\n`);
  });
  await resumeSharing().catch((error: unknown) => {
    if (!(error instanceof CannotShare)) throw error;
    process.stderr.write(`Phones cannot join any more: ${error.message}.
`);
  });
  const stop = (): void => {
    sharing.close();
    server.close(() => {
      close();
      store.db.close();
      process.exit(0);
    });
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), 2000).unref();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
} catch (error) {
  const reason =
    error instanceof DataUnusable || error instanceof CannotShare || error instanceof BadProxy ? error.message : reasonOf(error, folder);
  if (reason === null) throw error;
  fail(reason);
}
