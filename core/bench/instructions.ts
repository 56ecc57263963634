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
export interface ToldOnce {
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
  readonly once: readonly ToldOnce[];
  /** The column that the scale or ruler is read in, and one division of it, SI. */
  readonly division: { readonly of: readonly string[]; readonly usual: number };
  /** Whether it tells anything of such a car. */
  readonly suits: (design: CarDesign) => boolean;
}

const column = (key: string, label: string, quantity: Quantity): ReadingColumn => ({ key, label, quantity });
const once = (key: string, label: string, quantity: Quantity, of: (design: CarDesign) => number): ToldOnce => ({
  key,
  label,
  quantity,
  of,
});
/** The same places, on the way back. */
const BACK: ReadingColumn = { ...column('back', 'letting back', 'force'), isOptional: true };
const massOf = (design: CarDesign): number => standingWeight(design).mass;
const shareOf = (design: CarDesign): number => standingWeight(design).driveLoadShare;
const radiusOf = (design: CarDesign): number => design.driveWheels.diameter / 2;
const onAxles = (design: CarDesign): boolean => !isRoller(design);
const rubber = (design: CarDesign) => {
  const { motor } = deriveRunSetup(design);
  return motor.kind === 'lever' ? { length: 0.1, section: 1e-6 } : rubberOf(motor);
};
const wheelset = (design: CarDesign) => wheelsetOf(design, 'drive', likelyNumbers(design).driveWheelDensity!)!;

const TRAP = 'A snap trap breaks skin: hold the bar with the arm tied, stand behind and beside, and keep fingers out of its way.';
const STRETCHED = 'A stretched band whips: glasses, never over a face, and never on to breaking.';

