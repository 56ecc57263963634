import { AIR_DENSITY, GRAVITY } from '../../constants.ts';
import { coastDown, coastTime } from '../coast-down.ts';
import { propagateUncertainty } from '../estimate.ts';
import { numbered, STOPWATCH, simulated } from '../hidden-car.ts';
import { divisionOf, fitPlot, type MeasurementOf } from '../measured.ts';
import { type MeasurementRecord, column, massOf, scalar } from '../measurement-record.ts';
import { METRES } from '../plausible.ts';

/** Coast-down: rolling a0 and air k of dv/dt = −(a0 + k v²); with the mass the force, and Cd·A = 2 k (m + ΣI/R²)/ρ. */
export const coast: MeasurementRecord<MeasurementOf<'coast'>> = {
  name: 'Push and coast',
  tells: 'rolling resistance, and air drag where it is fast',
  minutes: 6,
  needs: ['marks on the floor', 'a stopwatch, gates, or a phone that films'],
  how: [
    'Push the unwound car past a first mark. Start the clock there.',
    'Take the time at each mark that it passes.',
    'Use six marks or more, until it has lost most of its speed.',
  ],
  caution: null,
  columns: [column('marks', 'mark at', 'distance'), column('times', 'passed after', 'time')],
  once: [scalar('mass', 'weight of the car', 'weight', massOf)],
  division: { of: ['times'], usual: 0.01 },
  suits: () => true,
  table: { together: ['marks', 'times'], rising: ['marks', 'times'], read: ['times'] },
  fewestRows: 3,
  bounds: {
    v0: { name: 'speed at the first mark', can: [0, 50], usual: [0.1, 8], look: METRES },
    a0: { name: 'deceleration by rolling', can: [0, 20], usual: [0.01, 1.5], look: METRES },
  },
  ofPart: null,
  evaluate: (measurement) => {
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
  },
  simulate: ({ numbers, weight, radius, rolling, setup }, { read }) => {
    const turning =
      setup.car.driveWheels.inertia / radius ** 2 +
      (setup.car.otherWheels ? setup.car.otherWheels.inertia / setup.car.otherWheels.radius ** 2 : 0);
    const all = weight.mass + turning;
    const a0 = (rolling * weight.mass * GRAVITY) / all;
    const k = (AIR_DENSITY * numbers.dragArea!) / (2 * all);
    const v0 = 1.8;
    const reach = (0.75 * Math.log1p((k / a0) * v0 ** 2)) / (2 * k);
    const marks = numbered(10).map((i) => Number(((reach * (i + 1)) / 10).toFixed(2)));
    const times = marks.map((mark) => read(coastTime(v0, a0, k, mark), STOPWATCH));
    return simulated({ marks, times, air: k, mass: weight.mass, turning }, { times: STOPWATCH.division }, { a0 });
  },
};
