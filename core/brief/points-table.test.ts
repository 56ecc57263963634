import { describe, expect, it } from 'vitest';
import { standardNormal } from '../numerics/low-discrepancy.ts';
import { figureOf, pointsAmong, pointsFor, pointsTable } from './points-table.ts';

describe('points of a figure', () => {
  const points = [10, 7, 5, 3];
  // By hand, places counted one by one; who ties shares (common practice).
  it.each([
    [7, [6, 5, 4], 10],
    [5.5, [6, 5, 4], 7],
    [5, [6, 5, 4], 6],
    [5, [5, 5, 9], (7 + 5 + 3) / 3],
    [1, [6, 5, 4, 3], 0],
    [1, [NaN, 0.5], 10],
    [NaN, [NaN], 0],
  ])('%d among %j: %d', (figure, rivals, earned) => expect(pointsAmong(figure, rivals, points)).toBeCloseTo(earned, 12));

  it('of a time are the more the less it is; at the wall a car stands above one that stopped there', () => {
    expect(figureOf({ kind: 'quickest-to', distance: 6 }, { value: 4, atLeast: false })).toBe(-4);
    expect(figureOf({ kind: 'furthest' }, { value: 18.5, atLeast: true })).toBeGreaterThan(18.5);
    expect(figureOf({ kind: 'furthest' }, null)).toBeNaN();
  });

  it('by a table are those of the evenings it was made of, at each step and between', () => {
    const evenings = [
      [4, 8],
      [6, 6],
      [NaN, 7],
    ];
    const table = pointsTable(evenings, points);
    expect(table.figures).toEqual([4, 6, 7, 8]);
    for (const figure of [3, 4, 5, 6, 6.5, 7, 7.5, 8, 9, NaN]) {
      const mean = evenings.reduce((sum, rivals) => sum + pointsAmong(figure, rivals, points), 0) / 3;
      expect(pointsFor(table, figure), `${figure}`).toBeCloseTo(mean, 12);
    }
    // Between both of the first, before both of the second, behind the only one of the third: (7 + 10 + 7)/3.
    expect(pointsFor(table, 6.5)).toBeCloseTo(8, 12);
  });

  it('against one rival are how likely a difference of two normals is above nothing', () => {
    const [own, rival, scatter] = [Math.log(11), Math.log(10), 0.1];
    const spread = (mean: number) => Array.from({ length: 400 }, (_, i) => Math.exp(mean + scatter * standardNormal((i + 0.5) / 400)));
    const table = pointsTable(
      spread(rival).map((figure) => [figure]),
      [1],
    );
    const chance = spread(own).reduce((sum, figure) => sum + pointsFor(table, figure), 0) / 400;
    // Φ(ln 1.1 / (0.1 √2)) = Φ(0.67395) = 0.74983, from a table of the normal distribution.
    expect(chance).toBeCloseTo(0.7498, 2);
  });
});
