import { describe, expect, it } from 'vitest';
import type { CarDesign, Wind } from '../../car/car-design.ts';
import { MOTOR_KINDS } from '../../car/motors/motors.ts';
import { newCar, woundByFeel } from '../../car/new-car.ts';
import { AIR_DENSITY } from '../../constants.ts';
import { hiddenCar, fraction, trials } from '../../../bench/hidden-cars.ts';
import { solveLowerTransposed, choleskyFactor, solveLower, halfLogDeterminant } from '../../numerics/cholesky.ts';
import { fullTurns } from '../../predict/derive-run-setup.ts';
import { predictRun } from '../../predict/predict-run.ts';
import { makeWorkspace } from '../../run/workspace.ts';
import { START } from '../../car/did-not-start.ts';
import { fittedValues, withFittedValues } from '../fitted-values.ts';
import { furtherRuns, posteriorChanges } from '../posterior-change.ts';
import { nextChanges } from '../next-change.ts';
import { builtWith, likelyCar, latentParameters, withGrip, withResistance } from './built-car.ts';
import { fitCar } from './fit-car.ts';
import { quantileOf, shareBelow } from './mixture.ts';
import { outputsOf, STALL } from './outputs.ts';
import { predictFitted } from './predict-fitted.ts';
import { observationOf, runTerm } from './likelihood.ts';
import { runVariance, scatterDirections } from './scatter.ts';
import { USUAL_INSTRUMENTS, type TrialGroup, type TrialRun } from './trial.ts';

const reach = (design: CarDesign, wind: Wind): number => {
  const prediction = predictRun(design, wind);
  return prediction.kind === 'ran' ? prediction.result.distance : NaN;
};
const winds = (design: CarDesign): readonly [Wind, Wind] => {
  const turns = fullTurns(design);
  return [0.5, 0.75].map((part) => ({ kind: 'turns', turns: Math.round(2 * part * turns) / 2 })) as unknown as [Wind, Wind];
};
const alike = (design: CarDesign, wind: Wind, distances: readonly number[], kind: 'stopped' | 'hit-wall' = 'stopped'): TrialGroup => ({
  design,
  wind,
  runs: distances.map((distance) => ({ outcome: { kind, distance } })),
});
const around = (distance: number): number[] => [0.98 * distance, distance, 1.02 * distance];
const FULL = { kind: 'full' } as const;

describe('Cholesky', () => {
  it('has the root of a matrix worked by hand, solves with it, and knows its determinant', () => {
    const root = choleskyFactor(Float64Array.of(4, 0, 2, 5), 2);
    expect([...root]).toEqual([2, 0, 1, 2]);
    // 4x + 2y = 8, 2x + 5y = 12: x = 1, y = 2.
    expect([...solveLowerTransposed(root, solveLower(root, [8, 12]))]).toEqual([1, 2]);
    expect(halfLogDeterminant(root, 2)).toBeCloseTo(0.5 * Math.log(16), 12);
  });
});

describe('a mixture of normals', () => {
  it('has the quantiles of the normal where all are one: 1.644854 at 0.95 (standard table)', () => {
    const one = [0.3, 0.7].map((weight) => ({ weight, mean: 2, variance: 9 }));
    expect(quantileOf(one, 0.95)).toBeCloseTo(2 + 3 * 1.644854, 4);
    expect(shareBelow(one, 2)).toBeCloseTo(0.5, 12);
  });
});

