import { mean } from 'simple-statistics';
import { AIR_DENSITY, GRAVITY } from '../constants.ts';
import { coastDown } from './coast-down.ts';
import {
  propagateUncertainty,
  makeEstimate,
  exactEstimate,
  meanEstimate,
  resolutionUncertainty,
  weightedMean,
  confidenceInterval,
  type Estimate,
} from './estimate.ts';
import { divisionOf, fitPlot, meanPlot, type MeasurementOf, type MeasurementResult, type InsufficientReadings } from './measured.ts';
import { REPEATS } from './repeatability.ts';

/** Total rolling of a car released on a ramp: F = m g H/(s + r), as a share of its weight H/(s + r). Energy: what falls is spent along the way. */
export function ramp(measurement: MeasurementOf<'ramp'>): MeasurementResult {
  const { height, run, distance, mass } = measurement.readings;
  const divisions = [divisionOf(measurement, 'height'), divisionOf(measurement, 'distance')] as const;
  const single = height.length === 1;
  // Each roll is a measurement by itself; how high the ramp stands is off alike in all of one ramp.
  const shares = distance.map((way, i) => (single ? height[0]! : height[i]!) / (way + run));
  const repeats = REPEATS.roll * mean(shares);
  const scattered = meanEstimate(shares, (divisions[1] * shares[0]!) / (distance[0]! + run), repeats);
  const high = single ? makeEstimate(height[0]!, resolutionUncertainty(divisions[0])) : exactEstimate(1);
  const rolling = single ? propagateUncertainty([scattered, high], (share, stands) => (share * stands) / height[0]!) : scattered;
  return {
    values: { rolling, resistance: propagateUncertainty([rolling], (share) => share * mass * GRAVITY) },
    drawn: meanPlot('rolling resistance, as a fraction of the weight', shares, 0, repeats),
    remarks: [],
  };
}

/** Coast-down: rolling a0 and air k of dv/dt = −(a0 + k v²); with the mass the force, and Cd·A = 2 k (m + ΣI/R²)/ρ. */
export function coast(measurement: MeasurementOf<'coast'>): MeasurementResult | InsufficientReadings {
  const { marks, times, air, mass, turning = 0, airDensity = AIR_DENSITY } = measurement.readings;
  const division = divisionOf(measurement, 'times');
  const found = coastDown({ marks, times, resolution: division }, air);
  if (!found) return { column: 'times', needs: 'at least four times of a car that slows down, or three times and an expected air drag' };
  const { v0, a0, k, isAirHeld } = found;
  const all = mass === undefined ? null : mass + turning;
  return {
    values: {
      v0,
      a0,
      k,
      ...(all !== null && {
        resistance: propagateUncertainty([a0], (slows) => slows * all),
        rolling: propagateUncertainty([a0], (slows) => (slows * all) / ((mass ?? 1) * GRAVITY)),
        ...(!isAirHeld && { dragArea: propagateUncertainty([k], (perMetre) => (2 * perMetre * all) / airDensity) }),
      }),
    },
    drawn: fitPlot({ across: 'mark, m', up: 'time, s' }, marks, times, {
      residuals: found.residuals,
      at: found.timeAt,
      division,
    }),
    remarks: isAirHeld ? ['These times do not separate air drag from rolling resistance. Air drag was kept at its expected value.'] : [],
  };
}

/** Coulomb friction of an axle spun free: it stops evenly, μ = 4π N I/(t² r m g). Energy of the turning axle over the way of its journal. */
export function freeSpin(measurement: MeasurementOf<'free-spin'>): MeasurementResult {
  const { inertia, mass, journalRadius, turns, time } = measurement.readings;
  const [ofTurns, ofTime] = [divisionOf(measurement, 'turns'), divisionOf(measurement, 'time')];
  const frictionOf = (count: number, seconds: number): number =>
    (4 * Math.PI * count * inertia) / (seconds ** 2 * journalRadius * mass * GRAVITY);
  const read = (value: number, division: number): Estimate => makeEstimate(value, resolutionUncertainty(division));
  const each = turns.map((count, i) => propagateUncertainty([read(count, ofTurns), read(time[i]!, ofTime)], frictionOf));
  const frictions = each.map(({ value }) => value);
  const spread = Math.max(0, ...each.map(({ deviation }) => deviation)) * Math.sqrt(12);
  const repeats = REPEATS.spin * mean(frictions);
  const friction = meanEstimate(frictions, spread, repeats);
  const apart = weightedMean(each);
  const isApart = apart !== null && apart.disagree && Math.max(...turns) > 1.3 * Math.min(...turns);
  return {
    values: { bearingFriction: friction },
    drawn: meanPlot('friction', frictions, 0, repeats),
    remarks: isApart
      ? [
          'Long and short spins disagree by more than their scatter. Either air slows the fast ones, or a tight spot slows the slow ones. Look for what touches.',
        ]
      : [],
  };
}

/** Standard deviation of what the model says a run spends on its way, as a share: what cars of one design differ by. Our estimate. */
const ENERGY_KNOWN = 0.12;

/**
 * Slope of a floor from runs wound alike both ways: half the difference of the two mean resistances E/s over the weight, uphill the one way.
 * `energy`: J that the way takes of a run, as the model says; the slope is no surer than that.
 */
export function level(measurement: MeasurementOf<'level'>): MeasurementResult {
  const { out, back, energy, mass } = measurement.readings;
  const meanWay = (of: readonly number[], column: string): Estimate =>
    meanEstimate(of, divisionOf(measurement, column), REPEATS.roll * mean([...of]));
  const slope = propagateUncertainty(
    [meanWay(out, 'out'), meanWay(back, 'back'), makeEstimate(energy, ENERGY_KNOWN * energy)],
    (there, home, spent) => (spent / there - spent / home) / (2 * mass * GRAVITY),
  );
  const [low, high] = confidenceInterval(slope, 0.9);
  return {
    values: { slope },
    drawn: null,
    remarks: low < 0 && high > 0 ? ['These runs do not tell whether the floor slopes.'] : [],
  };
}
