import type { CarDesign } from '../car/car-design.ts';
import { axleOf } from '../car/fitted.ts';
import { hasBands, isRoller } from '../car/motors/motors.ts';
import { likelyNumbers } from '../car/values.ts';
import { standingWeight, wheelsetOf } from '../car/weights.ts';
import { rubberOf } from '../motor/rubber.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { energyOnTheWay } from '../predict/energy-on-the-way.ts';
import type { Quantity } from '../units/quantity.ts';
import type { MeasurementKind } from './measured.ts';

/** One thing that is read again and again: a column of the table. */
export interface ReadingColumn {
  readonly key: string;
  readonly label: string;
  readonly quantity: Quantity;
  /** One of these words instead of a number, the first where none is chosen. */
  readonly options?: readonly string[];
  /** May be left empty. */
  readonly isOptional?: true;
}

/** One thing that is told once, begun with what the design says of it. */
export interface ScalarInput {
  readonly key: string;
  readonly label: string;
  readonly quantity: Quantity;
  readonly of: (design: CarDesign) => number;
  /** Yes or no instead of a number: in words, no first. */
  readonly either?: readonly [no: string, yes: string];
}

/** How a measurement is made. */
export interface Instructions {
  readonly name: string;
  /** What it tells, in a few words. */
  readonly tells: string;
  readonly minutes: number;
  readonly needs: readonly string[];
  /** Three lines. */
  readonly how: readonly [string, string, string];
  readonly caution: string | null;
  readonly columns: readonly ReadingColumn[];
  readonly once: readonly ScalarInput[];
  /** The column that the scale or ruler is read in, and one division of it, SI. */
  readonly division: { readonly of: readonly string[]; readonly usual: number };
  /** Whether it tells anything of such a car. */
  readonly suits: (design: CarDesign) => boolean;
}

const column = (key: string, label: string, quantity: Quantity): ReadingColumn => ({ key, label, quantity });
const once = (key: string, label: string, quantity: Quantity, of: (design: CarDesign) => number): ScalarInput => ({
  key,
  label,
  quantity,
  of,
});
/** The same places, on the way back. */
const BACK: ReadingColumn = { ...column('back', 'unloading', 'force'), isOptional: true };
const massOf = (design: CarDesign): number => standingWeight(design).mass;
const shareOf = (design: CarDesign): number => standingWeight(design).driveLoadShare;
const radiusOf = (design: CarDesign): number => design.driveWheels.diameter / 2;
const onAxles = (design: CarDesign): boolean => !isRoller(design);
const rubber = (design: CarDesign) => {
  const { motor } = deriveRunSetup(design);
  return motor.kind === 'lever' ? { length: 0.1, section: 1e-6 } : rubberOf(motor);
};
const wheelset = (design: CarDesign) => wheelsetOf(design, 'drive', likelyNumbers(design).driveWheelDensity!)!;

const TRAP =
  'A snap trap breaks skin. Tie the arm before you hold the bar. Stand behind it and to one side, and keep fingers out of its path.';
const STRETCHED = 'A stretched band whips. Wear glasses, keep it away from faces, and never stretch it until it breaks.';

