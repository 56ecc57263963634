import type { CarDesign } from '../car/car-design.ts';

/** What a remedy changes: of several of one kind the one that buys most is offered. */
export type RemedyKind =
  | 'tyres'
  | 'ballast'
  | 'lever'
  | 'trap'
  | 'drive-wheels'
  | 'bands'
  | 'chain'
  | 'turns'
  | 'sleeve'
  | 'axle'
  | 'bearing'
  | 'release'
  | 'care'
  | 'body'
  | 'alignment'
  | 'track-width'
  | 'wheelbase'
  | 'winding-width'
  | 'lever-material'
  | 'floor'
  | 'spacers'
  | 'parts'
  | 'arm'
  | 'roller'
  | 'layout';

/** A change that may put a fault right, as the design it would make. */
export interface Remedy {
  readonly kind: RemedyKind;
  readonly id: string;
  readonly label: string;
  readonly design: CarDesign;
}

/** Any one change, under its own words. */
export const remedyOf = (kind: RemedyKind, id: string, label: string, design: CarDesign): Remedy => ({ kind, id, label, design });

/**
 * One remedy in the steps a builder would try, the least first: all of one id. Which of them is offered is for whoever prices them to say.
 */
export const stepped = (kind: RemedyKind, id: string, steps: readonly (readonly [label: string, design: CarDesign])[]): Remedy[] =>
  steps.map(([label, design]) => remedyOf(kind, id, label, design));

/** Multiples of `step` beyond `from` toward `to`, the nearest first. */
export function stepsToward(from: number, to: number, step: number): number[] {
  const side = Math.sign(to - from);
  const first = side > 0 ? Math.floor(from / step + 1e-6) + 1 : Math.ceil(from / step - 1e-6) - 1;
  const count = Math.max(Math.floor((side * to - side * first * step) / step + 1e-6) + 1, 0);
  return Array.from({ length: count }, (_, i) => (first + side * i) * step);
}
