import { describe, expect, it } from 'vitest';
import { attentionRank } from './attention.ts';

describe('how much a car needs its builder', () => {
  it('is in this order', () => {
    const sound = { canRun: true, brokenRule: null, hasBrief: true, runs: 3 };
    const inOrder = [
      { ...sound, canRun: false, runs: 0 },
      { ...sound, brokenRule: 'length' },
      { ...sound, hasBrief: false, runs: 0 },
      { ...sound, runs: 2 },
      sound,
      { ...sound, runs: 0 },
    ];
    expect(inOrder.map(attentionRank)).toEqual([0, 1, 2, 3, 4, 5]);
  });
});
