import type { TwistDesign } from '../car-design.ts';
import { ARM_FRICTION } from '../catalogue.ts';
import { ROLLER_SIZES, ROLLER_WHEEL } from '../common-sizes.ts';
import { washerOf } from '../fitted.ts';
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
  TURNS_OFF_WORDS,
  turnsOff,
  describeWoundBands,
} from './rubber-motors.ts';

const size = sizesOfMotor('twist');

/** Twisted strands rub on each other: they keep half as much again for each length they are stretched. */
const TWISTED = 1.5;

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
    size('turns', 'Turns of a full wind', 'count', [1, 80], { searchStep: 0.5 }),
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
    const lossless: TwistSetup = {
      kind: 'twist',
      ...rubberSetup(motor, numbers),
      hookToHook: motor.hookToHook,
      turns: wind.kind === 'turns' ? wind.turns : motor.turns,
      washerFriction: numbers.washerFriction!,
      washerRadius: motor.washerRadius,
      armLength: motor.armLength,
      armFriction: numbers.armFriction!,
    };
    return { ...lossless, bandEfficiency: returnedFraction(lossless, TWISTED * numbers.bandLoss!, twistedStretch) };
  },
  keysInDesign: {
    ...RUBBER_KEYS_IN_DESIGN,
    'motor.washerFriction': 'measured.washerFriction',
    'motor.armFriction': 'measured.armFriction',
  },
  fullTurns: (_design, { turns }) => turns,
  woundOff: turnsOff,
  woundOffWords: TURNS_OFF_WORDS,
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
  turnsFormula: 'As you wind it.',
};