export const INSTRUCTIONS: Readonly<Record<MeasurementKind, Instructions>> = {
  weights: {
    name: 'Weights on a kitchen scale',
    tells: 'what it weighs, how it sits on its axles, how high its mass is',
    minutes: 5,
    needs: ['kitchen scale', 'a block as high as the scale', 'ruler'],
    how: [
      'Put the scale under the drive axle, the other axle on a block of equal height; read. Turn the car about and read the other axle.',
      'Put the scale under the drive axle again and raise the other axle by about a third of the wheelbase; read.',
      'Lift it off and on between readings: three of each tell how steady they are.',
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
    name: 'Roll from a book',
    tells: 'all that holds it back as it rolls down its floor',
    minutes: 5,
    needs: ['a board', 'two books', 'tape measure', 'the floor it will run on'],
    how: [
      'Lay a board on a book at the line, unwound car on top: measure how high its wheels stand and how far the board reaches along the floor.',
      'Let go without a push, the way it will run; measure from the foot of the board to where it stops.',
      'Five rolls from the same height; more height where it stops within a metre.',
    ],
    caution: null,
    columns: [column('distance', 'rolled after the board', 'distance')],
    once: [
      once('height', 'height of release', 'size', () => 0.05),
      once('run', 'length of the board along the floor', 'size', () => 0.4),
      once('mass', 'weight of the car', 'weight', massOf),
    ],
    division: { of: ['distance'], usual: 0.01 },
    suits: () => true,
  },
  'rim-pull': {
    name: 'Pull at the rim, wound',
    tells: 'how strong its motor is, turn by turn',
    minutes: 10,
    needs: ['spring scale', 'thread', 'a clamp for the car'],
    how: [
      'Wind it fully, hold the car fast, and tie a thread round the rim of a drive wheel to the scale.',
      'Hold the wheel by the scale alone, square to the rim; read. Wind off half a turn and read again, down to none.',
      'Wind on to each place rather than letting back: let back, the motor has lost a part already.',
    ],
    caution: `${TRAP} ${STRETCHED}`,
    columns: [column('turns', 'turns still wound', 'count'), column('force', 'pull at the rim', 'force')],
    once: [
      {
        ...once('lettingBack', 'each place was reached', 'count', (design) => (onAxles(design) ? 0 : 1)),
        either: ['by winding on', 'by letting back'],
      },
    ],
    division: { of: ['force'], usual: 0.05 },
    suits: () => true,
  },
  'lever-pull': {
    name: 'Pull of the lever',
    tells: 'torque at rest and rate of the spring',
    minutes: 8,
    needs: ['spring scale', 'protractor', 'ruler'],
    how: [
      'Unhook the string. Hook the scale to the arm a hand’s breadth from the pivot and measure that reach.',
      'Pull square to the arm, and read at several angles from rest to cocked.',
      'Five angles or more, and the same letting back: what is lost on the way shows there.',
    ],
    caution: TRAP,
    columns: [column('angle', 'angle from rest', 'angle'), column('force', 'pull', 'force'), BACK],
    once: [once('reach', 'from pivot to hook', 'size', () => 0.05)],
    division: { of: ['force'], usual: 0.05 },
    suits: ({ motor }) => motor.kind === 'lever',
  },
  'band-pull': {
    name: 'Pull of the bands',
    tells: 'how strong the rubber is',
    minutes: 8,
    needs: ['spring scale', 'ruler', 'two hooks'],
    how: [
      'Hang the chain as it is on the car between hook and scale; measure its length lying flat.',
      'Stretch it step by step to about three times its length, and read length and pull at each.',
      'Wait a breath before each reading, and read the same places letting back.',
    ],
    caution: STRETCHED,
    columns: [column('stretchedLength', 'stretched to', 'size'), column('force', 'pull', 'force'), BACK],
    once: [
      once('flatLength', 'length lying flat', 'size', (design) => rubber(design).length),
      once('section', 'section of all strands', 'area', (design) => rubber(design).section),
    ],
    division: { of: ['force'], usual: 0.05 },
    suits: ({ motor }) => hasBands(motor),
  },
  tilt: {
    name: 'Tilt until it slides',
    tells: 'grip of the drive wheels on this floor',
    minutes: 4,
    needs: ['a board of the floor’s kind', 'protractor'],
    how: [
      'Hold the drive wheels fast with a strip of tape; the others roll free. Nose uphill, with front drive downhill.',
      'Raise the board slowly until it begins to slide; read the angle.',
      'Five times, each on a fresh place, wheels wiped.',
    ],
    caution: null,
    columns: [column('angle', 'slides at', 'angle')],
    once: [
      once('driveShare', 'share of the weight on the drive wheels', 'share', shareOf),
      once('massHeight', 'height of the mass', 'size', (design) => likelyNumbers(design).massHeight!),
      once('wheelbase', 'wheelbase', 'size', ({ wheelbase }) => wheelbase),
    ],
    division: { of: ['angle'], usual: Math.PI / 360 },
    suits: onAxles,
  },
  drag: {
    name: 'Drag it sliding',
    tells: 'grip while the wheels slide',
    minutes: 4,
    needs: ['spring scale', 'the floor it will run on'],
    how: [
      'Hold the drive wheels fast with a strip of tape.',
      'Pull the car steadily along the level floor by the scale; read while it slides.',
      'Five times, slowly.',
    ],
    caution: null,
    columns: [column('force', 'steady pull', 'force')],
    once: [
      once('mass', 'weight of the car', 'weight', massOf),
      once('driveShare', 'share of the weight on the drive wheels', 'share', shareOf),
      once('staticGrip', 'grip before it slides', 'count', (design) => likelyNumbers(design).staticGrip!),
    ],
    division: { of: ['force'], usual: 0.02 },
    suits: onAxles,
  },
  coast: {
    name: 'Push and coast',
    tells: 'rolling, and air where it is fast',
    minutes: 6,
    needs: ['marks on the floor', 'a watch, or gates'],
    how: [
      'Unwound, push it past a first mark, where the clock begins.',
      'Take the time at each mark that it passes.',
      'Six marks or more, until it has lost most of its speed.',
    ],
    caution: null,
    columns: [column('marks', 'mark at', 'distance'), column('times', 'passed after', 'time')],
    once: [once('mass', 'weight of the car', 'weight', massOf)],
    division: { of: ['times'], usual: 0.01 },
    suits: () => true,
  },
  'free-spin': {
    name: 'Spin an axle free',
    tells: 'friction of the axle in its bearing',
    minutes: 4,
    needs: ['a watch'],
    how: [
      'Lift the drive wheels, string and band off the axle; mark a rim.',
      'Flick it, count its turns and take the time until it stops.',
      'Four flicks, some long, some short.',
    ],
    caution: null,
    columns: [column('turns', 'turns', 'count'), column('time', 'until it stops', 'time')],
    once: [
      once('inertia', 'inertia of all that turns, kg·m²', 'count', (design) => wheelset(design).inertia),
      once('mass', 'weight of all that turns', 'weight', (design) => wheelset(design).mass),
      once('journalRadius', 'radius of the axle', 'size', (design) => axleOf(design).diameter / 2),
    ],
    division: { of: ['time'], usual: 0.1 },
    suits: onAxles,
  },
  'roll-out': {
    name: 'Roll-out of a wheel',
    tells: 'how far a turn carries it',
    minutes: 3,
    needs: ['tape measure'],
    how: [
      'Mark the rim of a drive wheel and the floor under it.',
      'Roll it, loaded as it runs, by so many whole turns; measure the way.',
      'Five turns or more, three times.',
    ],
    caution: null,
    columns: [column('turns', 'turns', 'count'), column('length', 'way', 'distance')],
    once: [],
    division: { of: ['length'], usual: 0.001 },
    suits: () => true,
  },
  wobble: {
    name: 'Wobble past a pencil',
    tells: 'out of true, off its centre',
    minutes: 3,
    needs: ['a pencil', 'ruler'],
    how: [
      'Hold a pencil beside the rim, turn the wheel, and measure its whole reach to and fro.',
      'Hold it over the rim and measure the whole reach up and down.',
      'The worst wheel, three times.',
    ],
    caution: null,
    columns: [column('inOut', 'to and fro', 'size'), column('upDown', 'up and down', 'size')],
    once: [once('radius', 'radius of the wheel', 'size', radiusOf)],
    division: { of: ['inOut', 'upDown'], usual: 0.0005 },
    suits: () => true,
  },
  thread: {
    name: 'Thread round the axle',
    tells: 'diameter of the axle where it winds',
    minutes: 3,
    needs: ['thread', 'ruler'],
    how: [
      'Wind thread side by side round the axle, ten turns or more.',
      'Mark both ends, take it off and measure it.',
      'Three times; the thickness of the thread is taken off.',
    ],
    caution: null,
    columns: [column('turns', 'turns', 'count'), column('length', 'length', 'size')],
    once: [once('thickness', 'thickness of the thread', 'size', () => 0.0003)],
    division: { of: ['length'], usual: 0.001 },
    suits: onAxles,
  },
  tape: {
    name: 'Thickness of the tape',
    tells: 'what a wrap adds to the axle',
    minutes: 3,
    needs: ['calliper', 'tape'],
    how: ['Measure the axle bare.', 'Wrap a dozen turns of tape tightly and measure again.', 'Three places of each.'],
    caution: null,
    columns: [column('before', 'bare', 'size'), column('after', 'wrapped', 'size')],
    once: [once('wraps', 'wraps', 'count', () => 12)],
    division: { of: ['before', 'after'], usual: 0.0001 },
    suits: onAxles,
  },
  push: {
    name: 'Push it straight',
    tells: 'how it curves, and what the floor makes of that',
    minutes: 5,
    needs: ['a line of tape on the floor', 'tape measure'],
    how: [
      'Push it gently along the line and let go; measure how far off the line it is (right is above nothing, left below) and how far it came.',
      'Turn it round and push it back along the same line.',
      'Three each way: both ways cancel a floor that leans.',
    ],
    caution: null,
    columns: [
      column('drift', 'off the line, right +', 'distance'),
      column('distance', 'after', 'distance'),
      { ...column('direction', 'way', 'count'), options: ['out', 'back'], isOptional: true },
    ],
    once: [],
    division: { of: ['drift'], usual: 0.01 },
    suits: onAxles,
  },
  level: {
    name: 'Up and down the hall',
    tells: 'how the floor leans',
    minutes: 8,
    needs: ['the car, wound alike', 'tape measure'],
    how: ['Wind it alike each time and run it the way it will run.', 'Run it back the other way.', 'Three runs each way.'],
    caution: null,
    columns: [column('out', 'the way it will run', 'distance'), column('back', 'the other way', 'distance')],
    once: [
      once('energy', 'energy that it spends on its way', 'energy', (design) => energyOnTheWay(design) ?? 0),
      once('mass', 'weight of the car', 'weight', massOf),
    ],
    division: { of: ['out', 'back'], usual: 0.01 },
    suits: () => true,
  },
};

/** Kinds in the order they are listed where nothing tells them apart. */
export const KINDS = Object.keys(INSTRUCTIONS) as readonly MeasurementKind[];
