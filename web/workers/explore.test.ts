import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

/** Workers in the hands of a test: each question is answered, or the worker broken, when the test says so. */
let workers: { fail: () => void; answer: (value: string) => void; terminate: ReturnType<typeof vi.fn> }[];
beforeEach(() => {
  workers = [];
  vi.resetModules();
  vi.stubGlobal(
    'Worker',
    class {
      private break: (event: { message: string }) => void = () => {};
      private readonly answers: ((value: string) => void)[] = [];
      terminate = vi.fn();
      constructor() {
        workers.push({
          fail: () => this.break({ message: 'out of memory' }),
          answer: (value) => this.answers.shift()!(value),
          terminate: this.terminate,
        });
      }
      addEventListener(name: string, listen: (event: { message: string }) => void): void {
        if (name === 'error') this.break = listen;
      }
      ask = (): Promise<string> => new Promise((resolve) => this.answers.push(resolve));
    },
  );
  vi.doMock('comlink', () => ({ wrap: (worker: { ask: () => Promise<string> }) => ({ assess: worker.ask }), expose: () => undefined }));
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.doUnmock('comlink');
});

const asking = async () => {
  const { runTask: askErrand } = await import('./explore.ts');
  return () => askErrand('assess', (work) => (work as unknown as { assess: () => Promise<string> }).assess());
};

describe('the worker of an errand', () => {
  it('is one for all who ask, and a question that fails leaves it to the others', async () => {
    const { runTask: askErrand } = await import('./explore.ts');
    const ask = await asking();
    const answer = ask();
    await expect(askErrand('assess', () => Promise.reject(new Error('no such car')))).rejects.toThrow('no such car');
    workers[0]!.answer('assessed');
    expect(await answer).toBe('assessed');
    expect([workers.length, workers[0]!.terminate.mock.calls.length]).toEqual([1, 0]);
  });
  it('that breaks fails all who wait for it, and the next gets a new one', async () => {
    const ask = await asking();
    const [first, second] = [ask(), ask()];
    workers[0]!.fail();
    await expect(first).rejects.toThrow('out of memory');
    await expect(second).rejects.toThrow('out of memory');
    const third = ask();
    workers[1]!.answer('assessed');
    expect(await third).toBe('assessed');
  });
});
