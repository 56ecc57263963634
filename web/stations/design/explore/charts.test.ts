import { describe, expect, it } from 'vitest';
import { aimOf, type Goal } from '../../../../core/brief/goal.ts';
import { newCar } from '../../../../core/car/new-car.ts';
import { findSize } from '../../../../core/car/sizes.ts';
import { growingMap, mapRows, type MapRequest } from '../../../../core/explore/map.ts';
import { boundedSweep, evenlySpaced } from '../../../../core/explore/sweep.ts';
import { TOKENS } from '../../../ui/tokens.ts';
import { sizeHead, sizeName } from './axes.ts';
import { cellAt, spins } from './map-option.ts';
import { exploredRange } from './ranges.ts';
import { readingOf, sweepOption, sweptOf, type Swept } from './sweep-option.ts';

const car = newCar('x', 'band');
const turns = findSize(car, 'turns');
const wheels = findSize(car, 'driveWheels');

describe('a sweep as a chart', () => {
  const points = boundedSweep(car, 'turns', evenlySpaced(4, 20, 9));
  const optionOf = (shown: Swept, units: 'metric' | 'inch', asked: Goal = { kind: 'furthest' }) =>
    sweepOption({
      points,
      present: 9,
      best: 12,
      reading: readingOf(shown, aimOf(asked)),
      size: turns,
      units,
      tokens: TOKENS.light,
    }) as unknown as {
      yAxis: { name: string };
      series: {
        name: string;
        data: [number, number | null][];
        markArea?: { data: [{ name: string; xAxis: number }, { xAxis: number }][] };
      }[];
    };
  it('is drawn in the units shown, with gaps where a car cannot run', () => {
    const line = (units: 'metric' | 'inch') => optionOf('distance', units).series.find(({ name }) => name === 'distance')!.data;
    expect(line('metric')[0]![1]! / line('inch')[0]![1]!).toBeCloseTo(0.3048, 9);
    expect(line('metric').at(-1)![1]).toBeNull();
    expect(optionOf('grip', 'metric').yAxis.name).toBe('launch grip, × what it needs');
  });
  it.each(['distance', 'time', 'grip'] as const)('has the range of %s as a band above its low edge', (shown) => {
    const { series } = optionOf(shown, 'metric');
    const [low, range, likely] = series.map(({ data }) => data.find(([x]) => x === 8)![1]!);
    expect(likely).toBeGreaterThan(low!);
    expect(likely).toBeLessThan(low! + range!);
  });
  it('shows what is asked first, in its unit and for the cars that get there', () => {
    const goal: Goal = { kind: 'quickest-to', distance: 5 };
    expect(sweptOf(turns, aimOf(goal))[0]).toBe('asked');
    expect(sweptOf(turns, aimOf({ kind: 'furthest' }))[0]).toBe('distance');
    const timed = boundedSweep({ ...car, aim: aimOf(goal) }, 'turns', evenlySpaced(2, 12, 6));
    for (const { asked, askedBounds, distance } of timed) {
      expect(Number.isNaN(asked)).toBe(!(distance >= 5));
      if (distance < 8) continue;
      expect(asked).toBeGreaterThan(askedBounds.low);
      expect(asked).toBeLessThan(askedBounds.high);
    }
    expect(optionOf('asked', 'metric', goal).yAxis.name).toBe('goal, s');
    expect(optionOf('asked', 'inch', { kind: 'load-distance' }).yAxis.name).toBe('goal, kg·m');
  });
  it('names what stops the cars of a stretch', () => {
    const areas = optionOf('distance', 'metric').series.find(({ markArea }) => markArea)!.markArea!.data;
    expect(areas.map(([{ name }]) => name)).toEqual(['✕ stretch of the band', '✕ cannot run']);
  });
});

describe('a map', () => {
  const request: MapRequest = {
    design: { ...car, tyre: 'bare-disc' },
    across: { id: 'turns', values: evenlySpaced(4, 14, 5) },
    up: { id: 'driveWheels', values: evenlySpaced(0.06, 0.14, 5) },
  };
  const cars = growingMap(25, 5);
  cars.add(mapRows(request, 0, 5));
  it('finds the cell under a place on its axes, in the units shown', () => {
    const picture = { request, cars, isWhole: true };
    expect(cellAt(picture, turns, wheels, 'metric', 4, 60)).toBe(0);
    expect(cellAt(picture, turns, wheels, 'metric', 14, 140)).toBe(24);
    expect(cellAt(picture, turns, wheels, 'inch', 9, 0.1 / 0.0254)).toBe(12);
    expect(cellAt(picture, turns, wheels, 'metric', 99, -5)).toBe(4);
  });
  it('tells which cars spin: more turns on smaller wheels pull harder', () => {
    expect(spins(cars, 4)).toBe(true);
    expect(spins(cars, 20)).toBe(false);
  });
});

describe('axes', () => {
  it('say the unit where there is one', () => {
    expect(sizeName(wheels, 'inch')).toBe('Drive wheels ⌀, in');
    expect(sizeName(turns, 'metric')).toBe('Turns of a full wind');
    expect(sizeHead(wheels)).toBe('Drive wheels ⌀ m');
  });
  it('reach from below to above the present value, within what a slider covers', () => {
    const [low, high] = exploredRange(wheels, car);
    expect(low).toBeLessThan(0.12);
    expect(high).toBeGreaterThan(0.12);
    expect(low).toBeGreaterThanOrEqual(wheels.low);
    expect(high).toBeLessThanOrEqual(wheels.high);
  });
});
