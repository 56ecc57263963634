import type { CarDesign } from '../car/car-design.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { geometryOf } from './motors/motors.ts';
import type { RunResult } from '../run/simulate.ts';
import { traceAt, type Phase } from '../run/trace.ts';

/** A car at one moment of its run. SI units; angles from the release. */
export interface Pose {
  readonly time: number;
  readonly distance: number;
  readonly speed: number;
  /** rad the drive wheels and the other wheels have turned. */
  readonly driveAngle: number;
  readonly otherAngle: number;
  /** rad; null without a lever. */
  readonly leverAngle: number | null;
  /** Turns still wound on the axle. */
  readonly turnsLeft: number;
  readonly phase: Phase;
}

/** The pose at a time, s, of a run that moved, with its trace: between samples by straight lines. */
export function poseAt(design: CarDesign, result: RunResult, time: number): Pose {
  const trace = result.trace!;
  const { row, read } = traceAt(trace, time);
  const driveAngle = read('angle');
  const distance = read('distance');
  const phase = trace.phase[row]!;
  const turned = driveAngle / (2 * Math.PI);
  // A tied end winds up again; one that dropped off leaves nothing.
  const turnsLeft = phase === 'rewinding' || turned < result.turns ? Math.abs(result.turns - turned) : 0;
  const { motor } = deriveRunSetup(design);
  return {
    time: Math.min(time, result.time),
    distance,
    speed: read('speed'),
    driveAngle,
    otherAngle: design.otherWheels ? distance / (design.otherWheels.diameter / 2) : 0,
    leverAngle: geometryOf(design.motor).leverAngle(motor, Math.min(turnsLeft, result.turns)),
    turnsLeft,
    phase,
  };
}
