import { afterEach, beforeEach, expect, it, vi } from 'vitest';

/** The streams that were opened, in the hands of a test. */
let streams: { open: () => void; isClosed: boolean }[];
let connect: () => { say: (word: 'here' | 'bye') => void; heard: unknown[] };
beforeEach(async () => {
  vi.useFakeTimers();
  vi.resetModules();
  streams = [];
  const scope: { onconnect?: (event: { ports: unknown[] }) => void } = {};
  vi.stubGlobal('self', scope);
  vi.stubGlobal(
    'EventSource',
    class {
      private readonly stream = { open: () => {}, isClosed: false };
      constructor() {
        streams.push(this.stream);
      }
      addEventListener = (name: string, listen: () => void) => void (name === 'open' && (this.stream.open = listen));
      close = () => void (this.stream.isClosed = true);
    },
  );
  await import('./live-worker.ts');
  connect = () => {
    const heard: unknown[] = [];
    const port = { onmessage: (_: { data: string }) => {}, postMessage: (message: unknown) => heard.push(message) };
    scope.onconnect!({ ports: [port] });
    return { say: (data) => port.onmessage({ data }), heard };
  };
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

it('holds one stream for all tabs until the last one says goodbye', () => {
  const [one, other] = [connect(), connect()];
  one.say('here');
  streams[0]!.open();
  other.say('here');
  expect([streams.length, one.heard, other.heard]).toEqual([1, [{ kind: 'open' }], [{ kind: 'open' }]]);
  one.say('bye');
  expect(streams[0]!.isClosed).toBe(false);
  other.say('bye');
  expect(streams[0]!.isClosed).toBe(true);
});
it('forgets a tab that fell silent, and opens the stream again for it when it is back', () => {
  const tab = connect();
  tab.say('here');
  streams[0]!.open();
  vi.advanceTimersByTime(10 * 60_000);
  expect(streams.every(({ isClosed }) => isClosed)).toBe(true);
  const before = streams.length;
  tab.say('here');
  expect(streams).toHaveLength(before + 1);
  streams.at(-1)!.open();
  expect(tab.heard.at(-1)).toEqual({ kind: 'open' });
});
