import { currentSegment, evaluateMotor, type Run } from './motion.ts';

/** Where the wound energy went, J. The parts add up to what was stored. */
export interface EnergyBudget {
  /** Kept by spring or rubber as heat. */
  readonly hysteresis: number;
  readonly slip: number;
  readonly driveBearing: number;
  readonly otherBearing: number;
  readonly rolling: number;
  readonly air: number;
  /** Height gained; negative downhill. */
  readonly climb: number;
  readonly arm: number;
  readonly washer: number;
  /** In the lever's swing when the string dropped off or went slack. */
  readonly lever: number;
  /** Still wound at the stop. */
  readonly unspent: number;
  /** In wheels still turning, and in the car still moving, at the end. */
  readonly spin: number;
}

/** Fraction of what was wound in that a part of the budget took, from 0 to 1 but for a slope that gives; 0 where nothing was wound in. */
export const energyShare = (
  { energy, storedEnergy }: { readonly energy: EnergyBudget; readonly storedEnergy: number },
  part: keyof EnergyBudget,
): number => (storedEnergy > 0 ? energy[part] / storedEnergy : 0);

/** J still wound, before hysteresis. */
function stillWound(run: Run): number {
  const { motion } = run;
  return motion.phase === 'gone' ? motion.keptEnergy : currentSegment(run).storedAt(motion.u);
}

/** The budget of a run that has ended. */
export function energyBudget(run: Run): EnergyBudget {
  const { car, motion, motor } = run;
  const unspent = stillWound(run);
  const givenUp = motion.phase === 'rewinding' ? motor.storedEnergy : motor.storedEnergy - unspent;
  const { inertia } = evaluateMotor(run, motion.u);
  return {
    hysteresis: (1 - motor.efficiency) * givenUp,
    slip: motion.spent.slip,
    driveBearing: motion.spent.driveBearing,
    rolling: motion.spent.rolling,
    air: motion.spent.air,
    arm: motion.spent.arm,
    washer: motion.spent.washer,
    otherBearing: motion.spent.otherBearing + car.otherBearing * (motion.distance - run.floorFrom),
    climb: motion.spent.climb + car.climb * (motion.distance - run.floorFrom),
    lever: motion.leverEnergy,
    unspent,
    spin: 0.5 * (car.driveInertia + inertia) * motion.spin ** 2 + 0.5 * car.slidingMass * motion.speed ** 2,
  };
}
