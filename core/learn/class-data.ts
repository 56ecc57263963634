import { chainCount } from '../car/band-chain.ts';
import type { CarDesign, RunRecord } from '../car/car-design.ts';
import { hasBands, isRoller, MOTORS } from '../car/motors/motors.ts';
import { standingWeight } from '../car/weights.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';
import { predictRun } from '../predict/predict-run.ts';

/** A run of the class, with the car as it ran. */
export interface ClassRun {
  readonly car: string;
  readonly record: RunRecord;
}

const rounded = (value: number, digits: number): string => String(Number(value.toFixed(digits)));

/** The columns of the data set: what was chosen, what was measured, and what the model had said. */
const COLUMNS: Readonly<Record<string, (run: ClassRun, design: CarDesign) => string>> = {
  car: ({ car }) => car,
  'ran at': ({ record }) => record.ranAt,
  drive: (_run, { motor }) => MOTORS[motor.kind].name,
  'lever mm': (_run, { motor }) => (motor.kind === 'lever' ? rounded(1000 * motor.leverLength, 1) : ''),
  'bands side by side': (_run, { motor }) => (hasBands(motor) ? String(motor.parallel) : ''),
  'bands end to end': (_run, { motor }) => (hasBands(motor) ? String(chainCount(motor)) : ''),
  turns: ({ record }, design) => rounded(record.wind.kind === 'full' ? fullTurns(design) : record.wind.turns, 1),
  'drive wheels mm': (_run, { driveWheels }) => rounded(1000 * driveWheels.diameter, 1),
  'axle mm': (_run, { axleDiameter }) => rounded(1000 * axleDiameter, 1),
  tyre: (_run, design) => (isRoller(design) ? '' : design.tyre),
  floor: (_run, { floor }) => floor.kind,
  'weight g': (_run, design) => rounded(1000 * standingWeight(design).mass, 0),
  'distance m': ({ record }) => String(record.outcome.distance),
  'at least': ({ record }) => (record.outcome.kind === 'hit-wall' ? 'yes' : 'no'),
  'time s': ({ record }) => (record.time === undefined ? '' : String(record.time)),
  'off the line m': ({ record }) => (record.drift === undefined ? '' : String(record.drift)),
  'model m': ({ record }, design) => {
    const prediction = predictRun(design, record.wind);
    return prediction.kind === 'ran' ? rounded(prediction.result.distance, 1) : '';
  },
};

/** The runs of a class as a table to plot: headings with their units, then a row for each run in the order they were made. */
export const classData = (runs: readonly ClassRun[]): readonly (readonly string[])[] => [
  Object.keys(COLUMNS),
  ...runs
    .toSorted((a, b) => a.record.ranAt.localeCompare(b.record.ranAt))
    .map((run) => Object.values(COLUMNS).map((tell) => tell(run, run.record.design))),
];
