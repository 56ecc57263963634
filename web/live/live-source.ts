import type { LiveNews } from '../../core/schema/stored.ts';
import { SPACE } from '../ui/space.ts';

/** What a page hears of meets: that it is connected (again), news, or since when it is not connected (ms of the clock). */
export type LiveMessage =
  { readonly kind: 'open' } | { readonly kind: 'news'; readonly news: LiveNews } | { readonly kind: 'lost'; readonly since: number };

/** ms without a beat after which the connection is taken for lost: the server beats every 15 s. */
const SILENCE = 35_000;
/** ms until a refused connection is tried again; a broken one is tried by the browser itself. */
const RETRY = 3000;
const LOOK = 5000;

/** Follows the server's news of meets until it is closed: opens the stream again when it broke, was refused, or fell silent. */
export function followMeets(
  tell: (message: LiveMessage) => void,
  make: () => EventSource = () => new EventSource(`${SPACE.api}/meets/live`),
): () => void {
  let source: EventSource | null = null;
  let heardAt = Date.now();
  let isLost = false;
  let retry: ReturnType<typeof setTimeout> | undefined;
  const hear = (): void => {
    heardAt = Date.now();
    isLost = false;
  };
  const lose = (): void => {
    if (!isLost) tell({ kind: 'lost', since: heardAt });
    isLost = true;
  };
  const connect = (): void => {
    source?.close();
    source = make();
    source.addEventListener('open', () => {
      hear();
      tell({ kind: 'open' });
    });
    source.addEventListener('beat', hear);
    source.addEventListener('written', ({ data }: MessageEvent<string>) => {
      hear();
      tell({ kind: 'news', news: JSON.parse(data) as LiveNews });
    });
    source.addEventListener('error', () => {
      lose();
      // 2: closed for good, since it was refused.
      if (source?.readyState !== 2) return;
      clearTimeout(retry);
      retry = setTimeout(connect, RETRY);
    });
  };
  const watch = setInterval(() => {
    if (Date.now() - heardAt < SILENCE) return;
    lose();
    heardAt = Date.now();
    connect();
  }, LOOK);
  connect();
  return () => {
    clearInterval(watch);
    clearTimeout(retry);
    source?.close();
  };
}
