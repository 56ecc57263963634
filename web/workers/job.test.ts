import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { makeJobs, type Job, type Start } from './job.ts';

const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

function watched() {
  let job: Job<string> = { progress: null, result: null, isBroken: false };
  const stopWorkers = vi.fn();
  const jobs = makeJobs<string>({ onChange: (change) => (job = change(job)), stopWorkers, betweenNews: 0 });
  return { jobs, stopWorkers, seen: () => job };
}
/** Work that is reported from outside what it finds. */
function byHand() {
  const hand = {} as { report: Parameters<Start<string>>[0]; end: (result: string | null) => void; break: () => void };
  const start: Start<string> = (report) =>
    new Promise((resolve, reject) => Object.assign(hand, { report, end: resolve, break: () => reject(new Error('gone')) }));
  return { hand, start };
}

describe('long work', () => {
  beforeEach(() => void vi.spyOn(console, 'error').mockImplementation(() => {}));
  afterEach(() => void vi.restoreAllMocks());

  it('is seen as it grows, and ends in its result', async () => {
    const { jobs, seen } = watched();
    const { hand, start } = byHand();
    jobs.run(start);
    expect(seen()).toMatchObject({ progress: 0, result: null });
    expect(hand.report('half', 0.5)).toBe(true);
    expect(seen()).toMatchObject({ progress: 0.5, result: 'half' });
    hand.end('all');
    await settled();
    expect(seen()).toEqual({ progress: null, result: 'all', isBroken: false });
  });
  it('that was overtaken says no more, and is told so', async () => {
    const { jobs, seen } = watched();
    const [old, young] = [byHand(), byHand()];
    jobs.run(old.start);
    jobs.run(young.start);
    expect(old.hand.report('stale', 0.9)).toBe(false);
    old.hand.end('stale');
    await settled();
    expect(seen()).toEqual({ progress: 0, result: null, isBroken: false });
    young.hand.end('fresh');
    await settled();
    expect(seen().result).toBe('fresh');
  });
  it('that is left ends what the workers do, and only while there is some', async () => {
    const { jobs, stopWorkers } = watched();
    const { hand, start } = byHand();
    jobs.run(start);
    hand.end('all');
    await settled();
    jobs.leave();
    expect(stopWorkers).not.toHaveBeenCalled();
    jobs.run(byHand().start);
    jobs.leave();
    expect(stopWorkers).toHaveBeenCalledOnce();
  });
  it('is stopped with what is there', async () => {
    const { jobs, seen, stopWorkers } = watched();
    const { hand, start } = byHand();
    jobs.run(start);
    hand.report('half', 0.5);
    jobs.stop();
    expect(stopWorkers).toHaveBeenCalledOnce();
    hand.end('late');
    await settled();
    expect(seen()).toEqual({ progress: null, result: 'half', isBroken: false });
  });
  it('that breaks says so, gets new workers, and can be tried again', async () => {
    const { jobs, seen, stopWorkers } = watched();
    const { hand, start } = byHand();
    jobs.run(start);
    hand.break();
    await settled();
    expect(seen()).toEqual({ progress: null, result: null, isBroken: true });
    expect(stopWorkers).toHaveBeenCalledOnce();
    jobs.again();
    expect(seen()).toMatchObject({ progress: 0, isBroken: false });
    hand.end('after all');
    await settled();
    expect(seen().result).toBe('after all');
  });
  it('that breaks after it was overtaken takes no workers from what runs now', async () => {
    const { jobs, seen, stopWorkers } = watched();
    const [old, young] = [byHand(), byHand()];
    jobs.run(old.start);
    jobs.run(young.start);
    old.hand.break();
    await settled();
    expect(stopWorkers).not.toHaveBeenCalled();
    expect(seen().isBroken).toBe(false);
  });
});
