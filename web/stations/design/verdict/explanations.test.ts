import { describe, expect, it } from 'vitest';
import type { MotorKind } from '../../../../core/car/car-design.ts';
import { newCar } from '../../../../core/car/new-car.ts';
import { predictRun } from '../../../../core/predict/predict-run.ts';
import { formatIn } from '../../../../core/units/quantity.ts';
import { explanationOf } from './explanations.ts';

const FIGURES = ['distance', 'time', 'top speed', 'under power', 'turns wound', 'launch grip', 'wheelspin', 'range', 'energy'];

describe.each(['lever', 'band', 'twist'] as MotorKind[])('a figure of a %s car explains itself', (kind) => {
  const design = newCar('x', kind);
  const prediction = predictRun(design);
  if (prediction.kind === 'refused') throw new Error('refused');
  const explain = (figure: string, car = design) => explanationOf(figure, car, prediction.result, formatIn('metric'));

  it.each(FIGURES)('%s: by a formula, and numbers with where they come from', (figure) => {
    const { title, formula, numbers } = explain(figure);
    expect(title).not.toBe('');
    expect(formula).toMatch(/\.$/);
    expect(numbers.length).toBeGreaterThan(0);
    for (const [name, value, from] of numbers) {
      expect(name).not.toBe('');
      expect(value).toMatch(/\d/);
      expect(from).not.toBe('');
    }
  });
  it('tells a measured number from an estimated one', () => {
    const fromOf = (car = design) => explain('wheelspin', car).numbers[0]![2];
    expect(fromOf()).toBe('estimated');
    expect(fromOf({ ...design, measured: { slidingRatio: { value: 0.5, spread: 0.05 } } })).toBe('measured');
  });
});
