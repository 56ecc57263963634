/** How often what a measurement says holds the truth: hidden cars read by simulated instruments, `npm run bench:honesty -- --readings 300 --seed 1`. */
import { parseArgs } from 'node:util';
import { confidenceInterval } from '../core/bench/estimate.ts';
import { isMeasured, measure } from '../core/bench/measure.ts';
import type { HiddenBuild } from '../core/bench/hidden-car.ts';
import { simulatedReadings } from '../core/bench/simulated-readings.ts';
import type { MeasurementKind } from '../core/bench/measured.ts';
import { MOTOR_KINDS } from '../core/car/motors/motors.ts';
import { newCar } from '../core/car/new-car.ts';
import { sampledCars } from '../core/predict/sampled-cars.ts';
import { randomOf } from './hidden-cars.ts';

const { values } = parseArgs({ options: { readings: { type: 'string', default: '300' }, seed: { type: 'string', default: '1' } } });
const [readings, seed] = [Number(values.readings), Number(values.seed)];

const KINDS: readonly MeasurementKind[] = [
  'lever-pull',
  'band-pull',
  'rim-pull',
  'tilt',
  'drag',
  'ramp',
  'coast',
  'free-spin',
  'roll-out',
  'wobble',
  'weights',
  'thread',
  'tape',
  'push',
  'level',
];

/** The nth hidden car of those on axles, and for the pulls of rollers too. */
function hidden(n: number): HiddenBuild {
  const chance = randomOf(seed * 7907 + n);
  const base = { ...newCar('hidden', MOTOR_KINDS[n % MOTOR_KINDS.length]!), care: 'ordinary' as const };
  const { design, numbers } = sampledCars(base, seed)(1 + n);
  return {
    design,
    numbers,
    curvature: 0.02 * chance.normal(),
    slope: 0.003 * chance.normal(),
    outOfTrue: chance.uniform(0.01, 0.04),
    offCentre: chance.uniform(0.0005, 0.002),
  };
}

console.log(`${readings} readings of each, seed ${seed}\n\n| measurement | value | 90 % interval holds it | asked |\n|---|---|---|---|`);
for (const kind of KINDS) {
  const held = new Map<string, { held: number; all: number }>();
  for (let n = 0, read = 0; read < readings && n < 4 * readings; n++) {
    const simulated = simulatedReadings(kind, hidden(n), 100_000 * seed + n);
    if (!simulated) continue;
    const result = measure(simulated.measurement);
    if (!isMeasured(result)) continue;
    read++;
    for (const [key, truth] of Object.entries(simulated.truth)) {
      const estimate = result.values[key];
      if (!estimate) continue;
      const [low, high] = confidenceInterval(estimate, 0.9);
      const count = held.get(key) ?? { held: 0, all: 0 };
      held.set(key, { held: count.held + Number(truth >= low && truth <= high), all: count.all + 1 });
    }
  }
  for (const [key, count] of held) console.log(`| ${kind} | ${key} | ${((100 * count.held) / count.all).toFixed(1)} % | 87 to 93 % |`);
}
