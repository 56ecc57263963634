import { mean } from 'simple-statistics';
import { GRAVITY } from '../../constants.ts';
import { deriveRunSetup } from '../../predict/derive-run-setup.ts';
import { energyOnTheWay } from '../../predict/energy-on-the-way.ts';
import { simulate } from '../../run/simulate.ts';
import { type Estimate, meanEstimate, propagateUncertainty, makeEstimate, confidenceInterval } from '../estimate.ts';
import { numbered, TAPE_MEASURE, simulated } from '../hidden-car.ts';
import { divisionOf, type MeasurementOf } from '../measured.ts';
import { type MeasurementRecord, column, massOf, scalar } from '../measurement-record.ts';
import { METRES } from '../plausible.ts';
import { REPEATS } from '../repeatability.ts';

/** Standard deviation of the energy that the model gives a run, as a fraction: what cars of one design differ by. Our estimate. */
const ENERGY_DEVIATION = 0.12;

/**
 * Slope of a floor from runs with the same winding both ways: half the difference of the two mean resistances E/s over the weight, uphill the one way.
 * `energy`: J that the way takes of a run, as the model says; the slope is no surer than that.
 */
export const level: MeasurementRecord<MeasurementOf<'level'>> = {
  name: 'Up and down the hall',
  tells: 'the slope of the floor',
  minutes: 8,
  needs: ['the car, wound the same each time', 'tape measure'],
  how: ['Wind it the same each time and run it in its usual direction.', 'Run it back the other way.', 'Do three runs each way.'],
  caution: null,
  columns: [column('out', 'the usual direction', 'distance'), column('back', 'the other direction', 'distance')],
  once: [
    scalar('energy', 'energy used over the distance', 'energy', (design) => energyOnTheWay(design) ?? 0),
    scalar('mass', 'weight of the car', 'weight', massOf),
  ],
  division: { of: ['out', 'back'], usual: 0.01 },
  suits: () => true,
  table: { together: [], alone: ['out', 'back'], read: ['out', 'back'] },
  fewestRows: 1,
  bounds: {
    slope: { name: 'slope', can: [-0.5, 0.5], usual: [-0.03, 0.03], look: METRES },
  },
  ofPart: null,
  evaluate: (measurement) => {
    const { out, back, energy, mass } = measurement.readings;
    const meanWay = (of: readonly number[], column: string): Estimate =>
      meanEstimate(of, divisionOf(measurement, column), REPEATS.roll * mean([...of]));
    const slope = propagateUncertainty(
      [meanWay(out, 'out'), meanWay(back, 'back'), makeEstimate(energy, ENERGY_DEVIATION * energy)],
      (there, home, spent) => (spent / there - spent / home) / (2 * mass * GRAVITY),
    );
    const [low, high] = confidenceInterval(slope, 0.9);
    return {
      values: { slope },
      drawn: null,
      remarks: low < 0 && high > 0 ? ['These runs do not tell whether the floor slopes.'] : [],
    };
  },
  simulate: ({ design, slope, weight, numbers }, { read, varied }) => {
    // Runs of the car itself, which tell nothing of how they are computed with; the energy as the builder’s model says it.
    const energy = energyOnTheWay(design);
    const reach = (direction: 1 | -1): number => {
      const run = simulate(deriveRunSetup(design, { kind: 'full' }, { ...numbers, slope: direction * slope }));
      return run.kind === 'ran' ? run.result.distance : 0;
    };
    const [out, home] = [reach(1), reach(-1)];
    if (energy === null || !(out > 0.5 && home > 0.5) || Math.max(out, home) > 3 * Math.min(out, home)) return null;
    const six = (distance: number) => numbered(6).map(() => read(varied(distance), TAPE_MEASURE));
    return simulated(
      { out: six(out), back: six(home), energy, mass: weight.mass },
      { out: TAPE_MEASURE.division, back: TAPE_MEASURE.division },
      { slope },
    );
  },
};
