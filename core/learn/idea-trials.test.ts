import { describe, expect, it } from 'vitest';
import type { MotorKind } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { valueOf } from '../car/values.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';
import { formatQuantity } from '../units/quantity.ts';
import { ideaTrial, describeTrial, type TrialStep } from './idea-trials.ts';
import { IDEAS, type Idea } from './idea.ts';
import { figuresOf, formatWatched, type CarFigure } from './measured-car.ts';

const TRIED = (Object.keys(IDEAS) as Idea[]).filter((idea) => idea !== 'luck');
const MOTORS: readonly MotorKind[] = ['lever', 'band', 'twist'];
const car = newCar('x');
const stepsOf = (idea: (typeof TRIED)[number]): readonly TrialStep[] => ideaTrial(idea, car, 'metric').steps;
/** A figure over the steps that run. */
const over = (idea: (typeof TRIED)[number], figure: CarFigure): number[] =>
  stepsOf(idea).flatMap(({ figures }) => (figures ? [figures[figure]] : []));
const isRising = (list: readonly number[]): boolean => list.length > 4 && list.every((one, i) => i === 0 || one > list[i - 1]!);

describe('what is tried on the page of an idea', () => {
  it.each(MOTORS.flatMap((kind) => TRIED.map((idea) => [kind, idea] as const)))(
    '%s, %s: the car itself is a step, as it runs',
    (kind, idea) => {
      const design = newCar('x', kind);
      const trial = ideaTrial(idea, design, 'metric');
      expect(trial.steps[trial.own]!.design).toBe(design);
      expect(trial.steps.filter((step) => step.design === design && step.wind.kind === 'full')).toHaveLength(1);
      expect(trial.steps[trial.own]!.figures).toEqual(figuresOf(design));
      expect(new Set(trial.steps.map(({ words }) => words)).size).toBe(trial.steps.length);
      expect(describeTrial(trial, 'metric')).not.toMatch(/NaN|undefined/);
      // A roller has no axle to turn out of square.
      expect(trial.steps.length).toBeGreaterThan(kind === 'twist' && idea === 'straight' ? 0 : 3);
    },
  );
  it('shows what the idea says', () => {
    expect(isRising(over('energy', 'energy'))).toBe(true);
    expect(isRising(over('pull', 'pull').toReversed())).toBe(true);
    const energies = over('pull', 'energy');
    expect(Math.max(...energies) / Math.min(...energies)).toBeLessThan(1.02);
    expect(isRising(over('gears', 'pull').toReversed())).toBe(true);
    expect(isRising(over('coasting', 'distance').toReversed())).toBe(true);
    expect(isRising(over('air', 'speed').toReversed())).toBe(true);
    const drifts = over('straight', 'drift');
    expect(drifts[4]).toBe(Math.min(...drifts));
    expect(new Set(over('straight', 'distance')).size).toBe(1);
  });
  it('tells each step by what it changes', () => {
    const format = (metres: number): string => formatQuantity(metres, 'size', 'metric');
    for (const { words, design } of stepsOf('pull'))
      expect(words).toBe(design.motor.kind === 'lever' ? format(design.motor.leverLength) : '');
    for (const { words, design } of stepsOf('gears')) expect(words).toBe(format(design.driveWheels.diameter));
    for (const { words, design } of stepsOf('mass'))
      expect(words).toBe(formatQuantity(design.ballast.mass - car.ballast.mass, 'weight', 'metric'));
    for (const { words, wind } of stepsOf('energy')) {
      const turns = wind.kind === 'turns' ? wind.turns : fullTurns(car);
      expect(words).toBe(`${Number(turns.toFixed(1))} turns`);
    }
    expect(stepsOf('coasting').map(({ design }) => Math.round(1000 * (design.floor.slope - car.floor.slope)))).toEqual([
      -8, -6, -4, -2, 0, 2, 4, 6, 8,
    ]);
    expect(stepsOf('coasting')[0]!.words).toBe('8 mm down in a metre');
    expect(
      stepsOf('straight').map(({ design }) => Math.round(((180 * (design.alignment.otherToe - car.alignment.otherToe)) / Math.PI) * 2) / 2),
    ).toEqual([-2, -1.5, -1, -0.5, 0, 0.5, 1, 1.5, 2]);
    expect(stepsOf('straight').at(-1)!.words).toBe('2° to the left');
    const air = valueOf(car, 'dragArea').value;
    expect(stepsOf('air').map(({ words, design }) => [words, Number((valueOf(design, 'dragArea').value / air).toFixed(6))])).toEqual([
      ['half', 0.5],
      ['unchanged', 1],
      ['2 times', 2],
      ['4 times', 4],
      ['8 times', 8],
    ]);
    for (const { design } of ideaTrial('pull', newCar('x', 'band'), 'metric').steps)
      expect(design.motor).toMatchObject({ kind: 'band', parallel: (newCar('x', 'band').motor as { parallel: number }).parallel });
    expect(ideaTrial('pull', newCar('x', 'band'), 'metric').steps.map(({ design }) => (design.motor as { series: number }).series)).toEqual(
      [1, 2, 3, 4, 5, 6],
    );
  });
  it('tells figures to three digits, and what is next to nothing as nothing', () => {
    expect(formatWatched('pull', 0.09344, 'metric')).toBe('0.0934\u00a0N');
    expect(formatWatched('distance', 22.147, 'metric')).toBe('22.1\u00a0m');
    expect(formatWatched('wheelspin', 0.0004, 'metric')).toBe('0\u00a0m');
  });
});
