/** Where the thread that reads archives begins: Node's threads know no TypeScript until they are told. */
import { register } from 'tsx/esm/api';

register();
await import('./import-worker.ts');
