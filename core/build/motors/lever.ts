import type { CarDesign, LeverDesign } from '../../car/car-design.ts';
import { trapOf } from '../../car/fitted.ts';
import { STRING_DENSITY, TRAP_LENGTH } from '../../car/motors/lever.ts';
import { LOOP_AND_KNOT } from '../../checks/string-length.ts';
import type { MotorView } from '../../geometry/motors/motor-geometry.ts';
import type { Point } from '../../geometry/point.ts';
import { freeString } from '../../motor/lever.ts';
import { deriveRunSetup } from '../../predict/derive-run-setup.ts';
import { blocksOf } from '../../solid/blocks.ts';
import { PAST_NOTCH } from '../../solid/motors/lever.ts';
import { PLAIN_STEP, TRAP_CAUTION } from '../build-step.ts';
import { makeLine, makePath, makePlace, makeRectangle } from '../drawing.ts';
import { unchanged } from '../inspected-size.ts';
import { templateText } from '../template-text.ts';
import { HOOK_MASS, type MotorBuild } from './motor-build.ts';
import { type Format, wholeMillimetres } from '../../units/quantity.ts';

/** mm on a template of a metre. */
const MM = 1000;
/** mm of a text on the deck. */
const TEXT = 2.5;

/** m of string to cut, and how much of it reaches from the lever at rest to the axle. Source: the lever’s geometry. */
export function stringToCut(design: CarDesign): { readonly length: number; readonly reach: number } {
  const { motor } = deriveRunSetup(design);
  if (motor.kind !== 'lever') throw new Error('There is no string without a lever.');
  const reach = wholeMillimetres(freeString(motor, motor.releaseAngle));
  return { length: reach + LOOP_AND_KNOT, reach };
}

const between = (a: Point, b: Point, fraction: number): Point => ({ x: a.x + fraction * (b.x - a.x), y: a.y + fraction * (b.y - a.y) });

/** Where the lever lies across the car, in words. */
const placeOfLever = ({ besideMiddle = 0 }: LeverDesign, format: Format): string =>
  besideMiddle === 0
    ? 'over the middle line'
    : `${format(Math.abs(besideMiddle), 'size')} to the ${besideMiddle > 0 ? 'left' : 'right'} of the middle line, and the hook on the axle in line with it`;

/** What is put under a trap that is higher than the deck; empty where it stands on it. */
function trapBlockText(design: CarDesign, format: Format): string {
  const block = blocksOf(design).find(({ under }) => under === 'trap');
  return block
    ? `First glue a block on the deck, ${format(block.long, 'size')} by ${format(block.wide, 'size')} and ${format(block.high, 'size')} high. `
    : '';
}

/** A snap trap whose lever pulls a string off the axle. */
export const LEVER_BUILD: MotorBuild<LeverDesign, Extract<MotorView, { kind: 'lever' }>> = {
  draw: ({ pivot, tipCocked, tipAtRest, trap, post }, { at, circle, axle }) => ({
    items: [
      ...(trap.length > 1 ? [makePath(trap.map(at), 'outline', true)] : []),
      makeLine(at(post[0]), at(post[1]), 'outline'),
      makeLine(at(pivot), at(tipCocked), 'outline'),
      makeLine(at(pivot), at(tipAtRest), 'hidden'),
      makeLine(at(tipCocked), at(axle), 'thin'),
      circle(pivot, 0.002),
    ],
    parts: { motor: at(trap[2]!), lever: at(between(pivot, tipCocked, 0.6)), string: at(between(tipCocked, axle, 0.5)) },
  }),
  sizes: ({ leverLength, trapPosition, pivotAboveAxle }) => [
    { tells: 'leverLength', label: 'lever, pivot to notch', metres: leverLength },
    { tells: 'trapPosition', label: 'pivot from the drive axle', metres: trapPosition },
    { tells: 'pivotAboveAxle', label: 'pivot above the drive axle', metres: pivotAboveAxle },
  ],
  spans: ({ trapPosition }) => [['trapPosition', trapPosition]],
  oblique: ({ pivot, tipCocked }) => ({ tells: 'leverLength', label: 'lever', target: between(pivot, tipCocked, 0.75) }),
  deckMarks: (design, motor, at, carMiddle) => {
    const middle = carMiddle - MM * (motor.besideMiddle ?? 0);
    const x = at(motor.trapPosition);
    const [length, width] = [MM * TRAP_LENGTH, MM * trapOf(design, motor).width];
    return [
      makePath(makeRectangle(x - length / 2, middle - width / 2, length, width), 'mark', true),
      makeLine(makePlace(x, middle - width / 2), makePlace(x, middle + width / 2), 'centre'),
      templateText(
        motor.besideMiddle
          ? 'trap: its pivot on this line, lever along its middle'
          : 'trap: its pivot on this line, lever over the middle line',
        x - length / 2 + 1,
        middle - 2,
        'start',
        TEXT,
      ),
    ];
  },
  lengths: (design, { leverLength }) => {
    const string = stringToCut(design);
    return [
      {
        id: 'lever',
        name: 'lever arm',
        count: 1,
        length: leverLength + PAST_NOTCH,
        words: (format) => `${format(leverLength)} from the trap’s pivot to the string’s notch, ${format(PAST_NOTCH)} past it`,
      },
      {
        id: 'string',
        name: 'string',
        count: 1,
        length: string.length,
        words: (format) => `${format(string.reach)} from the lever’s tip at rest to the axle, plus knot and loop`,
      },
    ];
  },
  barMarks: ({ leverLength }, id) =>
    id === 'lever'
      ? [
          [0, 'pivot'],
          [leverLength, 'notch'],
        ]
      : [],
  parts: (design, motor, cut, { size }) => [
    { on: 'motor', slot: 'trap', count: 1, size: '', mass: trapOf(design, motor).mass },
    { on: 'lever', slot: 'lever', count: 1, size: size(cut('lever')) },
    {
      on: 'string',
      slot: null,
      name: 'string that does not stretch',
      count: 1,
      size: `${size(cut('string'))}, ⌀ ${size(motor.stringDiameter)}`,
      mass: STRING_DENSITY * Math.PI * (motor.stringDiameter / 2) ** 2 * cut('string'),
    },
    { on: 'hook', slot: null, name: 'hook or peg on the drive axle', count: 1, size: '', mass: HOOK_MASS },
  ],
  notes: () => [
    'The loop of the string drops off its hook at the end. Knot the string to the lever, never to the axle.',
    'Leave trap and hook unglued until the car is tuned.',
  ],
  steps: (design, motor, format) => {
    const string = stringToCut(design);
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
        text: `${trapBlockText(design, format)}Fix it with tape, not glue. Its pivot is ${format(motor.trapPosition, 'size')} from the drive axle, the lever ${placeOfLever(motor, format)}.`,
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
  },
  axleText: ' Set the hook in the middle of the gap, a few millimetres high, and leave it unglued until the car is tuned.',
  inspected: (design) => [
    {
      id: 'string',
      label: 'string, from lever at rest to hook',
      quantity: 'size',
      drawn: stringToCut(design).reach,
      tolerance: 0.003,
      cure: 'tie the loop again',
      built: unchanged,
    },
    {
      id: 'hook',
      label: 'distance of the hook from the lever’s line',
      quantity: 'size',
      drawn: 0,
      tolerance: 0.001,
      cure: 'move the trap sideways; it is only taped',
      built: unchanged,
    },
  ],
};
