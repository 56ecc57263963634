import type { CarDesign } from '../car/car-design.ts';
import { hasBands } from '../car/motors/motors.ts';
import type { Format } from '../units/quantity.ts';
import { LATEX_CAUTION, PLAIN_STEP, BAND_CAUTION, TRAP_CAUTION, type BuildStep } from './build-step.ts';
import { stringToCut } from './lengths.ts';

/** Steps to what drives the car: lever, trap and string, or hook and bands. */
export function motorSteps(design: CarDesign, format: Format): BuildStep[] {
  const { motor } = design;
  if (motor.kind === 'lever') {
    const string = stringToCut(design)!;
    return [
      {
        ...PLAIN_STEP,
        id: 'lever',
        title: 'Lash the lever to the trap',
        text: `Lash it along the arm with thread and glue: ${format(motor.leverLength, 'size')} from the pivot to the notch for the string.`,
        tool: 'thread, glue',
        minutes: 12,
        dries: 10,
        tolerance: `${format(0.001, 'size')} on the length; straight over the arm`,
        trick: 'First take off the bait pedal and the catch. A lever that is lashed at two places does not turn.',
        adult: true,
        caution: TRAP_CAUTION,
        check: 'Push its tip sideways: it does not turn on the arm.',
        shows: { pieces: ['lever'] },
      },
      {
        ...PLAIN_STEP,
        id: 'trap',
        title: 'Place the trap',
        text: `Fix it with tape, not glue. Its pivot is ${format(motor.trapPosition, 'size')} from the drive axle, the lever over the middle line.`,
        tool: 'tape',
        minutes: 6,
        tolerance: `hook and tip of the lever in one line to ${format(0.001, 'size')}`,
        trick: 'You move it when you tune the car, so glue it last of all.',
        adult: true,
        caution: TRAP_CAUTION,
        check: 'Look along the car: the tip of the lever falls over the hook.',
        shows: { pieces: ['deck'] },
      },
      {
        ...PLAIN_STEP,
        id: 'string',
        title: 'String',
        text: `Cut ${format(string.length, 'size')} of string and knot it to the lever. Tie a loop at the other end, ${format(string.reach, 'size')} away.`,
        tool: 'scissors',
        minutes: 5,
        tolerance: `${format(0.002, 'size')}; if it is longer, the loop does not drop off`,
        trick: 'Tie the loop round a nail, so that it stays open.',
        caution: TRAP_CAUTION,
        check: 'With the lever at rest the loop just reaches the hook and falls off by itself.',
        shows: { pieces: ['string'] },
      },
    ];
  }
  if (hasBands(motor) && motor.kind === 'band')
    return [
      {
        ...PLAIN_STEP,
        id: 'hook',
        title: 'The hook for the bands',
        text: `Set it ${format(motor.anchorToAxle, 'size')} from the drive axle, on the middle line. Leave it unglued until the car is tuned.`,
        tool: 'tape',
        minutes: 5,
        tolerance: `${format(0.002, 'size')}, and in line with the middle of the drive axle`,
        trick: 'A paper clip that is bent open and taped flat can be moved.',
        check: 'Pull it as hard as the bands will: it stays in place.',
        shows: { part: 'hook' },
      },
      {
        ...PLAIN_STEP,
        id: 'bands',
        title: 'Chain the bands',
        text: `Loop ${motor.series > 1 ? `${motor.series} end to end` : 'one'}${motor.parallel > 1 ? `, ${motor.parallel} side by side` : ''}; hook one end, lay the other over the axle so that it ${motor.release === 'free' ? 'drops off' : 'stays'}.`,
        tool: 'fingers',
        minutes: 4,
        trick: 'Stretch new bands by hand ten times first: their first pull is stronger than later ones.',
        caution: `${BAND_CAUTION} ${LATEX_CAUTION}`,
        check: 'Wind one turn and let go of the wheels: they turn the right way.',
        shows: { part: 'motor' },
      },
    ];
  return [];
}
