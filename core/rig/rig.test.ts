import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { gateRun } from './gate-run.ts';
import { readLine, readLines } from './line-protocol.ts';
import { rigLines, type RigRun } from './simulated-rig.ts';

describe('a line of a device', () => {
  it.each([
    ['t=12.345 gate=2', [{ t: 12.345, kind: 'gate', value: 2 }]],
    ['t=3.21 turns=7.5 # half a turn more', [{ t: 3.21, kind: 'turns', value: 7.5 }]],
    [
      '  t=0.5   force=1.23  angle=0.2',
      [
        { t: 0.5, kind: 'force', value: 1.23 },
        { t: 0.5, kind: 'angle', value: 0.2 },
      ],
    ],
    ['mass=0.12 t=1', [{ t: 1, kind: 'mass', value: 0.12 }]],
    ['# board 3, version 2', []],
    ['', []],
    ['t=1 battery=4.1', []],
  ])('%j tells what it says, and no more', (line, events) => expect(readLine(line)).toEqual(events));
  it.each([
    ['gate=2', /no t=/],
    ['t=1 gate=x', /has no number/],
    ['t= gate=1', /has no number/],
    ['t=1 gate=1.5', /whole number/],
    ['t=1 gate=-1', /whole number/],
    ['hello', /is not key=value/],
    [`t=1 gate=1 x=${'9'.repeat(600)}`, /longer/],
  ])('%j is told to be broken', (line, message) => expect(readLine(line)).toMatch(message));
  it('is told by its number, and takes no other with it', () => {
    const { events, faults } = readLines('t=1 gate=0\r\nbroken\nt=2 gate=1\n', 7);
    expect(events.map(({ value }) => value)).toEqual([0, 1]);
    expect(faults).toEqual([{ line: 8, message: '“broken” is not key=value' }]);
  });
  it('never breaks the reader, whatever it says', () =>
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (text) => {
        const read = readLine(text);
        expect(
          typeof read === 'string' ? read.length : read.every(({ t, value }) => Number.isFinite(t) && Number.isFinite(value)),
        ).toBeTruthy();
      }),
    ));
});

describe('a run by gates and turns', () => {
  // Worked by hand: a wheel of 0.4 m about turns 12 times on 4 m to gate 1 (4.8 m: 0.8 m of spin), then 5 more turns after the last gate.
  const events = readLines(
    't=10 gate=0\nt=10 turns=0\nt=12 gate=1\nt=12 turns=12\nt=14 gate=2\nt=14 turns=17\nt=18 turns=22\nt=19 turns=22',
  ).events;
  it('has its splits, speeds, wheelspin, stop and distance', () => {
    expect(gateRun(events, [4, 6], 0.4)).toEqual({
      splits: [
        { at: 4, time: 2 },
        { at: 6, time: 4 },
      ],
      speeds: [
        { from: 0, to: 4, speed: 2 },
        { from: 4, to: 6, speed: 1 },
      ],
      stopTime: 8,
      stopDistance: 8,
      spunFor: 0.8,
      unplaced: [],
    });
  });
  it('is told in any order, a flickering gate once, and names gates without a place', () => {
    const told = gateRun([...events].reverse(), [4, 6], 0.4);
    expect(told).toEqual(gateRun(events, [4, 6], 0.4));
    expect(gateRun([...events, { t: 12.01, kind: 'gate', value: 1 }], [4], 0.4)).toMatchObject({
      splits: [{ at: 4, time: 2 }],
      unplaced: [2],
    });
    expect(gateRun([], [4], 0.4)).toBeNull();
  });
  it('leaves out what no sensor tells', () =>
    expect(gateRun(readLines('t=1 gate=0\nt=3 gate=1').events, [4], 0.4)).toMatchObject({
      stopTime: null,
      stopDistance: null,
      spunFor: null,
    }));
});

describe('the simulated rig', () => {
  const rig = (more: Partial<RigRun> = {}): RigRun => ({
    design: newCar('x', 'band'),
    wind: { kind: 'full' },
    gates: [1, 3, 5],
    seed: 3,
    run: 1,
    ...more,
  });
  const told = (run: RigRun) => {
    const { events, faults } = readLines(rigLines(run)!);
    expect(faults).toEqual([]);
    return gateRun(events, run.gates, Math.PI * run.design.driveWheels.diameter)!;
  };
  it('prints the same lines for the same car and run, and others for the next', () => {
    expect(rigLines(rig())).toBe(rigLines(rig()));
    expect(rigLines(rig({ run: 2 }))).not.toBe(rigLines(rig()));
    expect(rigLines(rig({ seed: 4 }))).not.toBe(rigLines(rig()));
  });
  it('tells runs of one car that differ by some hundredths, and cars that differ more', () => {
    const times = (list: RigRun[]): number[] => list.map((run) => told(run).splits[1]!.time);
    const spread = (values: number[]): number => Math.max(...values) / Math.min(...values) - 1;
    expect(spread(times([1, 2, 3, 4, 5].map((run) => rig({ run }))))).toBeLessThan(0.15);
    expect(spread(times([1, 2, 3, 4, 5].map((seed) => rig({ seed }))))).toBeGreaterThan(0.05);
  });
  it('shows a fault in what it prints: a car that rubs stops sooner, one without grip spins', () => {
    expect(told(rig({ faults: ['rubs'] })).stopDistance!).toBeLessThan(0.9 * told(rig()).stopDistance!);
    const spinning: CarDesign = { ...newCar('x', 'band'), tyre: 'bare-disc' };
    expect(told(rig({ design: spinning, faults: ['slippery'], gates: [0.5, 3] })).spunFor!).toBeGreaterThan(0.02);
  });
  it('prints turns from which its stop can be told', () => {
    const { stopDistance, stopTime } = told(rig());
    expect(stopDistance!).toBeGreaterThan(5);
    expect(stopTime!).toBeGreaterThan(3);
  });
});