describe('what a run says of a model', () => {
  const flat = {
    resistance: Float64Array.of(-1, 0, 0),
    energy: new Float64Array(3),
    grip: new Float64Array(3),
    winding: new Float64Array(3),
  };
  const at = (distance: number, more: readonly number[] = []): Float64Array => Float64Array.of(Math.log(distance + STALL), ...more);
  const term = (run: TrialRun, model: Float64Array, marks: readonly number[] = []) =>
    runTerm(observationOf(run, marks, USUAL_INSTRUMENTS), model, flat, 0.06);
  const noStart: TrialRun = { outcome: { kind: 'stopped', distance: 0 } };
  it('that did not start: likely of one that stalls, even at the edge, less the further it would go, with a slope that leads back', () => {
    // At the edge of what counts as a start half of them do; t(7) at x below 0: −2.365 leaves 0.025 (tables).
    expect(term(noStart, at(START)).value).toBeCloseTo(Math.log(0.5), 9);
    const sigma = Math.sqrt((5 / 7) * (0.06 ** 2 + 0.15 ** 2));
    expect(Math.exp(term(noStart, at((START + STALL) * Math.exp(2.3646 * sigma) - STALL)).value)).toBeCloseTo(0.025, 4);
    const values = [0, 0.05, 0.2, 1, 10].map((distance) => term(noStart, at(distance)).value);
    expect(values).toEqual(values.toSorted((a, b) => b - a));
    expect(values[0]!).toBeGreaterThan(-0.001);
    expect(term(noStart, at(10)).gradient[0]!).toBeLessThan(-0.5);
    const slope = (term(noStart, at(1.01)).value - term(noStart, at(0.99)).value) / Math.log(1.06 / 1.04);
    expect(term(noStart, at(1)).gradient[0]!).toBeCloseTo(slope, 3);
  });
  it('that stopped: Student’s t with seven degrees about the model, and of two outputs the bivariate one (worked by hand)', () => {
    const scale = 5 / 7;
    const tape = 0.03 / (10 + STALL);
    const variance = scale * (0.06 ** 2 + tape ** 2);
    const off = 0.12;
    const run: TrialRun = { outcome: { kind: 'stopped', distance: 10 } };
    const alone = -4 * Math.log(1 + off ** 2 / variance / 7) - 0.5 * Math.log(variance);
    expect(term(run, Float64Array.of(Math.log(10 + STALL) - off, 0, 0)).value).toBeCloseTo(alone, 9);
    // A stop time of 8 s beside it, right by the model: hand 0.015 and watch 0.25 s.
    const second = scale * (0.015 ** 2 + (0.25 / 8) ** 2);
    const both = -4.5 * Math.log(1 + off ** 2 / variance / 7) - 0.5 * Math.log(variance * second);
    const model = Float64Array.of(Math.log(10 + STALL) - off, Math.log(8), 0);
    expect(term({ ...run, time: 8 }, model).value).toBeCloseTo(both, 9);
    // No time, or none that can be, is none.
    expect(observationOf({ ...run, time: 0 }, [], USUAL_INSTRUMENTS).places).toEqual([0]);
    expect(observationOf(run, [], USUAL_INSTRUMENTS).places).toEqual([0]);
    expect(observationOf({ ...run, time: 8 }, [], USUAL_INSTRUMENTS).places).toEqual([0, 1]);
  });
  it('that is said to be beaten on another floor: even where it is as far, one in forty where it is 2.365 deviations on the other side', () => {
    const said = (goes: 'further' | 'less-far'): TrialRun => ({ outcome: { kind: 'stopped', distance: 8 }, said: goes });
    // Two runs scatter, by hand: √(5/7 (2 · 0.06² + 0.15²)).
    const sigma = Math.sqrt((5 / 7) * (2 * 0.06 ** 2 + 0.15 ** 2));
    const off = (by: number): Float64Array => at((8 + STALL) * Math.exp(by * sigma) - STALL);
    expect(term(said('further'), at(8)).value).toBeCloseTo(Math.log(0.5), 9);
    expect(Math.exp(term(said('further'), off(-2.3646)).value)).toBeCloseTo(0.025, 4);
    expect(Math.exp(term(said('less-far'), off(2.3646)).value)).toBeCloseTo(0.025, 4);
    expect([term(said('further'), at(6)).gradient[0]! > 0, term(said('less-far'), at(10)).gradient[0]! < 0]).toEqual([true, true]);
  });
  it('at a wall that the model stays ten deviations short of: ln Φ(−10) = −53.23 (tables), and its slope leads there', () => {
    const wall: TrialRun = { outcome: { kind: 'hit-wall', distance: 10 } };
    const sigma = Math.hypot(0.06, 0.03 / 10.05);
    const { value, gradient } = term(wall, at((10 + STALL) * Math.exp(-10 * sigma) - STALL));
    expect(value).toBeCloseTo(-53.23, 1);
    expect(gradient[0]! * sigma).toBeCloseTo(10.1, 1);
  });
  it('counts by what runs tell on average: the Fisher information of a Student t with 7 degrees, wherever the run lies', () => {
    // (ν + 1)/(ν + 3) over its scale²: 0.8/(5/7 · (0.06² + (0.03/10.05)²)), by hand 310.34.
    const run: TrialRun = { outcome: { kind: 'stopped', distance: 10 } };
    for (const distance of [10, 12]) expect(term(run, at(distance)).curvature[0]!).toBeCloseTo(310.35, 1);
    // The same by integrating the squared slope over all that may come of a model that says 10 m.
    const scale = Math.sqrt((5 / 7) * (0.06 ** 2 + (0.03 / 10.05) ** 2));
    let [total, information] = [0, 0];
    for (let z = -40; z <= 40; z += 0.005) {
      const density = (1 + (z * z) / 7) ** -4;
      const slope = (8 * z) / (7 + z * z) / scale;
      total += density;
      information += density * slope ** 2;
    }
    expect(information / total).toBeCloseTo(310.35, 0);
  });
  it('of a car that cannot run scatters in its distance alone', () => {
    const stuck = likelyCar({ ...newCar('x'), motor: { ...newCar('x').motor, releaseAngle: 4 } as CarDesign['motor'] }, FULL, 1);
    const { resistance, energy, grip, winding } = scatterDirections(stuck, stuck, [2, 4], makeWorkspace());
    expect([[...resistance], [...energy], [...grip], [...winding]]).toEqual([[-1, 0, 0, 0], [0, 0, 0, 0], [0, 0, 0, 0], [0, 0, 0, 0]]); // prettier-ignore
  });
  it('scatters by 1 at a full wind for a scatter of 1, by half of that at least, and not at all where it never starts', () => {
    const workspace = makeWorkspace();
    const full = likelyCar(newCar('x'), FULL, 1);
    const sizeOf = (car: typeof full): number => {
      const { resistance, energy } = scatterDirections(car, full, [], workspace);
      return Math.hypot(resistance[0]!, energy[0]!);
    };
    expect(sizeOf(full)).toBeCloseTo(1, 9);
    const barely = likelyCar(newCar('x'), { kind: 'turns', turns: 0.01 }, 0.01);
    expect(outputsOf(barely, [], workspace)!.values[0]!).toBeLessThan(Math.log(0.2));
    expect(sizeOf(barely)).toBeCloseTo(0.5, 9);
    const band = newCar('x', 'band');
    const still = scatterDirections(likelyCar(band, { kind: 'turns', turns: 0.5 }, 0.1), likelyCar(band, FULL, 1), [], workspace);
    expect([...still.resistance, ...still.energy].every((value) => value === 0)).toBe(true);
  });
  it('differs from the next as resistances, motor, grip and turns do: s² (a² + b²) + g² + w²', () => {
    const directions = {
      resistance: Float64Array.of(-0.8),
      energy: Float64Array.of(0.6),
      grip: Float64Array.of(0.03),
      winding: Float64Array.of(0.04),
    };
    expect(runVariance(directions, 0.05)).toBeCloseTo(0.05 ** 2 + 0.03 ** 2 + 0.04 ** 2, 12);
  });
  it('wound by feel differs by what 5 % of the turns do, in the distance and in its likelihood; counted, or wound by a number, by none', () => {
    const workspace = makeWorkspace();
    const felt = woundByFeel({ ...newCar('x', 'band'), sleeve: [] });
    const turns = fullTurns(felt);
    const of = (design: CarDesign, wind: Wind) => {
      const car = likelyCar(design, wind, 1);
      return scatterDirections(car, likelyCar(design, FULL, 1), [], workspace);
    };
    const at = (factor: number): number =>
      outputsOf(likelyCar(felt, { kind: 'turns', turns: factor * turns }, 1), [], workspace)!.values[0]!;
    const expected = (at(Math.exp(0.05)) - at(Math.exp(-0.05))) / 2;
    const directions = of(felt, FULL);
    // Of more turns it goes further: about twice as much in ln, since its energy grows with the square.
    expect(expected).toBeGreaterThan(0.05);
    expect(directions.winding[0]!).toBeCloseTo(expected, 2);
    expect(of(newCar('x', 'band'), FULL).winding[0]).toBe(0);
    expect(of(felt, { kind: 'turns', turns: 8 }).winding[0]).toBe(0);
    // A run that is a third short is less of a wonder.
    const short = observationOf({ outcome: { kind: 'stopped', distance: 20 } }, [], USUAL_INSTRUMENTS);
    const model = Float64Array.of(Math.log(30 + STALL));
    const without = { ...directions, winding: new Float64Array(directions.winding.length) };
    expect(runTerm(short, model, directions, 0.06).value).toBeGreaterThan(runTerm(short, model, without, 0.06).value);
  });
  it('of a car near wheelspin differs by its grip from run to run; of one far from it does not', () => {
    const workspace = makeWorkspace();
    const of = (design: CarDesign): number => {
      const car = likelyCar(design, FULL, 1);
      return scatterDirections(car, car, [], workspace).grip[0]!;
    };
    const band = newCar('x', 'band');
    expect(Math.abs(of({ ...band, measured: { staticGrip: { value: 0.1, spread: 0.1 } } }))).toBeGreaterThan(0.001);
    expect(of(band)).toBeCloseTo(0, 9);
    // 8 % of grip, by the model with a tenth more and less of it.
    const near: CarDesign = { ...band, measured: { staticGrip: { value: 0.1, spread: 0.1 } } };
    const [more, less] = [1.1, 0.9].map((factor) => outputsOf(withGrip(likelyCar(near, FULL, 1), factor), [], workspace)!.values[0]!);
    expect(of(near)).toBeCloseTo((0.08 * (more! - less!)) / 0.2, 9);
  });
  it('that passed a mark: a model that never gets there is less likely than one that is 15 % late', () => {
    const design = newCar('x');
    const wind: Wind = { kind: 'turns', turns: fullTurns(design) / 2 };
    const workspace = makeWorkspace();
    const car = likelyCar(design, wind, 0.5);
    const mark = 0.95 * (Math.exp(outputsOf(car, [], workspace)!.values[0]!) - STALL);
    const sound = outputsOf(car, [mark], workspace)!.values;
    const run: TrialRun = {
      outcome: { kind: 'stopped', distance: Math.exp(sound[0]!) - STALL },
      splits: [{ at: mark, time: Math.exp(sound[2]!) }],
    };
    const late = term(run, sound.with(2, sound[2]! + 0.15), [mark]).value;
    const short = outputsOf(withResistance(car, 1.2), [mark], workspace)!.values;
    expect(Math.exp(short[0]!) - STALL).toBeLessThan(mark);
    // Its distance as it was, so that the mark alone tells.
    expect(term(run, short.with(0, sound[0]!).with(1, sound[1]!), [mark]).value).toBeLessThan(late);
  });
});

