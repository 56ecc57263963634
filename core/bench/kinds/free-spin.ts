import { mean } from 'simple-statistics';
import type { CarDesign } from '../../car/car-design.ts';
import { axleOf } from '../../car/fitted.ts';
import { likelyNumbers } from '../../car/values.ts';
import { wheelsetOf } from '../../car/weights.ts';
import { GRAVITY } from '../../constants.ts';
import { type Estimate, makeEstimate, resolutionUncertainty, propagateUncertainty, meanEstimate, weightedMean } from '../estimate.ts';
import { STOPWATCH, simulated } from '../hidden-car.ts';
import { divisionOf, meanPlot, type MeasurementOf } from '../measured.ts';
import { type MeasurementRecord, column, hasAxles, scalar } from '../measurement-record.ts';
import { REPEATS } from '../repeatability.ts';

const wheelset = (design: CarDesign) => wheelsetOf(design, 'drive', likelyNumbers(design).driveWheelDensity!)!;

/** Coulomb friction of an axle spun free: it stops evenly, μ = 4π N I/(t² r m g). Energy of the turning axle over the way of its journal. */
export const freeSpin: MeasurementRecord<MeasurementOf<'free-spin'>> = {
  name: 'Spin an axle freely',
  tells: 'the friction of the axle in its bearing',
  minutes: 4,
  needs: ['a stopwatch'],
  how: [
    'Lift the drive wheels, and take string or band off the axle. Mark a rim.',
    'Flick the wheel, count its turns, and take the time until it stops.',
    'Do four flicks, some long and some short.',
  ],
  caution: null,
  columns: [column('turns', 'turns', 'count'), column('time', 'until it stops', 'time')],
  once: [
    scalar('inertia', 'moment of inertia of all turning parts, kg·m²', 'count', (design) => wheelset(design).inertia),
    scalar('mass', 'weight of all turning parts', 'weight', (design) => wheelset(design).mass),
    scalar('journalRadius', 'radius of the axle', 'size', (design) => axleOf(design).diameter / 2),
  ],
  division: { of: ['time'], usual: 0.1 },
  suits: hasAxles,
  table: { together: ['turns', 'time'], read: ['time'] },
  fewestRows: 1,
  bounds: {
    bearingFriction: {
      name: 'friction of the axle',
      can: [0, 3],
      usual: [0.02, 0.6],
      look: 'check that mass, journal and moment of inertia are in SI units',
    },
  },
  ofPart: { kind: 'bearing', keys: ['friction'] },
  evaluate: (measurement) => {
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
  },
  simulate: ({ design, numbers }, { read, varied }) => {
    const set = wheelsetOf(design, 'drive', numbers.driveWheelDensity!)!;
    const turns = [60, 80, 70, 90, 75, 65];
    const { inertia, mass, journalRadius } = set;
    const time = turns.map((count) =>
      read(Math.sqrt((4 * Math.PI * count * inertia) / (varied(numbers.bearingFriction!) * journalRadius * mass * GRAVITY)), STOPWATCH),
    );
    return simulated(
      { inertia, mass, journalRadius, turns, time },
      { time: STOPWATCH.division },
      { bearingFriction: numbers.bearingFriction! },
    );
  },
};
