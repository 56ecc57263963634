import type { CarDesign, SleeveStep } from '../car/car-design.ts';
import { isRoller } from '../car/motors/motors.ts';
import { sleevesFor } from '../car/sleeves.ts';
import { SURE_GRIP } from '../checks/launch-grip.ts';
import { stoppedBy } from '../checks/check-car.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';
import type { RunResult } from '../run/simulate.ts';
import { makeWorkspace } from '../run/workspace.ts';
import { runForAim, scoreOf } from './aim.ts';

/** A sleeve for the drive axle, of one step or two, as builders make it: it is in the design. */
export interface WindingProfile {
  readonly design: CarDesign;
  readonly distance: number;
  readonly time: number;
  /** m of wheelspin that is left. */
  readonly slipDistance: number;
  /** Grip at launch over what it needs. */
  readonly launchGripRatio: number;
  /** Turns still wound at the stop. */
  readonly turnsLeft: number;
}

/** Turns over a step that are tried. */
const TURNS = [0.5, 1, 1.5, 2, 3, 4, 6, 9, 13];
/** The best of one step, over which a second is tried. */
const STARTS = 12;
/** m of wheelspin more than the bare axle's that is no reason to pass a sleeve over. */
const SPIN_SLACK = 1e-3;
/** Fraction of the gain that one step may bring less than two and be offered; fraction of the score that a sleeve must bring. */
const SIMPLER = 0.12;
const WORTH = 0.003;

interface Tried {
  readonly sleeve: readonly SleeveStep[];
  readonly design: CarDesign;
  readonly result: RunResult;
  readonly score: number;
}

/**
 * The sleeve that serves the car's aim best, of tape or of what comes in sizes of its own, in one step or two: every one is tried.
 * The launch keeps the grip that is sure (or what the bare axle has, where that is less), it spins no more than on the bare axle, and no check stops the
 * car. Null for a roller, or where the bare axle is best. `onProgress` gets the fraction done; false stops the search.
 */
export function bestWinding(design: CarDesign, onProgress: (fraction: number) => boolean = () => true): WindingProfile | null {
  if (isRoller(design)) return null;
  const bare: CarDesign = { ...design, sleeve: [] };
  const workspace = makeWorkspace();
  const plain = runForAim(bare, workspace);
  if (!plain) return null;
  const wound = fullTurns(bare);
  const stopsBare = stoppedBy(bare, plain) !== null;
  const leastGrip = Math.min(SURE_GRIP, plain.launchGripRatio);
  const steps = sleevesFor(design.axleDiameter).flatMap((sleeve) => TURNS.map((turns): SleeveStep => ({ ...sleeve, turns })));
  const attempt = (sleeve: readonly SleeveStep[]): Tried[] => {
    if (sleeve.reduce((sum, { turns }) => sum + turns, 0) >= wound) return [];
    const wrapped: CarDesign = { ...bare, sleeve: [...sleeve] };
    const result = runForAim(wrapped, workspace);
    if (!result || result.slipDistance > plain.slipDistance + SPIN_SLACK) return [];
    if (result.launchGripNeeded > 0 && result.launchGripRatio < leastGrip) return [];
    return stopsBare || stoppedBy(wrapped, result) === null ? [{ sleeve, design: wrapped, result, score: scoreOf(wrapped, result) }] : [];
  };
  const bareScore = scoreOf(bare, plain);
  const best = (tried: readonly Tried[]): Tried | undefined =>
    tried.reduce<Tried | undefined>((first, one) => (first && first.score >= one.score ? first : one), undefined);
  const single = steps.flatMap((step) => attempt([step])).sort((a, b) => b.score - a.score);
  const double: Tried[] = [];
  const starts = single.slice(0, STARTS);
  for (const [k, { sleeve }] of starts.entries()) {
    if (!onProgress((k + 1) / (starts.length + 1))) break;
    const [outer] = sleeve;
    for (const step of steps) if (step.diameter !== outer!.diameter) double.push(...attempt([step, outer!]));
  }
  const [one, two] = [best(single), best(double)];
  const gain = two ? two.score - bareScore : 0;
  const chosen = one && (!two || one.score - bareScore >= (1 - SIMPLER) * gain) ? one : two;
  if (!chosen || chosen.score - bareScore <= WORTH * Math.abs(bareScore)) return null;
  const { distance, time, slipDistance, launchGripRatio, turnsLeft } = chosen.result;
  return { design: chosen.design, distance, time, slipDistance, launchGripRatio, turnsLeft };
}
