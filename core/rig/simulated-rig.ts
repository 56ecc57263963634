import type { CarDesign, Wind } from '../car/car-design.ts';
import { lowDiscrepancy, randomGenerator, standardNormal } from '../numerics/low-discrepancy.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { sampledCars } from '../predict/sampled-cars.ts';
import type { RunSetup } from '../schema/generated/run-setup.ts';
import { simulate } from '../run/simulate.ts';

/** Something that is wrong with the hidden car, for whoever wants to find it. */
export type RigFault = 'rubs' | 'weak-motor' | 'slippery';

export interface RigRun {
  readonly design: CarDesign;
  readonly wind: Wind;
  /** m, where gates stand; gate 0 is the line. */
  readonly gates: readonly number[];
  /** Which hidden car, and which of its runs: the same give the same lines. */
  readonly seed: number;
  readonly run: number;
  readonly faults?: readonly RigFault[];
}

/** Scatter of one car's runs: resistances and efficiency, as a fraction. Common practice. */
const SCATTER = 0.05;
/** s, a gate's noise; s between readings of the turns; digits of a time. */
const GATE_NOISE = 0.002;
const EVERY = 0.1;
const DIGITS = 4;

/** What a fault makes of the numbers of a car. Sizes: our estimates. */
const FAULTS: Readonly<Record<RigFault, Readonly<Record<string, number>>>> = {
  rubs: { bearingFriction: 2.2, rollingLengthDrive: 1.4 },
  'weak-motor': { springEfficiency: 0.8, c1: 0.8, c2: 0.8 },
  slippery: { staticGrip: 0.5 },
};
const RESISTANCES = ['bearingFriction', 'rollingLengthDrive', 'rollingLengthOther'];

/** One run of a hidden car built to the design. */
export function hiddenRun({ design, wind, seed, run, faults = [] }: Omit<RigRun, 'gates'>): RunSetup {
  const hidden = sampledCars(design, seed)(1 + (seed % 97));
  const luck = lowDiscrepancy(2, seed)(run);
  const numbers: Record<string, number> = { ...hidden.numbers };
  for (const [key, factor] of faults.flatMap((fault) => Object.entries(FAULTS[fault])))
    if (numbers[key] !== undefined) numbers[key] *= factor;
  for (const key of RESISTANCES) if (numbers[key] !== undefined) numbers[key] *= Math.exp(SCATTER * standardNormal(luck[0]!));
  return deriveRunSetup(hidden.design, wind, numbers);
}

/**
 * Lines that a rig beside the floor would print of one run of a hidden car built to the design: gates as they are crossed and turns of the
 * drive axle. Null where that car does not run.
 */
export function rigLines({ design, wind, gates, seed, run, faults = [] }: RigRun): string | null {
  const random = randomGenerator(seed * 1009 + run);
  const outcome = simulate({ ...hiddenRun({ design, wind, seed, run, faults }), marks: [...gates] }, { trace: true });
  if (outcome.kind === 'refused' || outcome.result.stalled) return null;
  const { marks, trace, time } = outcome.result;
  const noise = (): number => GATE_NOISE * standardNormal(Math.min(Math.max(random(), 1e-6), 1 - 1e-6));
  const begun = 1 + Math.round(10 * random()) / 10;
  const events: { readonly t: number; readonly words: string }[] = [{ t: begun, words: 'gate=0' }];
  for (const mark of marks) {
    const gate = gates.indexOf(mark.distance) + 1;
    if (gate > 0) events.push({ t: begun + mark.time + noise(), words: `gate=${gate}` });
  }
  const { time: times, angle } = trace!;
  for (let t = EVERY; t < time + 2 * EVERY; t += EVERY) {
    const next = times.findIndex((at) => at >= t);
    const i = next < 0 ? times.length - 1 : next;
    const fraction = i > 0 && next >= 0 ? (t - times[i - 1]!) / (times[i]! - times[i - 1]! || 1) : 1;
    const turned = i > 0 ? angle[i - 1]! + fraction * (angle[i]! - angle[i - 1]!) : angle[0]!;
    events.push({ t: begun + t, words: `turns=${(turned / (2 * Math.PI)).toFixed(3)}` });
  }
  const lines = events.toSorted((a, b) => a.t - b.t).map(({ t, words }) => `t=${t.toFixed(DIGITS)} ${words}`);
  return [`# simulated rig, car ${seed}, run ${run}`, ...lines, ''].join('\n');
}

/** s between half turns that somebody winds. */
const HALF_TURN = 0.4;

/** Lines that a turn sensor would print while a car is wound by so many turns, backwards: in half turns. */
export const windingLines = (turns: number): string =>
  Array.from(
    { length: Math.round(2 * turns) + 1 },
    (_, half) => `t=${(half * HALF_TURN).toFixed(1)} turns=${(-half / 2).toFixed(1)}\n`,
  ).join('');
