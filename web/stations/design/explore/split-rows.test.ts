import { afterEach, describe, expect, it, vi } from 'vitest';
import { splitRows } from './split-rows.ts';

/** Two workers that count what they are given. */
const given = vi.hoisted(() => [[] as number[], [] as number[]]);
vi.mock('../../../workers/explore.ts', () => ({
  POOL_SIZE: 2,
  pooled: (index: number) => ({ work: { of: index }, stop: () => {} }),
}));
afterEach(() => given.forEach((list) => (list.length = 0)));

const task = async (worker: unknown, index: number): Promise<number> => {
  given[(worker as { of: number }).of]!.push(index);
  // The first worker is slow.
  await new Promise((resolve) => setTimeout(resolve, (worker as { of: number }).of === 0 ? 8 : 1));
  return index * index;
};

describe('work shared out to workers', () => {
  it('is done once each, by whoever is free', async () => {
    const answers = new Map<number, number>();
    await splitRows(12, task, (answer, index) => Boolean(answers.set(index, answer)));
    expect([...answers.entries()].sort(([a], [b]) => a - b)).toEqual(Array.from({ length: 12 }, (_, i) => [i, i * i]));
    expect(given[1]!.length).toBeGreaterThan(given[0]!.length);
    expect([...given[0]!, ...given[1]!].sort((a, b) => a - b)).toEqual(Array.from({ length: 12 }, (_, i) => i));
  });
  it('ends when it is told to', async () => {
    let done = 0;
    await splitRows(100, task, () => ++done < 3);
    expect(done).toBe(3);
    expect(given[0]!.length + given[1]!.length).toBeLessThan(8);
  });
});
