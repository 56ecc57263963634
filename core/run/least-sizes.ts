import type { Fault } from '../fault.ts';
import type { RunSetup } from '../files/generated/run-setup.ts';

/**
 * Below these a part is nothing anyone could build and the equations of motion lose their digits; a file that asks for it
 * has most likely the wrong unit. SI units.
 */
const LEAST_CAR = { mass: 1e-3, wheelbase: 0.01 };
const LEAST_WHEELSET = { radius: 1e-3, inertia: 1e-10 };
const LEAST_SURFACE = { staticGrip: 1e-3 };
const LEAST_BAND = { bandEfficiency: 0.05, bandWidth: 1e-4, bandThickness: 1e-4, bandLength: 5e-3, turns: 0.01 };
const LEAST_MOTOR = {
  lever: { leverLength: 5e-3, pivotToAxle: 5e-3, springEfficiency: 0.05, windingWidth: 1e-3 },
  band: { ...LEAST_BAND, anchorToAxle: 5e-3, windingWidth: 1e-3 },
  twist: { ...LEAST_BAND, hookToHook: 5e-3, armLength: 5e-3 },
};
const LEAST_SPOOL_RADIUS = 2e-4;
const LEAST_SPOOL_TURNS = 1e-3;

const below = (path: string, values: object, least: Readonly<Record<string, number>>): Fault[] =>
  Object.entries(least).flatMap(([key, bound]) =>
    (values as Record<string, number>)[key]! < bound ? [{ path: `${path}.${key}`, message: `must be at least ${bound}` }] : [],
  );

/** Every size too small to be meant. */
export function leastSizeFaults({ car, surface, motor }: RunSetup): Fault[] {
  const spool = motor.kind === 'twist' ? [] : motor.spool;
  return [
    ...below('car', car, LEAST_CAR),
    ...below('car.driveWheels', car.driveWheels, LEAST_WHEELSET),
    ...(car.otherWheels ? below('car.otherWheels', car.otherWheels, { radius: LEAST_WHEELSET.radius }) : []),
    ...below('surface', surface, LEAST_SURFACE),
    ...below('motor', motor, LEAST_MOTOR[motor.kind]),
    ...spool.flatMap((step, i) => [
      ...below(`motor.spool[${i}]`, step, { radius: LEAST_SPOOL_RADIUS }),
      ...(step.turns === undefined ? [] : below(`motor.spool[${i}]`, step, { turns: LEAST_SPOOL_TURNS })),
    ]),
  ];
}
