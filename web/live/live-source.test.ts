import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { followMeets, type LiveMessage } from './live-source.ts';

/** A stream in the hands of a test. */
class Stream {
  readyState = 0;
  private readonly listeners = new Map<string, (event: { data?: string }) => void>();
  addEventListener = (name: string, listen: (event: { data?: string }) => void): void => void this.listeners.set(name, listen);
  close = vi.fn(() => (this.readyState = 2));
  say = (name: string, data?: unknown): void => this.listeners.get(name)!({ data: JSON.stringify(data) });
}

let streams: Stream[];
let heard: LiveMessage[];
let stop: () => void;
beforeEach(() => {
  vi.useFakeTimers({ now: 1_000_000 });
  streams = [];
  heard = [];
  stop = followMeets(
    (message) => heard.push(message),
    () => {
      const stream = new Stream();
      streams.push(stream);
      return stream as unknown as EventSource;
    },
  );
});
afterEach(() => {
  stop();
  vi.useRealTimers();
});
const pass = (seconds: number): void => void vi.advanceTimersByTime(1000 * seconds);

describe('a page that follows', () => {
  it('is told that it is connected, and what is written', () => {
    streams[0]!.say('open');
    streams[0]!.say('written', { kind: 'changed', meet: 'a' });
    expect(heard).toEqual([{ kind: 'open' }, { kind: 'news', news: { kind: 'changed', meet: 'a' } }]);
  });
  it('goes on as long as it beats; fallen silent, it is lost since the last word, and opened again', () => {
    streams[0]!.say('open');
    for (let beat = 0; beat < 10; beat++) {
      pass(15);
      streams[0]!.say('beat');
    }
    expect([streams.length, heard.length]).toEqual([1, 1]);
    pass(41);
    expect(heard.at(-1)).toEqual({ kind: 'lost', since: 1_000_000 + 150_000 });
    expect(streams[0]!.close).toHaveBeenCalled();
    streams.at(-1)!.say('open');
    expect([streams.length, heard.at(-1)]).toEqual([2, { kind: 'open' }]);
  });
  it('that is refused is opened again by itself; one that broke is left to the browser, and lost once', () => {
    streams[0]!.say('open');
    streams[0]!.say('error');
    streams[0]!.say('error');
    expect(heard.filter(({ kind }) => kind === 'lost')).toHaveLength(1);
    pass(4);
    expect(streams).toHaveLength(1);
    streams[0]!.readyState = 2;
    streams[0]!.say('error');
    pass(4);
    expect(streams).toHaveLength(2);
  });
  it('opens nothing more once it is closed', () => {
    streams[0]!.readyState = 2;
    streams[0]!.say('error');
    stop();
    pass(200);
    expect(streams).toHaveLength(1);
  });
});
