import type { CarDesign } from '../../car/car-design.ts';
import { hasBands } from '../../car/motors/motors.ts';
import { rubberOf, bandForce, isOfBands } from '../../motor/rubber.ts';
import { deriveRunSetup } from '../../predict/derive-run-setup.ts';
import { BAND_CAUTION } from '../cautions.ts';
import { propagateUncertainty } from '../estimate.ts';
import { numbered, SPRING_SCALE, simulated } from '../hidden-car.ts';
import { linearFit } from '../linear-fit.ts';
import { divisionOf, fitPlot, type MeasurementOf } from '../measured.ts';
import { type MeasurementRecord, column, UNLOADING, TOO_FEW_FORCES, scalar } from '../measurement-record.ts';
import { PASCALS } from '../plausible.ts';
import { returnedFraction } from '../returned-fraction.ts';

/** The chain of a car; of a car without bands some chain. */
const rubber = (design: CarDesign) => {
  const { motor } = deriveRunSetup(design);
  return isOfBands(motor) ? rubberOf(motor) : { length: 0.1, section: 1e-6 };
};

/** Rubber in simple tension: F = 2A (c1 (λ − λ⁻²) + c2 (1 − λ⁻³)), linear in c1 and c2. Source: Mooney 1940, Rivlin 1948. */
export const bandPull: MeasurementRecord<MeasurementOf<'band-pull'>> = {
  name: 'Force of the bands',
  tells: 'the stiffness of the rubber',
  minutes: 8,
  needs: ['spring scale', 'ruler', 'two hooks'],
  how: [
    'Hang the chain between hook and scale, arranged as on the car. Measure its length lying flat.',
    'Stretch it step by step to about three times its length. Read length and force at each step.',
    'Wait for a breath before each reading. Read the same lengths again while unloading.',
  ],
  caution: BAND_CAUTION,
  columns: [column('stretchedLength', 'stretched to', 'size'), column('force', 'force', 'force'), UNLOADING],
  once: [
    scalar('flatLength', 'length lying flat', 'size', (design) => rubber(design).length),
    scalar('section', 'cross-section of all strands together', 'area', (design) => rubber(design).section),
  ],
  division: { of: ['force'], usual: 0.05 },
  suits: ({ motor }) => hasBands(motor),
  table: { together: ['stretchedLength', 'force'], read: ['force'] },
  fewestRows: 3,
  bounds: {
    c1: { name: 'first coefficient of the rubber', can: [-1e8, 1e8], usual: [1e4, 1e6], look: PASCALS },
    c2: { name: 'second coefficient of the rubber', can: [-1e8, 1e8], usual: [-2e5, 1e6], look: PASCALS },
    bandLoss: {
      name: 'fraction kept for each length of stretch',
      can: [0, 1],
      usual: [0.005, 0.25],
      look: 'check that loading and unloading are not mixed up',
    },
  },
  ofPart: { kind: 'band', keys: ['c1', 'c2'] },
  evaluate: (measurement) => {
    const { flatLength, section, stretchedLength, force } = measurement.readings;
    const parts = (length: number): readonly [number, number] => {
      const stretch = length / flatLength;
      return [2 * section * (stretch - stretch ** -2), 2 * section * (1 - stretch ** -3)];
    };
    const division = divisionOf(measurement, 'force');
    const columns = stretchedLength.map(parts);
    const fit = linearFit(
      [0, 1].map((k) => columns.map((column) => column[k]!)),
      force,
      division,
    );
    if (!fit) return TOO_FEW_FORCES;
    const { back } = measurement;
    const longest = Math.max(...stretchedLength) / flatLength;
    const loss =
      back && back.force.length > 1
        ? propagateUncertainty(
            [returnedFraction({ x: stretchedLength, y: force }, { x: back.stretchedLength, y: back.force }, fit.scatter)],
            (returned) => (1 - returned) / (longest - 1),
          )
        : null;
    return {
      values: { c1: fit.estimates[0]!, c2: fit.estimates[1]!, ...(loss && { bandLoss: loss }) },
      drawn: fitPlot({ across: 'stretched length, m', up: 'force, N' }, stretchedLength, force, {
        residuals: fit.residuals,
        at: (x) => fit.sumOf(parts(x)),
        division,
      }),
      remarks:
        fit.estimates.some(({ value }) => value < 0) || longest < 1.5
          ? ['These readings hardly separate the two coefficients. Stretch the band to twice its length or more.']
          : [],
    };
  },
  simulate: ({ numbers, setup }, { read }) => {
    if (!isOfBands(setup.motor)) return null;
    const chain = rubberOf({ ...setup.motor, c1: numbers.c1!, c2: numbers.c2! });
    const stretchedLength = numbered(9).map((i) => Number(((1.3 + 0.3 * i) * chain.length).toFixed(4)));
    const force = stretchedLength.map((length) => read(bandForce(chain, length / chain.length), SPRING_SCALE));
    return simulated(
      { flatLength: chain.length, section: chain.section, stretchedLength, force },
      { force: SPRING_SCALE.division },
      { c1: numbers.c1!, c2: numbers.c2! },
    );
  },
};
