import { drag, tilt } from './grip.ts';
import type { Measurement, MeasurementOf, MeasurementResult, InsufficientReadings } from './measured.ts';
import { bandPull, leverPull, rimPull } from './motor-pulls.ts';
import { plausible } from './plausible.ts';
import { coast, freeSpin, level, ramp } from './rolling.ts';
import { push, rollOut, tape, thread, weights, wobble } from './sizes.ts';

const MEASURES: { readonly [Kind in Measurement['kind']]: (measurement: MeasurementOf<Kind>) => MeasurementResult | InsufficientReadings } =
  {
    'lever-pull': leverPull,
    'band-pull': bandPull,
    'rim-pull': rimPull,
    tilt,
    drag,
    ramp,
    coast,
    'free-spin': freeSpin,
    'roll-out': rollOut,
    wobble,
    weights,
    thread,
    tape,
    push,
    level,
  };

/** Works a measurement out: values with their spreads, or what its readings lack. What cannot be is refused. SI units. */
export function measure(measurement: Measurement): MeasurementResult | InsufficientReadings {
  const result = MEASURES[measurement.kind](measurement as never);
  return isMeasured(result) ? plausible(measurement.kind, result) : result;
}

/** Whether a measurement could be worked out. */
export const isMeasured = (result: MeasurementResult | InsufficientReadings): result is MeasurementResult => 'values' in result;