export const INSTRUCTIONS: Readonly<Record<MeasurementKind, Instructions>> = {
  weights: {
    name: 'Weighing on a kitchen scale',
    tells: 'the weight, the load on each axle, and the height of the centre of mass',
    minutes: 5,
    needs: ['kitchen scale', 'a block as high as the scale', 'ruler'],
    how: [
      'Put the scale under the drive axle and a block of equal height under the other axle. Read the scale. Turn the car round and read the other axle.',
      'Put the scale under the drive axle again. Raise the other axle by about a third of the wheelbase and read the scale.',
      'Lift the car off and put it back between readings. Three readings of each show how repeatable they are.',
    ],
    caution: null,
    columns: [
      column('drive', 'under the drive axle', 'weight'),
      column('other', 'under the other axle', 'weight'),
      column('raised', 'drive axle, other end raised', 'weight'),
    ],
    once: [
      once('height', 'raised by', 'size', ({ wheelbase }) => 0.3 * wheelbase),
      once('wheelbase', 'wheelbase', 'size', ({ wheelbase }) => wheelbase),
      once('radius', 'radius of the drive wheels', 'size', radiusOf),
    ],
    division: { of: ['drive', 'other', 'raised'], usual: 0.001 },
    suits: onAxles,
  },
  ramp: {
    name: 'Roll down from a book',
    tells: 'the total resistance as it rolls on its floor',
    minutes: 5,
    needs: ['a board', 'two books', 'tape measure', 'the floor it will run on'],
    how: [
      'Lay a board on a book at the line and put the unwound car on top. Measure how high its wheels are and how far the board reaches along the floor.',
      'Release it without a push, in its running direction. Measure from the foot of the board to where it stops.',
      'Do five rolls from the same height. Raise the board if it stops within a metre.',
    ],
    caution: null,
    columns: [column('distance', 'distance after the board', 'distance')],
    once: [
      once('height', 'release height', 'size', () => 0.05),
      once('run', 'length of the board along the floor', 'size', () => 0.4),
      once('mass', 'weight of the car', 'weight', massOf),
    ],
    division: { of: ['distance'], usual: 0.01 },
    suits: () => true,
  },
  'rim-pull': {
    name: 'Force at the rim, wound',
    tells: 'the strength of the motor, turn by turn',
    minutes: 10,
    needs: ['spring scale', 'thread', 'a clamp for the car'],
    how: [
      'Wind it fully and clamp the car. Tie a thread round the rim of a drive wheel and to the scale.',
      'Hold the wheel by the scale alone, with the thread tangent to the rim, and read. Unwind half a turn and read again, until it is unwound.',
      'Reach each position by winding, not by unwinding. When it unwinds, the motor has already lost some of its torque.',
    ],
    caution: `${TRAP} ${STRETCHED}`,
    columns: [column('turns', 'turns still wound', 'count'), column('force', 'force at the rim', 'force')],
    once: [
      {
        ...once('lettingBack', 'each position was reached', 'count', (design) => (onAxles(design) ? 0 : 1)),
        either: ['by winding', 'by unwinding'],
      },
    ],
    division: { of: ['force'], usual: 0.05 },
    suits: () => true,
  },
  'lever-pull': {
    name: 'Force on the lever',
    tells: 'torque at rest and spring rate',
    minutes: 8,
    needs: ['spring scale', 'protractor', 'ruler'],
    how: [
      'Unhook the string. Hook the scale to the arm about 10 cm from the pivot and measure that distance.',
      'Pull square to the arm. Read the scale at several angles from rest to cocked.',
      'Read five angles or more, then the same angles while unloading. The difference is the loss in the spring.',
    ],
    caution: TRAP,
    columns: [column('angle', 'angle from rest', 'angle'), column('force', 'force', 'force'), BACK],
    once: [once('reach', 'from pivot to hook', 'size', () => 0.05)],
    division: { of: ['force'], usual: 0.05 },
    suits: ({ motor }) => motor.kind === 'lever',
  },
  'band-pull': {
    name: 'Force of the bands',
    tells: 'the stiffness of the rubber',
    minutes: 8,
    needs: ['spring scale', 'ruler', 'two hooks'],
    how: [
      'Hang the chain between hook and scale, arranged as on the car. Measure its length lying flat.',
      'Stretch it step by step to about three times its length. Read length and force at each step.',
      'Wait for a breath before each reading. Read the same lengths again while unloading.',
    ],
    caution: STRETCHED,
    columns: [column('stretchedLength', 'stretched to', 'size'), column('force', 'force', 'force'), BACK],
    once: [
      once('flatLength', 'length lying flat', 'size', (design) => rubber(design).length),
      once('section', 'cross-section of all strands together', 'area', (design) => rubber(design).section),
    ],
    division: { of: ['force'], usual: 0.05 },
    suits: ({ motor }) => hasBands(motor),
  },
  tilt: {
    name: 'Tilt until it slides',
    tells: 'the grip of the drive wheels on this floor',
    minutes: 4,
    needs: ['a board of the floor’s kind', 'protractor'],
    how: [
      'Tape the drive wheels so that they cannot turn; the others roll free. Point the nose uphill, or downhill for front drive.',
      'Raise the board slowly until the car begins to slide. Read the angle.',
      'Do it five times, each in a fresh place with wiped wheels.',
    ],
    caution: null,
    columns: [column('angle', 'slides at', 'angle')],
    once: [
      once('driveShare', 'fraction of the weight on the drive wheels', 'share', shareOf),
      once('massHeight', 'height of the centre of mass', 'size', (design) => likelyNumbers(design).massHeight!),
      once('wheelbase', 'wheelbase', 'size', ({ wheelbase }) => wheelbase),
    ],
    division: { of: ['angle'], usual: Math.PI / 360 },
    suits: onAxles,
  },
  drag: {
    name: 'Drag it sliding',
    tells: 'the grip while the wheels slide',
    minutes: 4,
    needs: ['spring scale', 'the floor it will run on'],
    how: [
      'Tape the drive wheels so that they cannot turn.',
      'Pull the car steadily along the level floor with the scale. Read while it slides.',
      'Do it five times, slowly.',
    ],
    caution: null,
    columns: [column('force', 'steady force', 'force')],
    once: [
      once('mass', 'weight of the car', 'weight', massOf),
      once('driveShare', 'fraction of the weight on the drive wheels', 'share', shareOf),
      once('staticGrip', 'grip before it slides', 'count', (design) => likelyNumbers(design).staticGrip!),
    ],
    division: { of: ['force'], usual: 0.02 },
    suits: onAxles,
  },
  coast: {
    name: 'Push and coast',
    tells: 'rolling resistance, and air drag where it is fast',
    minutes: 6,
    needs: ['marks on the floor', 'a stopwatch, or gates'],
    how: [
      'Push the unwound car past a first mark. Start the clock there.',
      'Take the time at each mark that it passes.',
      'Use six marks or more, until it has lost most of its speed.',
    ],
    caution: null,
    columns: [column('marks', 'mark at', 'distance'), column('times', 'passed after', 'time')],
    once: [once('mass', 'weight of the car', 'weight', massOf)],
    division: { of: ['times'], usual: 0.01 },
    suits: () => true,
  },
  'free-spin': {
    name: 'Spin an axle freely',
    tells: 'the friction of the axle in its bearing',
    minutes: 4,
    needs: ['a stopwatch'],
    how: [
      'Lift the drive wheels, and take string or band off the axle. Mark a rim.',
      'Flick the wheel, count its turns, and take the time until it stops.',
      'Do four flicks, some long and some short.',
    ],
    caution: null,
    columns: [column('turns', 'turns', 'count'), column('time', 'until it stops', 'time')],
    once: [
      once('inertia', 'moment of inertia of all turning parts, kg·m²', 'count', (design) => wheelset(design).inertia),
      once('mass', 'weight of all turning parts', 'weight', (design) => wheelset(design).mass),
      once('journalRadius', 'radius of the axle', 'size', (design) => axleOf(design).diameter / 2),
    ],
    division: { of: ['time'], usual: 0.1 },
    suits: onAxles,
  },
  'roll-out': {
    name: 'Roll-out of a wheel',
    tells: 'the distance per turn',
    minutes: 3,
    needs: ['tape measure'],
    how: [
      'Mark the rim of a drive wheel and the floor under it.',
      'Roll it, loaded as it runs, by a number of whole turns. Measure the distance.',
      'Use five turns or more, three times.',
    ],
    caution: null,
    columns: [column('turns', 'turns', 'count'), column('length', 'distance', 'distance')],
    once: [],
    division: { of: ['length'], usual: 0.001 },
    suits: () => true,
  },
  wobble: {
    name: 'Wobble past a pencil',
    tells: 'how far the wheel is out of true and off centre',
    minutes: 3,
    needs: ['a pencil', 'ruler'],
    how: [
      'Hold a pencil beside the rim and turn the wheel. Measure the whole side-to-side movement.',
      'Hold the pencil over the rim and measure the whole up-and-down movement.',
      'Use the worst wheel, three times.',
    ],
    caution: null,
    columns: [column('inOut', 'side to side', 'size'), column('upDown', 'up and down', 'size')],
    once: [once('radius', 'radius of the wheel', 'size', radiusOf)],
    division: { of: ['inOut', 'upDown'], usual: 0.0005 },
    suits: () => true,
  },
  thread: {
    name: 'Thread round the axle',
    tells: 'the diameter of the axle where it winds',
    minutes: 3,
    needs: ['thread', 'ruler'],
    how: [
      'Wind thread round the axle, side by side, ten turns or more.',
      'Mark both ends, take the thread off and measure it.',
      'Do it three times. The thickness of the thread is subtracted for you.',
    ],
    caution: null,
    columns: [column('turns', 'turns', 'count'), column('length', 'length', 'size')],
    once: [once('thickness', 'thickness of the thread', 'size', () => 0.0003)],
    division: { of: ['length'], usual: 0.001 },
    suits: onAxles,
  },
  tape: {
    name: 'Thickness of the tape',
    tells: 'how much a wrap adds to the axle',
    minutes: 3,
    needs: ['calliper', 'tape'],
    how: ['Measure the axle bare.', 'Wrap a dozen turns of tape tightly and measure again.', 'Measure three places each time.'],
    caution: null,
    columns: [column('before', 'bare', 'size'), column('after', 'wrapped', 'size')],
    once: [once('wraps', 'wraps', 'count', () => 12)],
    division: { of: ['before', 'after'], usual: 0.0001 },
    suits: onAxles,
  },
  push: {
    name: 'Push it straight',
    tells: 'the curvature of its path, and how much of it is due to the floor',
    minutes: 5,
    needs: ['a line of tape on the floor', 'tape measure'],
    how: [
      'Push it gently along the line and let go. Measure how far off the line it is (positive to the right) and how far it has rolled.',
      'Turn it round and push it back along the same line.',
      'Do three pushes each way. Together they cancel a sloping floor.',
    ],
    caution: null,
    columns: [
      column('drift', 'off the line, right +', 'distance'),
      column('distance', 'after', 'distance'),
      { ...column('direction', 'direction', 'count'), options: ['out', 'back'], isOptional: true },
    ],
    once: [],
    division: { of: ['drift'], usual: 0.01 },
    suits: onAxles,
  },
  level: {
    name: 'Up and down the hall',
    tells: 'the slope of the floor',
    minutes: 8,
    needs: ['the car, wound the same each time', 'tape measure'],
    how: ['Wind it the same each time and run it in its usual direction.', 'Run it back the other way.', 'Do three runs each way.'],
    caution: null,
    columns: [column('out', 'the usual direction', 'distance'), column('back', 'the other direction', 'distance')],
    once: [
      once('energy', 'energy used over the distance', 'energy', (design) => energyOnTheWay(design) ?? 0),
      once('mass', 'weight of the car', 'weight', massOf),
    ],
    division: { of: ['out', 'back'], usual: 0.01 },
    suits: () => true,
  },
};

/** Kinds in the order they are listed where nothing tells them apart. */
export const MEASUREMENT_KINDS = Object.keys(INSTRUCTIONS) as readonly MeasurementKind[];
