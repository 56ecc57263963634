import type { CarDesign, Outcome, Wind } from '../../car/car-design.ts';
import type { CarVersion } from '../../schema/generated/car-version.ts';

/** A fault that a builder puts right on the car: it does not change its design. */
export type RepairableFault = NonNullable<CarVersion['putRight']>;

/** One run as the fit takes it. m, s. */
export interface TrialRun {
  readonly outcome: Outcome;
  /** To the stop, where it was taken. */
  readonly time?: number | undefined;
  readonly splits?: readonly { readonly at: number; readonly time: number; readonly deviation?: number | undefined }[] | undefined;
  /** Standard deviations of the release and the stop that a film tells. s. */
  readonly film?: { readonly startDeviation: number; readonly stopDeviation?: number | undefined } | undefined;
  /** Whether its wheels were seen to spin at the launch. */
  readonly spun?: boolean | undefined;
  /** It was not made: the car is only said to go further, or less far, than the distance told. */
  readonly said?: 'further' | 'less-far' | undefined;
}

/** How runs of one car and winding may still differ: along the floor or back, and with what faults that were put right since. */
export type RunConditions = Pick<TrialGroup, 'direction' | 'faults'>;

/** Runs of one car as it was, with the same winding on one floor. */
export interface TrialGroup {
  readonly design: CarDesign;
  readonly wind: Wind;
  /** Along the floor or back, where it is reported. */
  readonly direction?: 'out' | 'back' | undefined;
  /** What was still wrong with it then, and was put right since. */
  readonly faults?: readonly RepairableFault[];
  readonly runs: readonly TrialRun[];
}

/** What runs were measured with, as standard deviations: m; s of a watch; s of gates. */
export interface Instruments {
  readonly tape: number;
  readonly watch: number;
  readonly gate: number;
}

/** A tape laid on a floor, a thumb on a watch, gates. Common practice. */
export const USUAL_INSTRUMENTS: Instruments = { tape: 0.03, watch: 0.25, gate: 0.02 };
