import { describe, expect, it } from 'vitest';
import { slidingAngle } from '../bench/kinds/tilt.ts';
import { MEASUREMENTS, MEASUREMENT_KINDS } from '../bench/measurements.ts';
import type { MotorKind } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { measuringSetup } from '../geometry/measuring-setup.ts';
import { readLines } from './line-protocol.ts';
import { hiddenBuild, instrumentLines, isReadByInstrument, shownNow } from './simulated-instruments.ts';

const MOTORS: readonly MotorKind[] = ['lever', 'band', 'twist'];

describe('a simulated scale or tilt board', () => {
  it('prints lines that are read like those of a real one, one a reading', () => {
    const design = newCar('x');
    for (const kind of MEASUREMENT_KINDS.filter(isReadByInstrument)) {
      const lines = instrumentLines(kind, design, 1);
      const { events, faults } = readLines(lines.map(({ line }) => line).join(''));
      expect(faults).toEqual([]);
      if (MEASUREMENTS[kind].suits(design)) expect(new Set(events.map(({ t }) => t)).size, kind).toBe(lines.length);
    }
    const [first] = instrumentLines('lever-pull', design, 1);
    expect(Object.keys(shownNow(readLines(first!.line).events)).toSorted()).toEqual(['angle', 'force']);
    expect(shownNow([])).toEqual({});
    expect(instrumentLines('roll-out', design, 1)).toEqual([]);
  });
  it('reads the same hidden car however much of it is known by now', () => {
    const design = newCar('x');
    const known = { ...design, measured: { bearingFriction: { value: 0.3, spread: 0.01 } } };
    expect(hiddenBuild(known).numbers).toEqual(hiddenBuild(design).numbers);
    expect(instrumentLines('tilt', known, 1)).toEqual(instrumentLines('tilt', design, 1));
  });
});

describe('a car as it is measured', () => {
  it.each(MOTORS)('%s: every measurement is drawn within its bounds, and names what is read', (motor) => {
    const design = newCar('x', motor);
    for (const kind of MEASUREMENT_KINDS.filter((one) => MEASUREMENTS[one].suits(design))) {
      const { bounds, arrows, boxes, lines } = measuringSetup(design, kind);
      const points = [...arrows.flatMap(({ from, to }) => [from, to]), ...boxes.flatMap((one) => one.points), ...lines.flat()];
      expect(points.length, kind).toBeGreaterThan(0);
      for (const { x, y } of points) {
        expect(Number.isFinite(x) && x >= bounds.left - 1e-12 && x <= bounds.right + 1e-12, kind).toBe(true);
        expect(Number.isFinite(y) && y >= bounds.bottom - 1e-12 && y <= bounds.top + 1e-12, kind).toBe(true);
      }
    }
  });
  it('leans on the board as far as it is thought to hold: statics by hand', () => {
    // All of the weight on the drive axle and low: μ = tan θ; with a fraction of it, by so much less.
    expect(slidingAngle(0.5, 1, 0, 0.26)).toBeCloseTo(Math.atan(0.5), 12);
    const angle = slidingAngle(0.5, 0.6, 0, 0.26);
    const level = slidingAngle(0.5, 0.6, 0.05, 0.26);
    expect(angle).toBeCloseTo(Math.atan(0.3), 12);
    // Nose uphill a high mass leans on the drive wheels: it holds further.
    expect(level).toBeGreaterThan(angle);
  });
});
