import { cockedAngleAfter, freeString, leverTurns } from '../../motor/lever.ts';
import { stringLayer, windingAngle, windingLength } from '../../motor/winding.ts';
import type { LeverSetup } from '../../run/run-setup.ts';
import type { CarDesign, LeverDesign, Wind } from '../car-design.ts';
import { bodyReach } from '../body-reach.ts';
import { CAR_SIZES } from '../common-sizes.ts';
import { leverOf, trapOf } from '../fitted.ts';
import { sizesOfMotor } from '../size.ts';
import { spoolOf } from '../tape.ts';
import type { Numbers } from '../value-table.ts';
import { OPTICAL_DISC, type MotorRecord } from './motor-record.ts';

const size = sizesOfMotor('lever');

function setup(design: CarDesign, motor: LeverDesign, numbers: Numbers, wind: Wind): LeverSetup {
  const bare: LeverSetup = {
    kind: 'lever',
    leverLength: motor.leverLength,
    leverMass: leverOf(design, motor).massPerLength * motor.leverLength,
    armInertia: trapOf(design, motor).armInertia,
    pivotToAxle: motor.trapPosition,
    pivotAboveAxle: motor.pivotAboveAxle,
    springPreload: numbers.springPreload!,
    springRate: numbers.springRate!,
    springEfficiency: Math.min(numbers.springEfficiency!, 1),
    cockedAngle: motor.cockedAngle,
    releaseAngle: motor.releaseAngle,
    spool: [{ radius: design.axleDiameter / 2 }],
    stringDiameter: motor.stringDiameter,
    windingWidth: motor.windingWidth,
    release: motor.release,
  };
  if (design.sleeve.length > 0) {
    const layerOf = (radius: number) => stringLayer(radius, motor.stringDiameter, motor.windingWidth);
    let left = freeString(bare, motor.releaseAngle) - freeString(bare, motor.cockedAngle);
    for (const { diameter, turns } of design.sleeve) left -= windingLength(layerOf(diameter / 2), 2 * Math.PI * turns);
    const bareTurns = left > 0 ? windingAngle(layerOf(design.axleDiameter / 2), left) / (2 * Math.PI) : 0;
    bare.spool = spoolOf(design, bareTurns);
  }
  if (wind.kind === 'turns') bare.cockedAngle = cockedAngleAfter(bare, wind.turns);
  return bare;
}

/** Length of a snap trap's board, m: the pivot is at its middle. */
export const TRAP_LENGTH = 0.098;
/** From the underside of a trap's board to its pivot, m. */
export const TRAP_THICKNESS = 0.006;
/** kg/m³ of braided string. Estimate. */
export const STRING_DENSITY = 900;

/** Trap position at which the cocked lever's tip lies over the drive axle but for `short`, a fraction of the lever, m. */
export const trapUnderTip = ({ leverLength, cockedAngle }: LeverDesign, short: number): number =>
  -leverLength * Math.cos(cockedAngle) + short * leverLength;

/** The car with its trap moved: what the trap weighs of the rest moves with it. A car without a trap stays as it is. */
export function trapAt(design: CarDesign, trapPosition: number): CarDesign {
  const { motor, rest } = design;
  if (motor.kind !== 'lever') return design;
  const moved = rest.mass > 0 ? Math.min(trapOf(design, motor).mass / rest.mass, 1) * (trapPosition - motor.trapPosition) : 0;
  return { ...design, motor: { ...motor, trapPosition }, rest: { ...rest, fromDriveAxle: rest.fromDriveAxle + moved } };
}

