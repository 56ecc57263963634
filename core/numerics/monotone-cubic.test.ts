import { describe, expect, it } from 'vitest';
import { monotoneCubic } from './monotone-cubic.ts';

describe('a curve through points that rise', () => {
  // By hand: 3u² − 2u³ of a rise of 2 over 2 at u = ¼: 2 (3/16 − 2/64) = 0.3125.
  it('starts and ends as it is asked to, and keeps its ends beyond them', () => {
    const curve = monotoneCubic(
      [
        [0, 0],
        [2, 2],
      ],
      [0, 0],
    );
    expect([-1, 0, 0.5, 1, 2, 3].map(curve)).toEqual([0, 0, 0.3125, 1, 2, 2]);
  });
  it('goes through every point and never falls, where one part is steep and the next flat', () => {
    const points = [
      [0, 0],
      [1, 0.1],
      [1.2, 3],
      [4, 3.1],
      [5, 3.1],
    ] as const;
    const curve = monotoneCubic(points, [0, 0]);
    for (const [x, y] of points) expect(curve(x)).toBeCloseTo(y, 12);
    for (let x = 0; x < 5; x += 0.01) expect(curve(x + 0.01)).toBeGreaterThanOrEqual(curve(x) - 1e-12);
  });
  it('has the mean of both slopes where two parts meet', () => {
    const curve = monotoneCubic(
      [
        [0, 0],
        [1, 1],
        [2, 3],
      ],
      [1, 2],
    );
    expect((curve(1 + 1e-6) - curve(1 - 1e-6)) / 2e-6).toBeCloseTo(1.5, 5);
  });
});
