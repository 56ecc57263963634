/**
 * How far one reading of a kind lies from the next, made by the same hand on the same car: expected before there are readings
 * that tell. Standard deviations, as a fraction of what is read or in its own SI unit. Source: common practice, from memory.
 */
export const REPEATS = {
  /** rad, of a board that is raised by hand. */
  tilt: 0.02,
  /** Fractions: of a pull along the floor; of a roll or run; of the friction of a spin; of a rolled length; of a turn of thread. */
  drag: 0.04,
  roll: 0.05,
  spin: 0.06,
  rollOut: 0.003,
  thread: 0.008,
  /** m: past a pencil; with a calliper. kg: on a kitchen scale. */
  wobble: 0.0004,
  calliper: 0.00005,
  scale: 0.002,
  /** Drift of a push as a fraction of its distance. */
  push: 0.015,
} as const;