describe.each(MOTOR_KINDS)('a %s car fitted to its runs', (kind) => {
  const design = newCar('x', kind);
  const [half, more] = winds(design);
  it('that runs as thought is expected to go on so, and the surer the more runs there are', () => {
    const fits = [1, 4].map((times) =>
      predictFitted(
        fitCar(
          [half, more].map((wind) =>
            alike(
              design,
              wind,
              Array(times)
                .fill(around(reach(design, wind)))
                .flat() as number[],
            ),
          ),
        )!,
        design,
        FULL,
      )!,
    );
    const width = ({ mean }: (typeof fits)[0]): number => Math.log(mean.high / mean.low);
    expect(fits[0]!.mean.middle / reach(design, FULL)).toBeCloseTo(1, 1);
    expect(width(fits[1]!)).toBeLessThan(width(fits[0]!));
    expect(fits[0]!.next.high).toBeGreaterThan(fits[0]!.mean.high);
  });
  it('that truly rolls a third harder is told its full winding from parts of it, far nearer than unfitted', () => {
    const workspace = makeWorkspace();
    const truly = (wind: Wind): number =>
      Math.exp(outputsOf(withResistance(likelyCar(design, wind, 1), 1.33), [], workspace)!.values[0]!) - STALL;
    const fitted = fitCar([half, more].map((wind) => alike(design, wind, around(truly(wind)))))!;
    const told = predictFitted(fitted, design, FULL)!;
    expect(Math.abs(told.mean.middle / truly(FULL) - 1)).toBeLessThan(0.05);
    expect(Math.abs(told.mean.middle / truly(FULL) - 1)).toBeLessThan(0.5 * Math.abs(reach(design, FULL) / truly(FULL) - 1));
    const { resistance } = posteriorChanges(fitted, design)!;
    expect(resistance.high).toBeGreaterThan(0.1);
  });
});

