import { parentPort } from 'node:worker_threads';
import { register } from 'tsx/esm/api';

register();
const { mapRows } = await import('../core/explore/map.ts');
parentPort.on('message', ({ request, from, to }) => parentPort.postMessage(mapRows(request, from, to).distance.length));
