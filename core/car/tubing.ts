import type { Band } from './car-design.ts';

export type Tubing = Extract<Band, { kind: 'tubing' }>;

/** m of tubing that the knot of a loop takes, both ends together; and each knot at the end of a straight strand. Common practice. */
const LOOP_KNOT = 0.05;
const END_KNOT = 0.03;

/** m that tubing is cut to before it is tied: a loop is twice its flat length and its knot. `cutLength(a loop of 0.2 m) // 0.45` */
export const cutLength = ({ form, length }: Tubing): number => (form === 'loop' ? 2 * length + LOOP_KNOT : length + 2 * END_KNOT);

/** The tubing as it is when it was cut to so many m; a centimetre is left at least. */
export const withCutLength = (tubing: Tubing, cut: number): Tubing => ({
  ...tubing,
  length: Math.max(tubing.form === 'loop' ? (cut - LOOP_KNOT) / 2 : cut - 2 * END_KNOT, 0.01),
});

/** m across the hole. */
export const insideOf = ({ outside, wall }: Tubing): number => outside - 2 * wall;