describe('a fit', () => {
  it('reads times at marks in whatever order they are given', () => {
    const design = newCar('x');
    const splits = [{ at: 1, time: 0.9 }, { at: 2, time: 1.5 }, { at: 4, time: 2.6 }]; // prettier-ignore
    const of = (order: typeof splits): number =>
      fitCar([{ design, wind: FULL, runs: [{ outcome: { kind: 'stopped', distance: reach(design, FULL) }, splits: order }] }])!.lnEvidence;
    expect(of(splits.toReversed())).toBeCloseTo(of(splits), 9);
    expect(of([])).not.toBeCloseTo(of(splits), 2);
  });
  const design = newCar('x');
  const [half, more] = winds(design);
  const sound = [half, more].map((wind) => alike(design, wind, around(reach(design, wind))));
  it('takes a wall as "at least": neither as a stop, nor as nothing', () => {
    const wall = 0.8 * reach(design, more);
    const low = alike(design, half, around(0.75 * reach(design, half)));
    const told = (group: TrialGroup | null): number => predictFitted(fitCar(group ? [low, group] : [low])!, design, more)!.mean.middle;
    const [asWall, asStop, without] = [
      told(alike(design, more, [wall, wall, wall], 'hit-wall')),
      told(alike(design, more, [wall, wall, wall])),
      told(null),
    ];
    expect(asStop).toBeLessThan(asWall);
    expect(asWall).toBeGreaterThanOrEqual(0.99 * without);
  });
  it('is not dragged by one run far off: Student’s t', () => {
    const odd = [
      alike(design, half, [...around(reach(design, half)), ...around(reach(design, half)), 0.4 * reach(design, half)]),
      sound[1]!,
    ];
    const [clean, dragged] = [sound, odd].map((groups) => predictFitted(fitCar(groups)!, design, half)!.mean.middle);
    expect(dragged! / clean!).toBeGreaterThan(0.95);
  });
  it('shares what versions share: a longer lever is told from runs with the shorter', () => {
    const longer: CarDesign = { ...design, motor: { ...design.motor, leverLength: 0.24 } as CarDesign['motor'] };
    const weak = [half, more].map((wind) => alike(design, wind, around(0.8 * reach(design, wind))));
    const told = predictFitted(fitCar(weak, { designs: [longer] })!, longer, FULL)!;
    expect(told.mean.middle).toBeLessThan(0.93 * reach(longer, FULL));
    expect(latentParameters([design, longer]).length).toBeLessThan(2 * latentParameters([design]).length);
  });
  it('changes nothing of a car that is off by nothing, and each unknown changes something', () => {
    const workspace = makeWorkspace();
    const car = likelyCar(design, FULL, 1);
    const unknowns = latentParameters([design]);
    expect(builtWith(car, unknowns, new Float64Array(unknowns.length))).toEqual(car);
    const before = outputsOf(car, [], workspace)!.values[0]!;
    const moved = unknowns.filter((unknown) => Math.abs(outputsOf(unknown.perturb(car, 1), [], workspace)!.values[0]! - before) > 1e-6);
    expect(moved.length).toBeGreaterThan(unknowns.length / 2);
  });
  it('that never started tells little of what it would do; whether the search ended is told', () => {
    const design = newCar('x', 'band');
    const never: TrialGroup = {
      design,
      wind: FULL,
      runs: Array.from({ length: 6 }, () => ({ outcome: { kind: 'stopped', distance: 0 } })),
    };
    const fitted = fitCar([never])!;
    const { mean, next } = predictFitted(fitted, design, FULL)!;
    expect(fitted.isSettled).toBe(true);
    // Its runs are within what is reported of the next one.
    expect(next.low).toBeLessThan(START);
    expect(mean.high).toBeGreaterThan(START);
    expect(mean.middle).toBeLessThan(START);
    // Hidden car 45 of the bench, its grip 10 % off: like runs that hold and spin by turns, so that no place is better than all beside it.
    const car = hiddenCar(45, 3, { gripOff: 0.1 });
    const turns = fullTurns(car.design);
    expect(fitCar([0.5, 0.75].map((part) => trials(car, fraction(turns, part), 3)))!.isSettled).toBe(false);
  });
  it('that a kink of the model keeps from its runs has them within what it tells all the same', () => {
    // A heavy lever that either stalls along its run or goes far: no value takes it to 8 m.
    const design = newCar('x');
    const fitted = fitCar([alike(design, FULL, [8, 8.3])])!;
    const { mean } = predictFitted(fitted, design, FULL)!;
    expect(fitted.unexplained).toBeGreaterThan(0.01);
    expect(fitted.unexplained).toBeLessThan(1);
    expect([mean.low < 8, mean.high > 8.3]).toEqual([true, true]);
    expect(fitCar([alike(design, FULL, around(reach(design, FULL)))])!.unexplained).toBe(0);
  });
  it('near wheelspin is told where it ends with tyres that hold, and that spin: by the model at 15 % more and less grip', () => {
    const plain = newCar('x', 'band');
    const workspace = makeWorkspace();
    const grip = (design: CarDesign): number => outputsOf(likelyCar(design, FULL, 1), [], workspace)!.grip;
    // So much grip that the launch just holds.
    const value = plain.measured.staticGrip?.value ?? likelyCar(plain, FULL, 1).numbers.staticGrip!;
    const design: CarDesign = {
      ...plain,
      measured: { staticGrip: { value: value * Math.exp(0.05 - grip(plain)), spread: 0.05, on: plain.floor.kind } },
    };
    expect(grip(design)).toBeCloseTo(0.05, 2);
    const fitted = fitCar([], { designs: [design] })!;
    const { fork } = predictFitted(fitted, design, FULL)!;
    const at = (ratio: number): number =>
      Math.exp(outputsOf(withGrip(likelyCar(design, FULL, 1), Math.exp(ratio - grip(design))), [], workspace)!.values[0]!) - STALL;
    expect(fork!.holds).toBeCloseTo(at(0.15), 6);
    expect(fork!.spins).toBeCloseTo(at(-0.15), 6);
    expect(fork!.spins).toBeLessThan(fork!.holds);
    expect(predictFitted(fitCar([], { designs: [plain] })!, plain, { kind: 'turns', turns: 2 })!.fork).toBeNull();
  });
  it('knows that resistance may grow with speed: at one deviation so much drag as takes 0.137 of what rolls, at top speed', () => {
    const design = newCar('x');
    const growing = latentParameters([design]).find(({ id }) => id === 'growing')!;
    const car = likelyCar(design, FULL, 1);
    const prediction = predictRun(design);
    if (prediction.kind !== 'ran') throw new Error('does not run');
    const { energy, distance, topSpeed } = prediction.result;
    const more = growing.perturb(car, 1).numbers.dragArea! - car.numbers.dragArea!;
    // 0.1 (e^0.6 − 1)/0.6 = 0.137 of the mean force of rolling and bearings; ½ ρ A v², ρ of `AIR_DENSITY`.
    const rolls = (energy.rolling + energy.driveBearing + energy.otherBearing) / distance;
    expect((0.5 * AIR_DENSITY * more * topSpeed ** 2) / rolls).toBeCloseTo(0.137, 3);
    expect(growing.perturb(car, -9).numbers.dragArea!).toBeGreaterThan(0);
  });
  it('says what further run would tell most, as shares of what is not known', () => {
    const further = furtherRuns(fitCar([sound[0]!])!, design, fullTurns(design));
    expect(further.map(({ fraction: share }) => share)).toEqual(further.map(({ fraction: share }) => share).toSorted((a, b) => b - a));
    for (const { fraction: share } of further) expect(share).toBeLessThan(1);
    expect(further[0]!.fraction).toBeGreaterThan(0.05);
    // A thumb on a watch is off by a quarter of a second in ten and more: a stop time fully wound tells a tenth, and more than one at half.
    const shareOf = (id: string): number => further.find((one) => one.id === id)!.fraction;
    expect(shareOf('stop-time-full')).toBeGreaterThan(0.08);
    expect(shareOf('stop-time-full')).toBeGreaterThan(1.3 * shareOf('stop-time-half'));
    // A distance alone is another reading than a time, and tells the more the further it is wound.
    expect(shareOf('full')).not.toBeCloseTo(shareOf('stop-time-full'), 3);
    expect(shareOf('half')).not.toBeCloseTo(shareOf('stop-time-half'), 3);
    const byDistance = ['half', 'three-quarters', 'full'].map(shareOf);
    expect(byDistance).toEqual(byDistance.toSorted((a, b) => a - b));
  });
  it('puts its values into the car, marked as fitted, beside what was measured', () => {
    const measured: CarDesign = { ...design, measured: { springRate: { value: 0.11, spread: 0.05 } } };
    const runs = [half, more].map((wind) => alike(measured, wind, around(0.7 * reach(measured, wind))));
    const fitted = fitCar(runs)!;
    const put = withFittedValues(measured, fittedValues(fitted, measured));
    expect(put.measured.springRate).toEqual(measured.measured.springRate);
    expect(Object.values(put.measured).filter((value) => 'from' in value && value.from === 'fit').length).toBeGreaterThan(0);
    expect(reach(put, FULL)).toBeLessThan(0.9 * reach(measured, FULL));
  });
  it('suggests only changes that most of what it leaves open gains by, the best first', () => {
    const found = nextChanges(fitCar(sound)!, design)!;
    expect(found.changes.length).toBeGreaterThan(0);
    for (const { gain, chance, design: changed } of found.changes) {
      expect(gain).toBeGreaterThan(0);
      expect(chance).toBeGreaterThanOrEqual(0.8);
      expect(changed.floor).toEqual(design.floor);
    }
    expect(found.changes.map(({ gain }) => gain)).toEqual(found.changes.map(({ gain }) => gain).toSorted((a, b) => b - a));
  });
});
