import type { CarDesign } from '../../car/car-design.ts';
import { recordOf, isRoller } from '../../car/motors/motors.ts';
import { type Numbers, MOTOR_LOSSES, deviated } from '../../car/value-table.ts';
import { likelyNumbers, valueOf } from '../../car/values.ts';
import { makeMotorPoint } from '../../motor/motor.ts';
import { modelOf } from '../../motor/motors.ts';
import { deriveRunSetup, fullTurns } from '../../predict/derive-run-setup.ts';
import { TRAP_CAUTION, BAND_CAUTION } from '../cautions.ts';
import { propagateUncertainty, makeEstimate, exactEstimate } from '../estimate.ts';
import { numbered, type Instrument, simulated } from '../hidden-car.ts';
import { linearFit } from '../linear-fit.ts';
import { divisionOf, fitPlot, type MeasurementOf } from '../measured.ts';
import { driveRadiusOf, type MeasurementRecord, column, hasAxles, TOO_FEW_FORCES, scalar } from '../measurement-record.ts';
import { READ_AGAIN } from '../plausible.ts';

/** Strips in which the force is added up over the turns. */
const STRIPS = 24;
/** Turns below which nothing is wound. */
const LEAST_TURNS = 0.02;

/** Force at the rim of a drive wheel that is held, N: the run model’s own torque over the wheel’s radius. */
function rimForce(design: CarDesign, turns: number, numbers: Numbers, isUnloading: boolean): number {
  const { motor } = deriveRunSetup(design, { kind: 'turns', turns }, numbers);
  const path = modelOf(motor).path(motor);
  const first = path.segments[path.first]!;
  const point = makeMotorPoint();
  first.evaluate(first.from, point);
  return (isUnloading ? point.torque : point.heldTorque) / driveRadiusOf(design);
}