/** A snap trap that turns a lever, which draws a string off the axle. */
export const LEVER_CAR: MotorRecord<LeverDesign> = {
  name: 'a snap trap and a lever',
  newCar: {
    rest: { mass: 0.055, fromDriveAxle: 0.09 },
    wheelbase: 0.26,
    driveWheels: OPTICAL_DISC,
    otherWheels: OPTICAL_DISC,
    // Its bearings are taped under the deck, and the trap lies on top.
    body: { kind: 'card', width: 0.06, axleGap: 0.002, overhang: 0.04, notched: true },
    motor: {
      kind: 'lever',
      trap: 'household',
      leverMaterial: 'dowel',
      leverLength: 0.18,
      trapPosition: 0.19,
      pivotAboveAxle: 0.012,
      cockedAngle: 3,
      releaseAngle: 0.35,
      stringDiameter: 0.0006,
      windingWidth: 0.012,
      release: 'free',
    },
  },
  sizes: [
    size('leverLength', 'Lever length', 'size', [0.04, 0.5], { searchStep: 0.005, slot: 'lever' }),
    { ...size('trapPosition', 'Trap to drive axle', 'size', [0.04, 0.5]), write: trapAt },
    size('pivotAboveAxle', 'Pivot above the drive axle', 'size', [0, 0.08], { synonyms: 'trap height hook height' }),
    {
      ...size('besideMiddle', 'Trap left of the middle line by', 'size', [-0.04, 0.04], { synonyms: 'beside offset sideways lever' }),
      read: ({ motor }) => (motor.kind === 'lever' ? (motor.besideMiddle ?? 0) : 0),
      write: (d, besideMiddle) => {
        if (d.motor.kind !== 'lever') return d;
        const { besideMiddle: _before, ...motor } = d.motor;
        return { ...d, motor: besideMiddle === 0 ? motor : { ...motor, besideMiddle } };
      },
    },
    size('stringDiameter', 'String ⌀', 'size', [0.0002, 0.003], { synonyms: 'thread cord thickness' }),
    size('windingWidth', 'Winding width', 'size', [0.002, 0.06], { synonyms: 'room for the string on the axle spool peg hook' }),
    ...CAR_SIZES,
  ],
  values: {
    springPreload: (design, motor) => trapOf(design, motor).preload,
    springRate: (design, motor) => trapOf(design, motor).rate,
    springEfficiency: (design, motor) => trapOf(design, motor).efficiency,
  },
  energyValues: ['springPreload', 'springRate', 'springEfficiency'],
  strengthValues: ['springPreload', 'springRate'],
  parts: {
    trap: { read: ({ trap }) => trap, fit: (motor, key) => ({ ...motor, trap: key as LeverDesign['trap'] }) },
    lever: {
      read: ({ leverMaterial }) => leverMaterial,
      fit: (motor, key) => ({ ...motor, leverMaterial: key as LeverDesign['leverMaterial'] }),
    },
  },
  // Cocked, with its string laid out to the axle.
  weight: (design, motor) => {
    const lever = leverOf(design, motor).massPerLength * motor.leverLength;
    const string = STRING_DENSITY * (Math.PI / 4) * motor.stringDiameter ** 2 * motor.leverLength;
    const middle = motor.trapPosition + (motor.leverLength / 2) * Math.cos(motor.cockedAngle);
    return { mass: lever + string, at: (lever * middle + (string * motor.trapPosition) / 2) / (lever + string) };
  },
  // The lever stands up along its run.
  frontArea: (design, motor) => leverOf(design, motor).width * motor.leverLength,
  setup,
  keysInDesign: {
    'motor.pivotToAxle': 'motor.trapPosition',
    'motor.springPreload': 'measured.springPreload',
    'motor.springRate': 'measured.springRate',
    'motor.springEfficiency': 'measured.springEfficiency',
  },
  fullTurns: (design, motor, numbers) => leverTurns(setup(design, motor, numbers, { kind: 'full' })),
  // A lever is hooked to within about 2°.
  woundOff: (_design, motor, deviations) => ({ ...motor, cockedAngle: motor.cockedAngle + 0.035 * deviations }),
  woundOffWords: () => '± 2° of the lever',
  release: { label: 'End of the string', freeWords: 'drops off its hook' },
  pullLength: ({ trapPosition }) => trapPosition,
  strandThickness: ({ stringDiameter }) => stringDiameter,
  // The tip of a searched lever stays over the axle, but for a little; the other axle is at the trap or beyond it.
  placed: (design, motor) => {
    const trapPosition = Math.round(trapUnderTip(motor, 0.03) / 0.005) * 0.005;
    const carried = Math.ceil((trapPosition + TRAP_LENGTH / 2 - (bodyReach(design).right - design.wheelbase)) / 0.005 - 1e-6) * 0.005;
    return { ...trapAt({ ...design, motor }, trapPosition), wheelbase: Math.max(design.wheelbase, carried) };
  },
  labels: ({ leverLength, trapPosition }, format) => [
    `lever ${format(leverLength, 'size')}`,
    `trap ${format(trapPosition, 'size')} from the drive axle`,
  ],
  holder: 'trap',
  windingCaution: 'Keep fingers out of the path of the lever. Hold it from behind and to one side.',
  turnsCheck: 'The turns of the string lie side by side; none lies over another.',
  tradeOff: { size: 'leverLength', name: 'short or long lever', noun: 'lever' },
  sizesOfTurns: ['leverLength', 'trapPosition'],
  energyFormula: 'Of a spring: τ₀ (α₀ − α₁) + ½ κ (α₀² − α₁²), τ₀ its torque at rest, κ its rate, from cocked to where the string lets go.',
  turnsFormula: 'The string from lever cocked to lever at rest, divided by the winding radius turn by turn and by 2π.',
};
