import { SPACE } from '../ui/space.ts';
import { followMeets, type LiveMessage } from './live-source.ts';

type Listener = (message: LiveMessage) => void;

/** ms between two words of this tab to the worker that all tabs share. */
const HERE = 10_000;

const listeners = new Set<Listener>();
let stop: (() => void) | null = null;
let latest: LiveMessage | null = null;

function tell(message: LiveMessage): void {
  if (message.kind !== 'news') latest = message;
  for (const listener of listeners) listener(message);
}

/** This tab's way to that worker, made once: the browser keeps each as long as the worker lives. */
let worker: SharedWorker | null = null;
let isBroken = false;

/** Listens by the worker that all tabs share, which holds one stream for the browser. */
function byWorker(): () => void {
  if (worker === null) {
    worker = new SharedWorker(new URL('./live-worker.ts', import.meta.url), { type: 'module', name: `live ${SPACE.api}` });
    worker.port.onmessage = ({ data }: MessageEvent<LiveMessage>) => stop && tell(data);
  }
  const { port } = worker;
  // Where its program cannot be had, this tab listens for itself.
  let alone = isBroken ? followMeets(tell) : null;
  worker.onerror = () => {
    isBroken = true;
    if (stop) alone ??= followMeets(tell);
  };
  const say = (): void => port.postMessage('here');
  const bye = (): void => port.postMessage('bye');
  say();
  const here = setInterval(say, HERE);
  window.addEventListener('pagehide', bye);
  return () => {
    clearInterval(here);
    window.removeEventListener('pagehide', bye);
    bye();
    alone?.();
  };
}

const begin = (): (() => void) => ('SharedWorker' in window ? byWorker() : followMeets(tell));

/** Hears news of meets, as long as somebody here listens: one stream a browser, or one a tab where it knows no shared workers. */
export function onLive(listener: Listener): () => void {
  listeners.add(listener);
  if (latest) listener(latest);
  stop ??= begin();
  return () => {
    listeners.delete(listener);
    if (listeners.size > 0) return;
    stop?.();
    stop = null;
    latest = null;
  };
}

// A page that comes back from the browser's memory was taken for gone.
if (typeof window !== 'undefined')
  window.addEventListener('pageshow', ({ persisted }) => {
    if (!persisted || stop === null) return;
    stop();
    stop = begin();
  });
