import { describe, expect, it } from 'vitest';
import { newCar } from './new-car.ts';
import { describeChanges } from './difference.ts';
import { launchSleeve } from '../checks/chassis-remedies.ts';
import { predictRun } from '../predict/predict-run.ts';
import { onAxle, TAPE, taped, thickestSpool, describeWinding } from './tape.ts';

const bare = { ...newCar('x', 'band'), sleeve: [] };
const steps = [
  { wraps: 9, turns: 1.5 },
  { wraps: 0, turns: 1 },
  { wraps: 1, turns: 3.2 },
];

describe('tape on the axle', () => {
  it('is told in wraps and turns, the last wound first', () =>
    expect(describeWinding(steps)).toEqual([
      '9 wraps of 0.13 mm tape under the last 1½ turns',
      'bare axle under the turn before',
      '1 wrap under the 3.2 turns before',
    ]));
  it.each([
    [0.5, 'the last ½ turn'],
    [1, 'the last turn'],
    [2, 'the last 2 turns'],
    [0.3, 'the last 0.3 turn'],
  ])('counts %d turns as people do', (turns, words) => expect(describeWinding([{ wraps: 2, turns }])[0]).toContain(words));
  it('makes the axle thicker by two thicknesses a wrap, what pulls first outermost', () => {
    const { sleeve } = taped(bare, steps);
    expect(sleeve.map(({ turns }) => turns)).toEqual([3.2, 1, 1.5]);
    expect(sleeve.at(-1)!.diameter).toBeCloseTo(bare.axleDiameter + 18 * TAPE, 12);
    expect(sleeve[1]!.diameter).toBe(bare.axleDiameter);
  });
  it('stays where it is on another axle: what the axle outgrows is bare', () => {
    const car = taped(bare, [
      { wraps: 0, turns: 4 },
      { wraps: 30, turns: 2 },
      { wraps: 2, turns: 1 },
    ]);
    const thicker = onAxle(car, 0.006);
    expect(thicker.sleeve.map(({ turns }) => turns)).toEqual([2, 4]);
    expect(thicker.sleeve[1]!.diameter).toBe(0.006);
    expect(thickestSpool(thicker)).toBe(thickestSpool(car));
    expect(onAxle(car, 0.02).sleeve).toEqual([]);
    expect(predictRun(thicker).kind).toBe('ran');
  });
  it('is a change of its own, all of its steps told', () => {
    expect(describeChanges(bare, taped(bare, steps.slice(0, 1)), 'metric').replaceAll('\u00a0', ' ')).toBe(
      'tape none → ⌀ 5.5 mm under the last 1½ turns',
    );
    expect(describeChanges(taped(bare, steps), bare, 'inch')).toContain('before → none');
  });
  it('is offered for a launch that pulls too little, as wraps to put on', () => {
    const [offered] = launchSleeve(bare);
    expect(offered!.label).toMatch(/^\d+ wraps of 0.13 mm tape under the last turn$/);
    expect(offered!.design.sleeve[0]!.diameter / bare.axleDiameter).toBeCloseTo(2, 1);
    expect(launchSleeve(offered!.design)).toEqual([]);
    expect(launchSleeve(newCar('x', 'twist'))).toEqual([]);
  });
});
