import { renderToStaticMarkup } from 'react-dom/server';
import { Provider } from 'react-redux';
import { describe, expect, it } from 'vitest';
import { aimOf, type Goal } from '../../../../core/brief/goal.ts';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { newCar } from '../../../../core/car/new-car.ts';
import { marksOf } from '../../../../core/explore/aim.ts';
import { assess } from '../../../../core/explore/assess.ts';
import { predictRun } from '../../../../core/predict/predict-run.ts';
import { makeStore } from '../../../app/store.ts';
import { VerdictHeadline } from './verdict-headline.tsx';

const explain = () => ({ title: '', formula: '', numbers: [] });
function leadOf(goal: Goal, car: CarDesign = newCar('x', 'band')): string {
  const design = { ...car, aim: aimOf(goal) };
  const prediction = predictRun(design, { kind: 'full' }, { marks: marksOf(design.aim) });
  if (prediction.kind === 'refused') throw new Error('refused');
  const lead = (
    <VerdictHeadline design={design} result={prediction.result} assessment={assess(design, 'metric')} halfWidth={2} explain={explain} />
  );
  return renderToStaticMarkup(<Provider store={makeStore()}>{lead}</Provider>)
    .replaceAll(/<[^>]+>/g, '|')
    .replaceAll('\u00a0', ' ')
    .replaceAll(/\|+/g, '|');
}

describe('the verdict leads with what is asked', () => {
  it.each<[Goal, RegExp]>([
    [
      { kind: 'furthest' },
      /^\|about \|[\d.]+\| m\|predicted distance, fully wound\|Cars built like this: [\d.]+–[\d.]+ m \(8 in 10\)\|This car’s next run: [\d.]+–[\d.]+ m \(8 in 10\)/,
    ],
    [{ kind: 'at-least', distance: 5 }, /^\|at least 5\.00 m: (over )?\d+ % likely\|about \|[\d.]+\| m\|/],
    [
      { kind: 'quickest-to', distance: 4 },
      /^\|quickest to 4\.00 m: (over )?\d+ % likely\|about \|[\d.]+\| s\|to 4\.00 m\|Cars built like this: [\d.]+–[\d.]+ s \(8 in 10\)\|Predicted distance: about [\d.]+ m/,
    ],
    [{ kind: 'carry', distance: 4 }, /\|about \|\d+\| g\|carried over 4\.00 m\|Cars built like this: \d+–\d+ g \(8 in 10\)\|/],
    [
      { kind: 'through-gap', distance: 4, width: 0.8 },
      /^\|through 0\.80 m at 4\.00 m: \d+ % likely\|about \|[\d.]+\| m\|off the line at 4\.00 m\|/,
    ],
    [{ kind: 'quickest-to', distance: 400 }, /^\|quickest to 400\.00 m: under \d % likely\|It stops short\.\|Predicted distance: about/],
  ])('%o', (goal, words) => expect(leadOf(goal)).toMatch(words));
  it('and says that it cannot tell how straight a roller runs', () =>
    expect(leadOf({ kind: 'straightest' }, newCar('x', 'twist'))).toMatch(
      /^\|furthest straight: cannot tell, .*\|Predicted distance: about [\d.]+ m, fully wound\| · then rolls back\|$/,
    ));
});

describe('what is not asked does not shout', () => {
  const checkOf = (id: string, design: CarDesign) => assess(design, 'metric')!.checks.find((check) => check.id === id)!;
  it('drift is a warning only where a line or a lane is asked for', () => {
    const car = newCar('x');
    expect(checkOf('drift', car).verdict).toBe('good');
    expect(
      checkOf('drift', { ...car, aim: aimOf({ kind: 'through-gap', distance: 5, width: 0.8 }), floor: { ...car.floor, laneWidth: 0.4 } })
        .verdict,
    ).not.toBe('good');
    expect(checkOf('drift', { ...car, floor: { ...car.floor, laneWidth: 0.2 } }).verdict).not.toBe('good');
  });
  it('a wall behind the mark that counts is none', () => {
    const car: CarDesign = { ...newCar('x', 'band'), floor: { ...newCar('x').floor, roomLength: 6 } };
    expect(checkOf('short-room', car).verdict).toBe('warning');
    expect(checkOf('short-room', { ...car, aim: aimOf({ kind: 'quickest-to', distance: 4 }) }).verdict).toBe('good');
    expect(checkOf('short-room', { ...car, aim: aimOf({ kind: 'closest-to', distance: 4 }) }).verdict).toBe('warning');
  });
});
