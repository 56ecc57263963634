import type { TwistDesign } from '../car-design.ts';
import { ARM_FRICTION } from '../catalogue.ts';
import { ROLLER_SIZES, ROLLER_WHEEL } from '../common-sizes.ts';
import { washerOf } from '../fitted.ts';
import type { Numbers } from '../value-table.ts';
import { safeStretch, twistTurns } from '../winding-limits.ts';
import { sizesOfMotor } from '../size.ts';
import type { MotorRecord } from './motor-record.ts';
import { twistedStretch } from '../../motor/twist.ts';
import type { TwistSetup } from '../../run/run-setup.ts';
import {
  bandPart,
  RUBBER_KEYS_IN_DESIGN,
  RUBBER_VALUES,
  rubberSetup,
  bandMass,
  returnedFraction,
  mostTurns,
  turnsOff,
  turnsOffWords,
  describeWoundBands,
  withTurns,
} from './rubber-motors.ts';

const size = sizesOfMotor('twist');

/** Twisted strands rub on each other: they keep half as much again for each length they are stretched. */
const TWISTED = 1.5;

/** The setup of a band twisted so many turns, nothing lost in it yet. */
const losslessSetup = (motor: TwistDesign, numbers: Numbers, turns: number): TwistSetup => ({
  kind: 'twist',
  ...rubberSetup(motor, numbers),
  hookToHook: motor.hookToHook,
  turns,
  washerFriction: numbers.washerFriction!,
  washerRadius: motor.washerRadius,
  armLength: motor.armLength,
  armFriction: numbers.armFriction!,
});

/** How far the strands stretch is a matter of sizes alone. */
const ANY_NUMBERS: Numbers = { c1: 1, c2: 1, washerFriction: 0, armFriction: 0 };
/** One for each motor: a fit asks thousands of times. */
const tight = new WeakMap<TwistDesign, number>();

/** Turns at which a twisted band is tight: before it knots, and as far as its strands may be stretched. */
function tightTurns(motor: TwistDesign): number {
  const known = tight.get(motor);
  if (known !== undefined) return known;
  const turns = mostTurns((turns) => {
    const setup = losslessSetup(motor, ANY_NUMBERS, turns);
    return Math.log(Math.max(turns / twistTurns(setup), twistedStretch(setup) / safeStretch(motor.band)));
  });
  tight.set(motor, turns);
  return turns;
}

const turnsOf = (motor: TwistDesign): number => (motor.fullWinding === 'tight' ? tightTurns(motor) : motor.turns);

/** A band twisted inside a roller, held by a trailing arm. */
export const TWIST_CAR: MotorRecord<TwistDesign> = {
  name: 'a twisted band, as a roller',
  newCar: {
    rest: { mass: 0.006, fromDriveAxle: 0 },
    wheelbase: 0.08,
    trackWidth: 0.03,
    driveWheels: { kind: 'spool', diameter: 0.034 },
    otherWheels: null,
    motor: {
      kind: 'twist',
      band: { kind: 'size', size: '16' },
      parallel: 2,
      series: 1,
      turns: 30,
      hookToHook: 0.05,
      washer: 'bead',
      washerRadius: 0.002,
      armLength: 0.07,
    },
  },
  sizes: [
    {
      ...size('turns', 'Turns of a full wind', 'count', [1, 80], { searchStep: 0.5, synonyms: 'winding wind up' }),
      read: ({ motor }) => (motor.kind === 'twist' ? turnsOf(motor) : 0),
      write: (d, turns) => (d.motor.kind === 'twist' ? { ...d, motor: withTurns(d.motor, turns) } : d),
    },
    size('hookToHook', 'Length of the roller', 'size', [0.02, 0.2], { searchStep: 0.005 }),
    ROLLER_WHEEL,
    size('armLength', 'Arm reaches back by', 'size', [0.02, 0.25]),
    ...ROLLER_SIZES,
  ],
  values: { ...RUBBER_VALUES, washerFriction: (design, motor) => washerOf(design, motor).friction, armFriction: () => ARM_FRICTION },
  energyValues: ['c1', 'c2', 'bandLoss'],
  strengthValues: ['c1', 'c2'],
  parts: {
    band: bandPart(),
    washer: { read: ({ washer }) => washer, fit: (motor, key) => ({ ...motor, washer: key as TwistDesign['washer'] }) },
  },
  weight: (_design, motor) => ({ mass: bandMass(motor), at: 0 }),
  frontArea: () => 0,
  setup: (_design, motor, numbers, wind) => {
    const lossless = losslessSetup(motor, numbers, wind.kind === 'turns' ? wind.turns : turnsOf(motor));
    return { ...lossless, bandEfficiency: returnedFraction(lossless, TWISTED * numbers.bandLoss!, twistedStretch) };
  },
  keysInDesign: {
    ...RUBBER_KEYS_IN_DESIGN,
    'motor.washerFriction': 'measured.washerFriction',
    'motor.armFriction': 'measured.armFriction',
  },
  fullTurns: (_design, motor) => turnsOf(motor),
  woundOff: (_design, motor, deviations) => withTurns(motor, turnsOff(motor, turnsOf(motor), deviations)),
  woundOffWords: turnsOffWords,
  release: null,
  pullLength: () => 0,
  strandThickness: () => 0,
  placed: (design) => design,
  labels: (motor, format) => [describeWoundBands(motor), `arm ${format(motor.armLength, 'size')}`],
  holder: '',
  windingCaution: 'Wear glasses: a stretched band whips. Keep faces away from it.',
  turnsCheck: null,
  tradeOff: null,
  sizesOfTurns: [],
  energyFormula:
    'Of twisted rubber: its volume × [c₁ (λ² + 2/λ − 3) + c₂ (2λ + λ⁻² − 3)] at the stretch λ of its strands (Mooney and Rivlin).',
  turnsFormula: 'As you wind it; until tight: what a twisted band takes before it knots, and the stretch that it stands again and again.',
};
