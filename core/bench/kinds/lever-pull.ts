import { TRAP_CAUTION } from '../cautions.ts';
import { numbered, SPRING_SCALE, simulated } from '../hidden-car.ts';
import { linearFit } from '../linear-fit.ts';
import { divisionOf, fitPlot, type MeasurementOf } from '../measured.ts';
import { type MeasurementRecord, column, UNLOADING, TOO_FEW_FORCES, scalar } from '../measurement-record.ts';
import { NEWTON_METRES } from '../plausible.ts';
import { returnedFraction } from '../returned-fraction.ts';

/** Torque of a spring over its angle: τ = τ0 + κ α, rad, N·m. */
export const leverPull: MeasurementRecord<MeasurementOf<'lever-pull'>> = {
  name: 'Force on the lever',
  tells: 'torque at rest and spring rate',
  minutes: 8,
  needs: ['spring scale', 'protractor', 'ruler'],
  how: [
    'Unhook the string. Hook the scale to the arm about 10 cm from the pivot and measure that distance.',
    'Pull square to the arm. Read the scale at several angles from rest to cocked.',
    'Read five angles or more, then the same angles while unloading. The difference is the loss in the spring.',
  ],
  caution: TRAP_CAUTION,
  columns: [column('angle', 'angle from rest', 'angle'), column('force', 'force', 'force'), UNLOADING],
  once: [scalar('reach', 'from pivot to hook', 'size', () => 0.05)],
  division: { of: ['force'], usual: 0.05 },
  suits: ({ motor }) => motor.kind === 'lever',
  table: { together: ['angle', 'torque', 'force'], read: ['torque', 'force'] },
  fewestRows: 3,
  bounds: {
    springPreload: { name: 'torque at rest', can: [0, 50], usual: [0.01, 1.5], look: NEWTON_METRES },
    springRate: { name: 'spring rate', can: [0, 50], usual: [0.01, 1.5], look: NEWTON_METRES },
    springEfficiency: {
      name: 'fraction of the energy returned',
      can: [0, 1],
      usual: [0.4, 0.98],
      look: 'check that loading and unloading are not mixed up',
    },
  },
  ofPart: { kind: 'trap', keys: ['preload', 'rate'] },
  evaluate: (measurement) => {
    const { angle, torque, force, reach } = measurement.readings;
    if (!torque && (!force || reach === undefined))
      return { column: 'torque', needs: 'the torque, or the force and its distance from the pivot' };
    const torqueOf = (pulls: { readonly torque?: readonly number[]; readonly force?: readonly number[] }): readonly number[] =>
      pulls.torque ?? (pulls.force ?? []).map((pull) => pull * (reach ?? 0));
    const y = torqueOf({ ...(torque && { torque }), ...(force && { force }) });
    const division = torque ? divisionOf(measurement, 'torque') : divisionOf(measurement, 'force') * (reach ?? 0);
    const fit = linearFit([angle.map(() => 1), angle], y, division);
    if (!fit) return TOO_FEW_FORCES;
    const { back } = measurement;
    const returned = back && torqueOf({ ...(back.torque && { torque: back.torque }), ...(back.force && { force: back.force }) });
    return {
      values: {
        springPreload: fit.estimates[0]!,
        springRate: fit.estimates[1]!,
        ...(back &&
          returned &&
          returned.length > 1 && { springEfficiency: returnedFraction({ x: angle, y }, { x: back.angle, y: returned }, fit.scatter) }),
      },
      drawn: fitPlot({ across: 'angle from rest, rad', up: 'torque, N·m' }, angle, y, {
        residuals: fit.residuals,
        at: (x) => fit.sumOf([1, x]),
        division,
      }),
      remarks: [],
    };
  },
  simulate: ({ design, numbers }, { read }) => {
    const { motor } = design;
    if (motor.kind !== 'lever') return null;
    const [preload, rate, gives] = [numbers.springPreload!, numbers.springRate!, numbers.springEfficiency!];
    const angle = numbered(9).map((i) => Number((0.2 + 0.35 * i).toFixed(3)));
    const reach = 0.05;
    const pull = (fraction: number) => angle.map((at) => read((fraction * (preload + rate * at)) / reach, SPRING_SCALE));
    return simulated(
      { angle, force: pull(1), reach },
      { force: SPRING_SCALE.division },
      { springPreload: preload, springRate: rate, springEfficiency: gives },
      { back: { angle, force: pull(gives) } },
    );
  },
};
