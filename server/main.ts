import { existsSync } from 'node:fs';
import { createServer } from 'node:http';
import { resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createApp } from './app.ts';
import { DataUnusable, openDatabase } from './database.ts';
import { loadDemo } from './demo/load-demo.ts';

const root = fileURLToPath(new URL('..', import.meta.url));
const isDemo = process.argv.includes('--demo');
const port = Number(process.env.PORT ?? 4810);
const folder = resolve(root, process.env.NIMBLE_AXLE_DATA ?? (isDemo ? 'data-demo' : 'data'));
const webRoot = resolve(root, 'dist');

function fail(message: string): never {
  process.stderr.write(`${message}\n`);
  process.exit(1);
}

if (!Number.isInteger(port) || port < 0 || port > 65535) fail(`PORT: "${process.env.PORT}" is not a port number (0 to 65535).`);
if (!existsSync(resolve(webRoot, 'index.html'))) fail('The page is not built yet: run npm start, npm run demo or npm run build.');

try {
  const db = openDatabase(folder);
  if (isDemo) loadDemo(db);
  const server = createServer(createApp(db, webRoot));
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
    server.close(() => {
      db.close();
      process.exit(0);
    });
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), 2000).unref();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
} catch (error) {
  if (error instanceof DataUnusable) fail(error.message);
  throw error;
}
