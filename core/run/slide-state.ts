import { makeStep, type Step } from '../numerics/dormand-prince.ts';

/** Parts of the state: the first four steer the step, the rest add up along the run. */
export const X = 0;
export const V = 1;
export const SPIN = 2;
export const U = 3;
export const STEERING = 4;
export const ANGLE = 4;
export const SLIP = 5;
export const BEARING = 6;
export const ROLLING = 7;
export const AIR = 8;
export const SLID = 9;
export const ARM = 10;
export const WASHER = 11;
export const SIZE = 12;
/** Dense output is asked of what steers, and of the angle turned. */
export const DENSE = ANGLE + 1;

/** Room for one slide after another. */
export interface SlideWork {
  readonly step: Step;
  /** Size of an error in what steers that is let pass. */
  readonly scales: Float64Array;
  /** What steers, at the place of a step that is looked at. */
  readonly look: Float64Array;
}

/** Room for the slides of a run. */
export const makeSlideWork = (): SlideWork => ({
  step: makeStep(SIZE),
  scales: new Float64Array(STEERING),
  look: new Float64Array(STEERING),
});
