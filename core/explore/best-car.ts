import { judge } from '../design/checks/judge.ts';
import { measuresOf } from '../design/checks/limits.ts';
import type { CarDesign } from '../design/car-design.ts';
import { predictRun } from '../design/predict-run.ts';
import { trapUnderTip } from '../design/remedies.ts';
import { sizesOf, type Size } from '../design/sizes.ts';
import { runForAim, scoreOf } from './aim.ts';
import { lowDiscrepancy, mulberry } from './low-discrepancy.ts';

/** One car of a search. */
export interface Candidate {
  readonly design: CarDesign;
  readonly score: number;
  readonly distance: number;
  readonly time: number;
}

export interface Search {
  /** Cars than which none is both quicker and goes further, by distance. */
  readonly front: readonly Candidate[];
  /** Up to three good cars that differ, the best first. */
  readonly best: readonly Candidate[];
  readonly tried: number;
}

/** Sizes a builder would change for a better car; the floor and the weight they have stay. */
const SEARCHED = ['leverLength', 'turns', 'anchorToAxle', 'hookToHook', 'driveWheels', 'axleDiameter', 'ballast'];
/** How far from the present car the search goes. */
const FACTOR = 1.8;
/** Cars nearer to each other than this, over the searched ranges, count as one. */
const DISTINCT = 0.25;

const rangeOf = ({ id, low, high, read }: Size, design: CarDesign): readonly [number, number] => {
  const present = read(design);
  return id === 'ballast' ? [0, 0.06] : [Math.max(low, present / FACTOR), Math.min(high, present * FACTOR)];
};

/** Where the lever's length is searched its trap follows, so that the tip stays over the axle. */
const placed = (design: CarDesign): CarDesign => {
  const { motor } = design;
  if (motor.kind !== 'lever') return design;
  return { ...design, motor: { ...motor, trapPosition: trapUnderTip(motor, 0.03) } };
};

/**
 * Searches sizes around a design for its aim: an even sample of `tries` cars, then small steps from the best. Cars that a
 * check stops are passed over. The same seed gives the same answer. `onProgress` gets the share done; false stops it.
 */
export function findBestCar(
  design: CarDesign,
  {
    seed = 1,
    tries = 1200,
    onProgress = () => true,
  }: { readonly seed?: number; readonly tries?: number; readonly onProgress?: (share: number) => boolean } = {},
): Search {
  const sizes = sizesOf(design.motor.kind).filter(({ id }) => SEARCHED.includes(id));
  const ranges = sizes.map((size) => rangeOf(size, design));
  const build = (point: ArrayLike<number>): CarDesign =>
    placed(sizes.reduce((made, size, k) => size.write(made, ranges[k]![0] + point[k]! * (ranges[k]![1] - ranges[k]![0])), design));
  const found: (Candidate & { readonly point: ArrayLike<number> })[] = [];
  const tryAt = (point: ArrayLike<number>): void => {
    const made = build(point);
    if (breaksLimits(made)) return;
    const result = runForAim(made);
    if (result && !result.stalled)
      found.push({ design: made, score: scoreOf(made, result), distance: result.distance, time: result.time, point });
  };
  const pointAt = lowDiscrepancy(sizes.length, seed);
  const random = mulberry(seed);
  const explore = Math.floor(0.6 * tries);
  for (let n = 0; n < tries; n++) {
    if (n % 50 === 0 && !onProgress(n / tries)) break;
    if (n < explore || found.length === 0) tryAt(pointAt(n));
    else {
      if (n % 40 === 0 || n === explore) found.sort((a, b) => b.score - a.score);
      const from = found[Math.floor(random() * Math.min(8, found.length))]!.point;
      const reach = 0.3 * (1 - (n - explore) / (tries - explore)) + 0.02;
      tryAt(Array.from(from, (value) => Math.min(1, Math.max(0, value + reach * (2 * random() - 1)))));
    }
  }
  found.sort((a, b) => b.score - a.score);
  const apart = (a: ArrayLike<number>, b: ArrayLike<number>): number =>
    Math.sqrt(Array.from(a, (value, k) => (value - b[k]!) ** 2).reduce((s, v) => s + v, 0));
  const best: typeof found = [];
  for (const candidate of found) {
    if (best.length === 3) break;
    if (best.some(({ point }) => apart(point, candidate.point) < DISTINCT) || isStopped(candidate.design)) continue;
    best.push(candidate);
  }
  return { front: frontOf(found), best: best.map(plain), tried: found.length };
}

function breaksLimits(design: CarDesign): boolean {
  const measures = measuresOf(design);
  return (Object.keys(measures) as (keyof typeof measures)[]).some((key) => {
    const limit = design.limits[key];
    return limit !== null && measures[key] > limit;
  });
}

const plain = ({ design, score, distance, time }: Candidate): Candidate => ({ design, score, distance, time });

function isStopped(design: CarDesign): boolean {
  const prediction = predictRun(design, { kind: 'full' }, { trace: true });
  return prediction.kind === 'refused' || judge(design, prediction.result, 'metric').some(({ verdict }) => verdict === 'stop');
}

/** From the furthest car down, each quicker than all that go further. */
function frontOf(found: readonly Candidate[]): Candidate[] {
  let quickest = Infinity;
  return [...found]
    .sort((a, b) => b.distance - a.distance)
    .filter(({ time }) => {
      if (time >= quickest) return false;
      quickest = time;
      return true;
    })
    .map(plain);
}
