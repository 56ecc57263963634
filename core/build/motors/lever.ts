import type { CarDesign, LeverDesign } from '../../car/car-design.ts';
import { AXLE_HOOKS } from '../../car/catalogue.ts';
import { trapOf } from '../../car/fitted.ts';
import { STRING_DENSITY, TRAP_LENGTH } from '../../car/motors/lever.ts';
import { LOOP_AND_KNOT } from '../../checks/string-length.ts';
import type { MotorView } from '../../geometry/motors/motor-geometry.ts';
import type { Point } from '../../geometry/point.ts';
import { freeString } from '../../motor/lever.ts';
import { deriveRunSetup } from '../../predict/derive-run-setup.ts';
import { blocksOf } from '../../solid/blocks.ts';
import { PAST_NOTCH } from '../../solid/motors/lever.ts';
import { PLAIN_STEP, TRAP_CAUTION, type BuildStep } from '../build-step.ts';
import { makeLine, makePath, makePlace, makeRectangle } from '../drawing.ts';
import { unchanged } from '../inspected-size.ts';
import { templateText } from '../template-text.ts';
import { axleHookPart, axleHookText, type MotorBuild } from './motor-build.ts';
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

/** How the lever is fixed on the arm, or made of it. */
function leverFixed(
  { leverMaterial, leverLength, heldBy, releaseAngle }: LeverDesign,
  format: Format,
): Pick<BuildStep, 'title' | 'text' | 'tool' | 'minutes' | 'dries'> {
  const long = `${format(leverLength, 'size')} from the pivot to the notch for the string`;
  const rest = ` At rest it ${restWords(releaseAngle)}.`;
  if (leverMaterial === 'trap-wire')
    return {
      title: 'Straighten the arm of the trap',
      text: `Unhook the free leg of the arm and bend it straight with two pliers: ${long}. File the notch, or bend a small eye.${rest}`,
      tool: 'two pliers, file',
      minutes: 6,
      dries: 0,
    };
  if (heldBy === 'zip-tie')
    return {
      title: 'Tie the lever to the trap',
      text: `Lay it along the arm and draw two zip ties tight round both, 15 mm apart: ${long}. A drop of glue keeps them in place.${rest}`,
      tool: 'zip ties, glue',
      minutes: 4,
      dries: 5,
    };
  if (heldBy === 'tape')
    return {
      title: 'Tape the lever to the trap',
      text: `Lay it along the arm and wind strong tape tight round both, ten turns over 30 mm: ${long}.${rest}`,
      tool: 'strong tape',
      minutes: 3,
      dries: 0,
    };
  return {
    title: 'Lash the lever to the trap',
    text: `Cut the notch, then lash it along the arm with thread and glue: ${long}.${rest}`,
    tool: 'knife, thread, glue',
    minutes: 6,
    dries: 10,
  };
}

/** Where the lever lies when the trap is at rest, in words. */
function restWords(angle: number): string {
  const degrees = Math.round((180 / Math.PI) * angle);
  if (Math.abs(degrees) <= 3) return 'lies level, away from the drive axle';
  return `stands ${Math.abs(degrees)}° ${degrees > 0 ? 'above' : 'below'} level, away from the drive axle`;
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
    axleHookPart(motor),
  ],
  notes: (motor) => [
    motor.release === 'free'
      ? `${AXLE_HOOKS[motor.axleHook ?? 'wire'].dropOff} Knot the string to the lever, never to the axle.`
      : 'The string is tied to the axle as well as to the lever: it winds up again after the pull.',
    'Leave trap and hook unglued until the car is tuned.',
  ],
  steps: (design, motor, format) => {
    const string = stringToCut(design);
    return [
      {
        ...PLAIN_STEP,
        id: 'lever',
        ...leverFixed(motor, format),
        tolerance: `${format(0.001, 'size')} on the length; straight over the arm`,
        trick: 'First take off the bait pedal and the catch. A lever that is held at two places does not turn.',
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
        minutes: 4,
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
        minutes: 3,
        tolerance: `${format(0.002, 'size')}; if it is longer, the loop does not drop off`,
        trick: 'Tie the loop round a nail, so that it stays open.',
        caution: TRAP_CAUTION,
        check: 'With the lever at rest the loop just reaches the hook and falls off by itself.',
        shows: { pieces: ['string'] },
      },
    ];
  },
  axleText: (motor) => ` In the middle of the gap: ${axleHookText(motor)}`,
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
