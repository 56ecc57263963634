/** One stream of news for all tabs of this browser: it is open as long as one of them listens. */
import { followMeets, type LiveMessage } from './live-source.ts';

/** ms without a word of a tab after which it is taken for gone: each says that it is there more often, a hidden one once a minute. */
const GONE = 90_000;

/** Where the program is asked, as the tabs named this worker: one for each space. */
const API = /^live (.+)$/.exec((self as unknown as { name: string }).name)?.[1] ?? '/api';

const tabs = new Map<MessagePort, number>();
let stop: (() => void) | null = null;
/** How it stands now: told to a tab that comes later. */
let latest: LiveMessage | null = null;

function drop(port: MessagePort): void {
  tabs.delete(port);
  if (tabs.size > 0) return;
  stop?.();
  stop = null;
  latest = null;
}

/** Takes in a tab that says that it is there, also one that was taken for gone while it was hidden or the device was locked. */
function keep(port: MessagePort): void {
  if (!tabs.has(port) && latest) port.postMessage(latest);
  tabs.set(port, Date.now());
  stop ??= followMeets(
    (message) => {
      if (message.kind !== 'news') latest = message;
      for (const tab of tabs.keys()) tab.postMessage(message);
    },
    () => new EventSource(`${API}/meets/live`),
  );
}

setInterval(() => {
  for (const [port, heardAt] of tabs) if (Date.now() - heardAt > GONE) drop(port);
}, GONE / 2);

(self as unknown as { onconnect: (event: MessageEvent) => void }).onconnect = ({ ports: [port] }) => {
  port!.onmessage = ({ data }: MessageEvent<'here' | 'bye'>) => (data === 'bye' ? drop(port!) : keep(port!));
};
