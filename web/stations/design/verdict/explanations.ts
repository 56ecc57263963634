import type { CarDesign } from '../../../../core/car/car-design.ts';
import { recordOf } from '../../../../core/car/motors/motors.ts';
import { findSize } from '../../../../core/car/sizes.ts';
import { conditionsOf } from '../../../../core/predict/conditions.ts';
import { deriveRunSetup } from '../../../../core/predict/derive-run-setup.ts';
import { standingWeight } from '../../../../core/car/weights.ts';
import { valueKeysOf, valueOf } from '../../../../core/car/values.ts';
import { formatSpread, VALUE_NAMES, VALUE_UNITS, type ValueKey } from '../../../../core/car/value-table.ts';
import type { RunResult } from '../../../../core/run/simulate.ts';
import { type Format, valueIn } from '../../../../core/units/quantity.ts';
import type { Explanation } from '../../../ui/explanation.ts';

type Row = Explanation['numbers'][number];

const RUN = 'from the run';
const SIZES = 'from the sizes';

/** A value that is not known exactly, as it went in. */
function row(design: CarDesign, key: ValueKey): Row {
  const { value, evidence } = valueOf(design, key);
  return [VALUE_NAMES[key], valueIn(VALUE_UNITS[key], value), evidence];
}

/** What each figure of the verdict comes from: formula, numbers put in, and whether they are estimated or measured. */
export function explanationOf(figure: string, design: CarDesign, result: RunResult, format: Format): Explanation {
  const weight: Row = ['weight, with ballast', format(standingWeight(design).mass, 'weight'), SIZES];
  const stored: Row = ['energy stored', format.predicted(result.storedEnergy, 'energy'), 'from motor and sizes'];
  const setup = deriveRunSetup(design);
  const motor = recordOf(design.motor);
  switch (figure) {
    case 'time':
      return {
        title: 'Time',
        formula:
          'The speed comes from the energy along the run: ½Mv² is the work of the pull less the work of the resistance. Time = ∫ dx / v to the stop.',
        numbers: [
          stored,
          weight,
          ['top speed', format.predicted(result.topSpeed, 'speed'), RUN],
          ['distance', format.predicted(result.distance, 'distance'), RUN],
        ],
      };
    case 'top speed':
      return {
        title: 'Top speed',
        formula:
          'Reached where the pull has fallen to the resistance, or where the motor lets go: v = √(2E/M). M is the mass, including the turning wheels.',
        numbers: [stored, weight, row(design, 'bearingFriction'), row(design, 'dragArea')],
      };
    case 'under power':
      return {
        title: 'Distance under power',
        formula: 'Turns under power × circumference of the drive wheels, less the wheelspin.',
        numbers: [
          ['turns', format(result.turns, 'count'), SIZES],
          ['drive wheels ⌀', format(design.driveWheels.diameter, 'size'), SIZES],
          ['slipped', format.predicted(result.slipDistance, 'distance'), RUN],
        ],
      };
    case 'turns wound':
      return {
        title: 'Turns',
        formula: motor.turnsFormula,
        numbers: [
          ['axle ⌀', format(design.axleDiameter, 'size'), SIZES],
          ...motor.sizesOfTurns.map((id): Row => {
            const { label, quantity, read } = findSize(design, id);
            return [label.toLowerCase(), format(read(design), quantity), SIZES];
          }),
        ],
      };
    case 'launch grip':
      return {
        title: 'Launch grip',
        formula: 'The most that the tyre can hold, μ × load on the drive wheels, divided by the force that a launch without slip needs.',
        numbers: [
          ['it can hold', format.predicted(result.launchGripLimit, 'force'), 'μ × load'],
          ['it needs', format.predicted(result.launchGripNeeded, 'force'), RUN],
          row(design, 'staticGrip'),
          ['weight on the drive wheels', format(setup.car.driveLoadShare, 'share'), 'standing still'],
          ['pull at the tyre', format.predicted(result.launchThrust, 'force'), 'torque / wheel radius'],
        ],
      };
    case 'wheelspin':
      return {
        title: 'Wheelspin',
        formula: 'While the tyre slides it passes on sliding grip × load. Wheelspin is ∫ (rim speed − car speed) dt.',
        numbers: [
          row(design, 'slidingRatio'),
          ['time sliding', format.predicted(result.slipTime, 'time'), RUN],
          ['energy burnt', format.predicted(result.energy.slip, 'energy'), RUN],
        ],
      };
    case 'range':
      return {
        title: 'Range',
        formula:
          'The model runs 128 cars. Each number below is drawn from its distribution every time. One car in ten goes less far than the low end, one in ten further than the high end.',
        numbers: [
          ...valueKeysOf(design).map((key): Row => {
            const [name, value, evidence] = row(design, key);
            return [name, `${value} ± ${formatSpread(key, valueOf(design, key).spread, format)}`, evidence];
          }),
          ...conditionsOf(design).map((condition): Row => [condition.name, condition.spreadWords(design), 'common practice']),
        ],
      };
    case 'energy':
      return {
        title: 'Energy stored',
        formula: motor.energyFormula,
        numbers: [
          ['energy stored', format.predicted(result.storedEnergy, 'energy'), 'formula above'],
          ...motor.energyValues.map((key) => row(design, key)),
          ['turns', format(result.turns, 'count'), SIZES],
          ['returned', format.predicted(result.storedEnergy - result.energy.hysteresis - result.energy.unspent, 'energy'), RUN],
        ],
      };
    default:
      return {
        title: 'Distance',
        formula: 'The energy returned by the motor, less wheelspin, bearings, rolling, air and slope, until the car stops.',
        numbers: [
          stored,
          weight,
          ...motor.energyValues.map((key) => row(design, key)),
          row(design, 'bearingFriction'),
          row(design, 'rollingLengthDrive'),
          row(design, 'rub'),
          row(design, 'dragArea'),
        ],
      };
  }
}
