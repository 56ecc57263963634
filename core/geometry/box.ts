import type { Point } from './point.ts';

/** Corners of a box, in order; `base` lifts each end by what it stands on, m. */
export const box = (left: number, right: number, bottom: number, top: number, base: (x: number) => number = () => 0): Point[] => [
  { x: left, y: base(left) + bottom },
  { x: right, y: base(right) + bottom },
  { x: right, y: base(right) + top },
  { x: left, y: base(left) + top },
];
