import { crossing, integral, integrate, interpolate, NODES, POINTS, weightedSum, weightsAt } from '../numerics/chebyshev.ts';
import { driveRolling, gripLimit, otherRolling, resistanceAt } from './forces.ts';
import { passMarks, type Run } from './motion.ts';
import type { Panel } from './panel.ts';
import { reaching } from './solve-panel.ts';
import { recordRow } from './trace.ts';

/** Adds up along the solved panel what was lost to bearings, rolling, air, arm and washer, J. */
function spend({ car, panel, motion: { spent } }: Run): void {
  const { loss, path, turn, bearing, load, arm, vSquared, washer } = panel;
  for (let j = 0; j < POINTS; j++) loss[j] = (bearing[j]! / car.radius) * path[j]!;
  spent.driveBearing += integral(loss);
  for (let j = 0; j < POINTS; j++) loss[j] = (driveRolling(car, load[j]!, arm[j]!) + otherRolling(car, load[j]!)) * path[j]!;
  spent.rolling += integral(loss);
  for (let j = 0; j < POINTS; j++) loss[j] = car.airFactor * vSquared[j]! * path[j]!;
  spent.air += integral(loss);
  if (car.armLever === 0) return;
  for (let j = 0; j < POINTS; j++) loss[j] = car.armFriction * arm[j]! * path[j]!;
  spent.arm += integral(loss);
  for (let j = 0; j < POINTS; j++) loss[j] = washer[j]! * turn[j]!;
  spent.washer += integral(loss);
}

/** The greatest v² of the panel: at a point, or between two where the acceleration changes sign. */
function topOf({ vSquared, acceleration }: Panel): number {
  let top = 0;
  for (let j = 0; j < POINTS; j++) {
    top = Math.max(top, vSquared[j]!);
    if (j > 0 && acceleration[j - 1]! > 0 && acceleration[j]! <= 0)
      top = Math.max(top, interpolate(vSquared, crossing(acceleration, NODES[j - 1]!, NODES[j]!)));
  }
  return top;
}

/** Takes the solved and timed panel into the run: energies, top speed, marks, trace, and where it is now. */
export function takePanel(run: Run, stops: boolean): void {
  const { car, motion, panel } = run;
  const { vSquared, distance, time } = panel;
  spend(run);
  motion.wheelie ||= panel.contact === 'drive' && run.hasOtherWheels;
  motion.topSpeed = Math.max(motion.topSpeed, Math.sqrt(topOf(panel)));
  const [x0, t0] = [motion.distance, motion.time];
  const x1 = x0 + distance[POINTS - 1]!;
  if (run.marks.length > 0) passMarks(run, x0, x1, (mark) => t0 + interpolate(time, reaching(distance, x0, mark)));
  if (run.trace) tracePanel(run);
  motion.time = t0 + time[POINTS - 1]!;
  motion.distance = x1;
  motion.angle += integral(panel.turn);
  motion.u = panel.to;
  motion.speed = stops ? 0 : Math.sqrt(Math.max(vSquared[POINTS - 1]!, 0));
  motion.spin = motion.speed / car.radius;
}

/** Rows of the trace between two points of a panel. */
const BETWEEN = 2;

const TRACED = Array.from(NODES, (node, j) =>
  Array.from({ length: j === 0 ? 1 : BETWEEN }, (_, k) =>
    weightsAt(j === 0 ? node : NODES[j - 1]! + ((node - NODES[j - 1]!) * (k + 1)) / BETWEEN),
  ),
).flat();

function tracePanel({ car, motion, panel, trace }: Run): void {
  const turned = new Float64Array(POINTS);
  integrate(panel.turn, turned);
  for (const weights of TRACED) {
    const at = (values: Float64Array): number => weightedSum(values, weights);
    const vSquared = Math.max(at(panel.vSquared), 0);
    const speed = Math.sqrt(vSquared);
    const load = at(panel.load);
    const arm = at(panel.arm);
    recordRow(trace!, {
      time: motion.time + at(panel.time),
      distance: motion.distance + at(panel.distance),
      speed,
      wheelSpeed: speed,
      angle: motion.angle + at(turned),
      thrust: at(panel.thrust),
      gripLimit: gripLimit(car, load, arm),
      resistance: resistanceAt(car, at(panel.bearing), load, arm, vSquared),
      tension: at(panel.tension),
      phase: motion.phase === 'rewinding' ? 'rewinding' : 'rolling',
    });
  }
}