/** Force at the rim of a drive wheel that is held, wound by so many turns, fitted in the two values of the motor that it is proportional to. */
export const rimPull: MeasurementRecord<MeasurementOf<'rim-pull'>> = {
  name: 'Force at the rim, wound',
  tells: 'the strength of the motor, turn by turn',
  minutes: 10,
  needs: ['spring scale', 'thread', 'a clamp for the car'],
  how: [
    'Wind it fully and clamp the car. Tie a thread round the rim of a drive wheel and to the scale.',
    'Hold the wheel by the scale alone, with the thread tangent to the rim, and read. Unwind half a turn and read again, until it is unwound.',
    'Reach each position by winding, not by unwinding. When it unwinds, the motor has already lost some of its torque.',
  ],
  caution: `${TRAP_CAUTION} ${BAND_CAUTION}`,
  columns: [column('turns', 'turns still wound', 'count'), column('force', 'force at the rim', 'force')],
  once: [
    {
      ...scalar('lettingBack', 'each position was reached', 'count', (design) => (hasAxles(design) ? 0 : 1)),
      either: ['by winding', 'by unwinding'],
    },
  ],
  division: { of: ['force'], usual: 0.05 },
  suits: () => true,
  table: { together: ['turns', 'force'], read: ['force'] },
  fewestRows: 3,
  usesDesign: true,
  bounds: {
    given: { name: 'fraction of the energy returned', can: [0, 3], usual: [0.4, 1.3], look: READ_AGAIN },
    strength: { name: 'strength of the motor, compared with the expected value', can: [0, 20], usual: [0.5, 1.7], look: READ_AGAIN },
  },
  ofPart: null,
  evaluate: (measurement) => {
    const { design } = measurement;
    const { turns, force, lettingBack = false } = measurement.readings;
    const numbers = likelyNumbers(design);
    const keys = recordOf(design.motor).strengthValues;
    const radius = driveRadiusOf(design);
    const forceAt = (turns: number, values = numbers): number => rimForce(design, turns, values, lettingBack);
    /** What one unit of each value adds: the pull depends on them in proportion; and what depends on neither. */
    const parts = (wound: number): readonly number[] =>
      keys.map((key) => (forceAt(wound, { ...numbers, [key]: 2 * numbers[key]! }) - forceAt(wound)) / numbers[key]!);
    const rest = (wound: number): number => forceAt(wound) - parts(wound).reduce((sum, part, k) => sum + part * numbers[keys[k]!]!, 0);
    const wound = turns.map((count) => Math.max(count, LEAST_TURNS));
    const columns = wound.map(parts);
    const offsets = wound.map(rest);
    const division = divisionOf(measurement, 'force');
    const fit = linearFit(
      [0, 1].map((k) => columns.map((column) => column[k]!)),
      force.map((pull, i) => pull - offsets[i]!),
      division,
    );
    if (!fit) return TOO_FEW_FORCES;
    const most = Math.max(...wound);
    /** Over all turns, times the way of the rim: J. */
    const overTheTurns = (pull: (turns: number) => number): number => {
      const step = most / STRIPS;
      const middles = Array.from({ length: STRIPS }, (_, i) => (i + 0.5) * step);
      return middles.reduce((sum, turns) => sum + pull(turns), 0) * step * 2 * Math.PI * radius;
    };
    const besides = overTheTurns(rest);
    const energy = propagateUncertainty(
      [fit.sumOf(keys.map((_, k) => overTheTurns((count) => parts(count)[k]!)))],
      (held) => held + besides,
    );
    const thought = overTheTurns(forceAt);
    const strength = propagateUncertainty([energy], (held) => held / thought);
    // Let back, what the motor keeps to itself is in the pull: its values are no surer than that.
    const keeps = lettingBack
      ? MOTOR_LOSSES.filter((key) => numbers[key] !== undefined).map((key) => {
          const more = { ...numbers, [key]: deviated(key, valueOf(design, key), 1) };
          return overTheTurns((count) => forceAt(count, more)) / thought - 1;
        })
      : [];
    // A washer holds by more the more is wound: another curve than the rubber’s.
    const isBlurred = lettingBack && numbers.washerFriction !== undefined;
    const values = fit.estimates.map((fitted) =>
      propagateUncertainty([fitted, makeEstimate(1, Math.hypot(...keeps))], (value, returned) => value / returned),
    );
    return {
      values: {
        ...(isBlurred ? {} : { [keys[0]]: values[0]!, [keys[1]]: values[1]! }),
        energy,
        [lettingBack ? 'given' : 'strength']: strength,
      },
      drawn: {
        ...fitPlot({ across: 'turns still wound', up: 'force at the rim, N' }, wound, force, {
          residuals: fit.residuals,
          at: (x) => propagateUncertainty([fit.sumOf(parts(x)), exactEstimate(rest(x))], (pull, more) => pull + more),
          division: Math.max(division, 1e-9),
        }),
        thought: [...wound].sort((a, b) => a - b).map((count) => [count, forceAt(count)] as const),
      },
      remarks: isBlurred
        ? ['While unloading, rubber and washer act together. The result is for both together, not for the rubber alone.']
        : [],
    };
  },
  simulate: ({ design, numbers }, { read }) => {
    // A roller’s washer holds it while it is wound.
    const lettingBack = isRoller(design);
    const full = fullTurns(design);
    // Each half turn, forty of them at most.
    const count = Math.min(Math.max(Math.floor(2 * full), 6), 40);
    const turns = numbered(count).map((i) => Number((full * (1 - (0.95 * i) / count)).toFixed(2)));
    const forces = turns.map((wound) => rimForce(design, wound, numbers, lettingBack));
    // A scale that is made for such a force.
    const most = Math.max(...forces);
    const scale: Instrument = { deviation: 0.025 * most, division: 0.02 * most };
    const force = forces.map((exact) => read(exact, scale));
    const truth = Object.fromEntries(recordOf(design.motor).strengthValues.map((key) => [key, numbers[key]!]));
    return simulated({ turns, force, lettingBack }, { force: scale.division }, truth, { design });
  },
};
