import { describe, expect, it } from 'vitest';
import type { MotorKind } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { ideaTrial, trialWords } from './idea-trials.ts';
import { IDEAS, type Idea } from './idea.ts';
import { figuresOf, type CarFigure } from './measured-car.ts';

const TRIED = (Object.keys(IDEAS) as Idea[]).filter((idea) => idea !== 'luck');
const MOTORS: readonly MotorKind[] = ['lever', 'band', 'twist'];
/** A figure over the steps that run. */
const over = (idea: (typeof TRIED)[number], figure: CarFigure): number[] =>
  ideaTrial(idea, newCar('x'), 'metric').steps.flatMap(({ figures }) => (figures ? [figures[figure]] : []));
const isRising = (list: readonly number[]): boolean => list.every((one, i) => i === 0 || one >= list[i - 1]! - 1e-9);

describe('what is tried on the page of an idea', () => {
  it.each(MOTORS.flatMap((kind) => TRIED.map((idea) => [kind, idea] as const)))(
    '%s, %s: the car itself is a step, as it runs',
    (kind, idea) => {
      const design = newCar('x', kind);
      const trial = ideaTrial(idea, design, 'metric');
      expect(trial.steps[trial.own]!.figures).toEqual(figuresOf(design));
      expect(new Set(trial.steps.map(({ words }) => words)).size).toBe(trial.steps.length);
      expect(trialWords(trial, 'metric')).not.toMatch(/NaN|undefined/);
      if (kind !== 'twist') expect(trial.steps.length).toBeGreaterThan(3);
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
});
