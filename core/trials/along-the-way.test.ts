import { describe, expect, it } from 'vitest';
import { newCar } from '../car/new-car.ts';
import { readWayTable } from '../files/way-table.ts';
import { coastingAir } from '../predict/coasting-air.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { predictRun } from '../predict/predict-run.ts';
import { readLines } from '../rig/line-protocol.ts';
import { windingLines } from '../rig/simulated-rig.ts';
import { turnsWound } from '../rig/turns-wound.ts';
import { alongTheWay, coastingAlong, measuredAlong, modelledAlong, type Passing } from './along-the-way.ts';
import { floorSlopeFromRuns, floorSlope } from './floor-slope.ts';

const car = newCar('Tern');
const whole = predictRun(car, { kind: 'full' }, { trace: true });
if (whole.kind === 'refused') throw new Error('refused');
const { distance, trace } = whole.result;
const marks = Array.from({ length: 18 }, (_, i) => (0.95 * distance * (i + 1)) / 18);
const timed = predictRun(car, { kind: 'full' }, { marks });
const passings: Passing[] = timed.kind === 'ran' ? timed.result.marks.map(({ distance: at, time }) => ({ at, time })) : [];

describe('along the way', () => {
  const way = alongTheWay(passings, 0.001, coastingAir(car))!;
  it('the speeds between marks are those of the run, and the pull ends where they are greatest', () => {
    for (const [at, speed] of measuredAlong(way, 'speed').slice(1)) {
      const i = trace!.distance.findIndex((x) => x >= at);
      expect(speed / trace!.speed[i]!).toBeGreaterThan(0.9);
      expect(speed / trace!.speed[i]!).toBeLessThan(1.1);
    }
    const fastest = trace!.distance[trace!.speed.indexOf(Math.max(...trace!.speed))]!;
    expect(way.pullEnded!.from).toBeLessThan(fastest);
    expect(way.pullEnded!.to).toBeGreaterThan(fastest);
    expect(way.coastsFrom).toBeGreaterThan(way.pullEnded!.from);
    expect(modelledAlong(trace!, 'speed')[100]).toEqual([trace!.distance[100], trace!.speed[100]]);
  });
  it('the coasting is the car’s own: what rolls and rubs over what moves', () => {
    const last = trace!.phase.lastIndexOf('coasting') - 1;
    const { mass, driveWheels, otherWheels } = deriveRunSetup(car).car;
    const moving = mass + driveWheels.inertia / driveWheels.radius ** 2 + otherWheels!.inertia / otherWheels!.radius ** 2;
    expect(way.coast!.a0.value / (trace!.resistance[last]! / moving)).toBeCloseTo(1, 1);
    const [at, fitted] = coastingAlong(way, distance, 'speed')[10]!;
    expect(fitted / trace!.speed[trace!.distance.findIndex((x) => x >= at)]!).toBeCloseTo(1, 1);
    expect(coastingAlong(way, distance, 'acceleration').every(([, slowing]) => slowing < 0)).toBe(true);
    expect(modelledAlong(trace!, 'acceleration').at(-1)![1]).toBeCloseTo(-way.coast!.a0.value, 1);
  });
  it('has the speeds and accelerations of the book: 1 m in 1 s, 2 m in 1 s, 1 m in 1 s', () => {
    const told = alongTheWay([{ at: 1, time: 1 }, { at: 3, time: 2 }, { at: 4, time: 3 }], 0.001)!; // prettier-ignore
    expect(measuredAlong(told, 'speed')).toEqual([[0.5, 1], [2, 2], [3.5, 1]]); // prettier-ignore
    expect(measuredAlong(told, 'acceleration')).toEqual([[1, 1], [3, -1]]); // prettier-ignore
    expect(told.pullEnded).toEqual({ from: 0.5, to: 3.5 });
  });
  it('coasts from the end of its fastest piece', () => {
    let time = 0;
    const told = alongTheWay(
      [1, 2, 3, 2.9, 2.8, 2.7, 2.6, 2.5].map((speed, i) => ({ at: i + 1, time: (time += 1 / speed) })),
      0.001,
    )!;
    expect(told.coastsFrom).toBe(3);
    expect(told.coast!.a0.value).toBeGreaterThan(0);
  });
  it('says nothing of a pull that had not ended, of coasting without marks, of one mark', () => {
    const gaining = alongTheWay(passings.slice(0, 2), 0.001)!;
    expect(gaining.pullEnded).toBeNull();
    expect(gaining.coast).toBeNull();
    expect(alongTheWay(passings.slice(0, 1), 0.001)).toBeNull();
  });
  it('thins what a camera tells to pieces that a clock can tell apart', () => {
    const dense = Array.from({ length: 300 }, (_, i) => ({ at: (i + 1) / 50, time: 1 + i / 60 }));
    const { speeds } = alongTheWay(dense, 0.01)!;
    expect(speeds.length).toBeLessThanOrEqual(25);
    expect(speeds.at(-1)!.to).toBe(6);
  });
});

describe('a file of positions and times', () => {
  it('is read by its headings in any order, with units and decimal commas, counted from the line', () => {
    const { points, faults } = readWayTable([
      ['t in s', 'position'],
      ['0,5', '0'],
      ['1,5', '40 cm'],
      ['2,5', '1,6'],
    ]);
    expect(faults).toEqual([]);
    expect(points).toEqual([
      { at: 0.4, time: 1 },
      { at: 1.6, time: 2 },
    ]);
  });
  it('without headings is place, then time; what cannot be read is told by its line', () => {
    expect(readWayTable([['1', '0.8'], ['2', '1.4']]).points).toEqual([{ at: 1, time: 0.8 }, { at: 2, time: 1.4 }]); // prettier-ignore
    expect(readWayTable([['x', 'time'], ['1', 'soon']]).faults[0]).toMatch(/^line 2: time: /); // prettier-ignore
  });
});

describe('runs out and back', () => {
  it('tell the lean of a floor: 1 N a kilo over 10 and 12.5 m of 1 J (by hand: 0.1 and 0.08 N, half their difference over 9.80665 N)', () => {
    const lean = floorSlope([9.9, 10.1], [12.4, 12.6], 1, 1)!;
    expect(lean.slope).toBeCloseTo(0.01 / 9.80665, 9);
    expect(lean.level).toBeCloseTo(2 / 0.18, 9);
    expect(lean.deviation).toBeGreaterThan(0);
    expect(floorSlope([10], [12, 13], 1, 1)).toBeNull();
  });
  it('of the model’s own car on a floor that leans tell that lean', () => {
    const reach = (slope: number): number => {
      const ran = predictRun({ ...car, floor: { ...car.floor, slope } });
      return ran.kind === 'ran' ? ran.result.distance : NaN;
    };
    const [out, back] = [reach(0.003), reach(-0.003)];
    const { slope, level } = floorSlopeFromRuns(car, { kind: 'full' }, [out, out], [back, back])!;
    expect(slope).toBeGreaterThan(0.002);
    expect(slope).toBeLessThan(0.004);
    expect(level / distance).toBeCloseTo(1, 1);
  });
});

describe('a turn sensor', () => {
  it('follows the winding whichever way it counts', () => {
    expect(turnsWound(readLines(windingLines(7.5)).events)).toBe(7.5);
    expect(turnsWound(readLines('t=0 turns=2\nt=1 turns=5.04').events)).toBe(3);
    expect(turnsWound([])).toBe(0);
  });
});
