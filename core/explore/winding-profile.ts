import type { CarDesign } from '../car/car-design.ts';
import { stoppedBy } from '../checks/check-car.ts';
import { TAPE, taped, type WindingStep } from '../car/tape.ts';
import { deriveRunSetup, fullTurns } from '../predict/derive-run-setup.ts';
import { modelOf } from '../motor/motors.ts';
import { isRoller } from '../car/motors/motors.ts';
import type { RunResult } from '../run/simulate.ts';
import { makeWorkspace } from '../run/workspace.ts';
import { runForAim, scoreOf } from './aim.ts';

/** Tape under the turns of a winding, turn by turn. */
export interface WindingProfile {
  /** From the turns wound last, which pull first, inward. Beyond the last step the axle is bare. */
  readonly steps: readonly WindingStep[];
  readonly design: CarDesign;
  readonly distance: number;
  readonly time: number;
  /** m of wheelspin that is left. */
  readonly slipDistance: number;
  /** Grip at launch over what it needs: just above 1 where the sleeve is held back by the grip. */
  readonly launchGripRatio: number;
  /** Turns still wound at the stop. */
  readonly turnsLeft: number;
}

const MOST_WRAPS = 48;
/** Turns of the bare axle that may be taped each in its own way, from the launch inward; the last stands for all the rest. */
const SEGMENTS = [0.5, 0.5, 1, 1, 2, 3, 5, 8, 13, 21];
/** Grip kept in hand at launch. */
const LEAST_GRIP = 1.02;
/** m of wheelspin more than the bare axle's that is no reason to pass a sleeve over. */
const SPIN_SLACK = 1e-3;
/** Share of the gain that a simpler winding may cost, and share of the score that a sleeve must bring. */
const SIMPLER = 0.12;
const WORTH = 0.003;
const MOST_RUNS = 2500;
const MOVES = [8, -8, 3, -3, 1, -1];

/** The winding in segments from the launch inward, in turns of the bare axle: they add up to all of them. */
function segmentsOf(turns: number): number[] {
  const segments: number[] = [];
  let left = turns;
  for (const segment of SEGMENTS) {
    if (left <= segment) break;
    segments.push(segment);
    left -= segment;
  }
  return [...segments, left];
}

/** Turns that a segment of the bare axle's winding becomes over `wraps` of tape. */
function turnsOn(bare: CarDesign): (segment: number, wraps: number) => number {
  const { motor } = deriveRunSetup(bare);
  const { turnsOnRadius } = modelOf(motor);
  return (segment, wraps) => turnsOnRadius(motor, segment, bare.axleDiameter / 2 + wraps * TAPE);
}

/** Neighbours with as many wraps are one step; what is bare at the inner end is none. */
function merged(steps: readonly WindingStep[]): WindingStep[] {
  const made: WindingStep[] = [];
  for (const step of steps) {
    const last = made.at(-1);
    if (last?.wraps === step.wraps) made[made.length - 1] = { wraps: step.wraps, turns: last.turns + step.turns };
    else made.push(step);
  }
  if (made.at(-1)?.wraps === 0) made.pop();
  return made;
}

interface Tried {
  readonly wraps: readonly number[];
  readonly steps: readonly WindingStep[];
  readonly design: CarDesign;
  readonly result: RunResult;
  readonly score: number;
}

/**
 * The tape under each turn that serves the car's aim best, while the launch stays just under the grip limit (or spins no
 * more than on the bare axle) and no check stops the car: wraps are changed segment by segment, and for all from the launch
 * up to one, as long as that helps; then made as simple as costs little. Null for a roller, or where the bare axle is best.
 * `onProgress` gets the share of the runs made; false stops the search.
 */
export function bestWinding(design: CarDesign, onProgress: (share: number) => boolean = () => true): WindingProfile | null {
  if (isRoller(design)) return null;
  const bare: CarDesign = { ...design, sleeve: [] };
  const workspace = makeWorkspace();
  const plain = runForAim(bare, workspace);
  if (!plain) return null;
  const segments = segmentsOf(fullTurns(bare));
  const turnsFor = turnsOn(bare);
  const stopsBare = stoppedBy(bare, plain) !== null;
  let runs = 0;
  const attempt = (wraps: readonly number[]): Tried | null => {
    runs++;
    // Turns are told to a tenth, as they are counted when winding. They build up on one another over a whole step, so that neighbours are merged before their turns are counted.
    const steps = merged(segments.map((turns, k) => ({ wraps: wraps[k]!, turns }))).map(({ wraps: tape, turns }) => ({
      wraps: tape,
      turns: Math.max(0.1, Math.round(10 * turnsFor(turns, tape)) / 10),
    }));
    const made = taped(bare, steps);
    const result = runForAim(made, workspace);
    if (!result || result.slipDistance > plain.slipDistance + SPIN_SLACK) return null;
    if (plain.launchGripRatio > LEAST_GRIP && result.launchGripNeeded > 0 && result.launchGripRatio < LEAST_GRIP) return null;
    return { wraps, steps, design: made, result, score: scoreOf(made, result) };
  };
  const isSound = ({ design: made, result }: Tried): boolean => stopsBare || stoppedBy(made, result) === null;
  const bareScore = scoreOf(bare, plain);
  let best: Tried = { wraps: segments.map(() => 0), steps: [], design: bare, result: plain, score: bareScore };
  // Each segment alone, and all from the launch up to it together.
  const groups = segments.flatMap((_, k) => [[k], segments.map((_s, i) => i).slice(0, k + 1)]);
  let goesOn = true;
  for (let improved = true; improved && goesOn;) {
    improved = false;
    for (const group of groups)
      for (const move of MOVES) {
        goesOn = goesOn && runs < MOST_RUNS && onProgress(runs / MOST_RUNS);
        if (!goesOn) break;
        const wraps = best.wraps.map((wrap, k) => (group.includes(k) ? Math.min(Math.max(wrap + move, 0), MOST_WRAPS) : wrap));
        if (wraps.every((wrap, k) => wrap === best.wraps[k])) continue;
        const tried = attempt(wraps);
        if (tried && tried.score > best.score && isSound(tried)) {
          best = tried;
          improved = true;
        }
      }
  }
  best = simplified(best, bareScore, attempt, isSound);
  if (best.score - bareScore <= WORTH * Math.abs(bareScore)) return null;
  const { steps, design: made, result } = best;
  const { distance, time, slipDistance, launchGripRatio, turnsLeft } = result;
  return { steps, design: made, distance, time, slipDistance, launchGripRatio, turnsLeft };
}

/** As few steps as cost no more than a little of the gain: each segment made like its neighbour where that will do. */
function simplified(
  best: Tried,
  bareScore: number,
  attempt: (wraps: readonly number[]) => Tried | null,
  isSound: (tried: Tried) => boolean,
): Tried {
  const least = best.score - SIMPLER * (best.score - bareScore);
  let simplest = best;
  for (let wasSimplified = true; wasSimplified;) {
    wasSimplified = false;
    for (let k = 0; k < best.wraps.length; k++)
      for (const like of [simplest.wraps[k - 1], simplest.wraps[k + 1], 0]) {
        if (like === undefined || like === simplest.wraps[k]) continue;
        const tried = attempt(simplest.wraps.map((wrap, i) => (i === k ? like : wrap)));
        if (!tried || tried.score < least || tried.steps.length >= simplest.steps.length || !isSound(tried)) continue;
        simplest = tried;
        wasSimplified = true;
      }
  }
  return simplest;
}
