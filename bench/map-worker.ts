/** Computes rows of a map when asked, for `runs.ts`. */
import { parentPort } from 'node:worker_threads';
import { mapRows, type MapRequest } from '../core/explore/map.ts';

interface Asked {
  readonly request: MapRequest;
  readonly from: number;
  readonly to: number;
}
parentPort!.on('message', ({ request, from, to }: Asked) => parentPort!.postMessage(mapRows(request, from, to).distance.length));
