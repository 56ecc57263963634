import type { CarDesign } from '../car/car-design.ts';
import { isRoller } from '../car/motors/motors.ts';
import type { Format } from '../units/quantity.ts';
import { axleSteps } from './axle-steps.ts';
import { firstRun, PLAIN_STEP, templateStep, type BuildStep } from './build-step.ts';
import { bearingStep, blockStep, bodySteps, hubStep, wheelSteps } from './frame-steps.ts';
import { buildOf } from './motors/motors.ts';

/** The making of a car, step by step in the order that works for it. `print` prints sizes as the builder has them. */
export function buildSteps(design: CarDesign, format: Format): readonly BuildStep[] {
  const { motor } = design;
  const motorSteps = buildOf(motor).steps(design, motor, format);
  if (isRoller(design)) return [...motorSteps, firstRun(design, format)];
  const [axles, other, drive, ...wrapped] = axleSteps(design, format) as [BuildStep, BuildStep, BuildStep, ...BuildStep[]];
  const ballast: BuildStep[] =
    design.ballast.mass > 0
      ? [
          {
            ...PLAIN_STEP,
            id: 'ballast',
            title: 'Ballast',
            text: `${format(design.ballast.mass, 'weight')} on the deck, ${format(design.ballast.fromDriveAxle, 'size')} from the drive axle. Use tape, because you move it when you tune the car.`,
            tool: 'kitchen scale, tape',
            minutes: 4,
            tolerance: format(0.002, 'weight'),
            check: 'Weigh both axles: the fraction on the drive wheels is as drawn.',
            shows: { part: 'ballast' },
          },
        ]
      : [];
  const basket: BuildStep[] =
    design.load.in === 'basket'
      ? [
          {
            ...PLAIN_STEP,
            id: 'basket',
            title: 'A basket for the load',
            text: `Glue the bottom of a cup, or a tray of folded card, on the deck ${format(design.load.fromDriveAxle, 'size')} from the drive axle. The load must not slide when the car starts.`,
            tool: 'scissors, glue',
            minutes: 5,
            dries: 10,
            check: 'Put the load in and jerk the car: nothing falls out.',
            shows: { part: 'body' },
          },
        ]
      : [];
  // A sleeve is put on the axle in the gap between its bearings before the wheels are on, a tyre after.
  const sleeve = wrapped.filter(({ id }) => id === 'sleeve' || id === 'spool');
  const tyres = wrapped.filter(({ id }) => id === 'tyres');
  const wheels = wheelSteps(design);
  return [
    templateStep,
    ...bodySteps(design, format),
    // What dries longest is begun first, and the rest is done meanwhile.
    ...wheels.filter(({ dries }) => dries >= 30),
    // Bearings are glued with their axle in them.
    axles,
    ...blockStep(design, format),
    bearingStep(design, format),
    ...wheels.filter(({ dries }) => dries < 30),
    ...hubStep(design, format),
    ...sleeve,
    other,
    drive,
    ...tyres,
    ...motorSteps,
    ...ballast,
    ...basket,
    firstRun(design, format),
  ];
}

/** min still to work and to wait, of steps that are not done: glue sets beside the work, but for the last. */
export function minutesLeft(steps: readonly BuildStep[], done: ReadonlySet<string>): { readonly work: number; readonly wait: number } {
  const left = steps.filter(({ id }) => !done.has(id));
  return { work: left.reduce((sum, { minutes }) => sum + minutes, 0), wait: Math.max(0, ...left.map(({ dries }) => dries)) };
}
