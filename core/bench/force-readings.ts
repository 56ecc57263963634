import type { CarDesign } from '../car/car-design.ts';
import { likelyNumbers } from '../car/values.ts';
import { makeMotorPoint } from '../motor/motor.ts';
import { modelOf } from '../motor/motors.ts';
import { deriveRunSetup, fullTurns } from '../predict/derive-run-setup.ts';
import type { MeasurementOf } from './measured.ts';

/** A pull that was read at the rim, N as it is given to the floor, at the place of a run where so many turns are left, m from the line. */
export interface ForceReading {
  readonly distance: number;
  readonly force: number;
}

/**
 * The car's own pull curve, as it was read: each reading at (full − turns)·2πR, with what the motor keeps to itself taken off where the wheel
 * was held after winding on. `design`: the car as it was known by then. In the order of the run.
 */
export function forceReadings(
  { readings: { turns, force, lettingBack = false } }: MeasurementOf<'rim-pull'>,
  design: CarDesign,
): ForceReading[] {
  const full = fullTurns(design);
  const perTurn = Math.PI * design.driveWheels.diameter;
  const numbers = likelyNumbers(design);
  const point = makeMotorPoint();
  const given = (wound: number): number => {
    if (lettingBack || !(wound > 0)) return 1;
    const { motor } = deriveRunSetup(design, { kind: 'turns', turns: Math.min(wound, full) }, numbers);
    const path = modelOf(motor).path(motor);
    const first = path.segments[path.first]!;
    first.evaluate(first.from, point);
    return point.heldTorque > 0 ? point.torque / point.heldTorque : 1;
  };
  return turns
    .map((wound, i) => ({ distance: Math.max(0, full - wound) * perTurn, force: force[i]! * given(wound) }))
    .toSorted((a, b) => a.distance - b.distance);
}
