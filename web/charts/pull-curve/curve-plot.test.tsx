import { weighing } from '../../../core/car/reference/weighing.ts';
import fc from 'fast-check';
import { renderToStaticMarkup } from 'react-dom/server';
import { formatBy } from '../../../core/units/quantity.ts';
import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { newCar } from '../../../core/car/new-car.ts';
import { deriveRunSetup } from '../../../core/predict/derive-run-setup.ts';
import { predictRun } from '../../../core/predict/predict-run.ts';
import { pullLeft } from '../../../core/run/pull-left.ts';
import { curveOf, type Curve } from './curve-data.ts';
import { CurvePlot } from './curve-plot.tsx';
import { curveScale, ticksTo } from './curve-scale.ts';

function curveFor(design: CarDesign): Curve {
  const prediction = predictRun(design, { kind: 'full' }, { trace: true });
  if (prediction.kind === 'refused') throw new Error(JSON.stringify(prediction.faults));
  return curveOf(prediction.result, pullLeft(deriveRunSetup(design), prediction.result));
}
const lever = newCar('x');
const spinning: CarDesign = weighing({ ...lever, tyre: 'bare-disc', axleDiameter: 0.016 }, { driveLoadShare: 0.3 });
const weak: CarDesign = weighing({ ...newCar('x', 'band'), bearing: 'wood-card', sleeve: [] }, { mass: 0.4 });
const plain = {
  isWhole: false,
  behind: [],
  reading: null,
  axis: 'distance',
  units: 'metric',
  width: 600,
  height: 300,
  floors: [],
  edges: [],
} as const;
const plot = (curve: Curve, more: Partial<React.ComponentProps<typeof CurvePlot>> = {}): string =>
  renderToStaticMarkup(<CurvePlot curve={curve} {...plain} {...more} />).replaceAll('\u00a0', ' ');

describe('the pull curve, drawn', () => {
  it('keeps to its box for every car', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(lever, spinning, weak, newCar('x', 'band'), newCar('x', 'twist')),
        fc.constantFrom('distance', 'time'),
        fc.integer({ min: 200, max: 1500 }),
        fc.integer({ min: 140, max: 800 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (design, axis, width, height, share) => {
          const curve = curveFor(design);
          const drawn = plot(curve, { axis, width, height, reading: share * curve.end });
          expect(drawn).not.toMatch(/NaN|Infinity/);
          const { left, right, floor } = curveScale({ ...plain, curve, axis, width, height });
          for (const [, x, y] of drawn.matchAll(/[ML]([\d.-]+) ([\d.-]+)(?=[ML"Z])/g)) {
            expect(Number(x)).toBeGreaterThanOrEqual(left - 8.1);
            expect(Number(x)).toBeLessThanOrEqual(right + 0.1);
            expect(Number(y)).toBeLessThanOrEqual(floor + 8.1);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
  it('names its parts: pull, resistance, grip, wheelspin with its energy, phases, and how far it coasts', () => {
    const free = plot(curveFor(lever));
    for (const words of ['pull of this car', 'resistance', 'useful work', 'pulled along', 'far above']) expect(free).toContain(words);
    expect(free).toMatch(/coasts [\d.]+ m/);
    expect(free).not.toContain('wheelspin');
    const spun = plot(curveFor(spinning));
    expect(spun).toMatch(/wheelspin [\d.]+ J/);
    expect(spun).toContain('wheels spin');
    expect(spun).toMatch(/grip limit [\d.]+ N/);
  });
  it('tells the floors along its axis, where there are several', () => {
    const onFloors: CarDesign = { ...lever, floor: { ...lever.floor, stretches: [{ from: 6, kind: 'short-carpet', slope: 0 }] } };
    const curve = curveFor(onFloors);
    const floors = [
      { from: 0, name: 'linoleum' },
      { from: 6, name: 'short carpet' },
      { from: 5000, name: 'never reached' },
    ];
    for (const axis of ['distance', 'time'] as const) {
      const drawn = plot(curve, { floors, axis });
      expect(drawn).toContain('linoleum');
      expect(drawn).toContain('short carpet');
      expect(drawn).not.toContain('never reached');
    }
    expect(plot(curve, { floors: [floors[0]!] })).not.toContain('linoleum');
    const twigs = plot(curve, {
      edges: [
        { at: 3, height: '7 mm' },
        { at: 5000, height: '9 mm' },
      ],
    });
    expect(twigs).toContain('7 mm high at 3.00 m');
    expect(twigs).not.toContain('9 mm');
  });
  it('shows what is left when the car stops while wound', () => {
    const stopped = curveFor(weak);
    expect(stopped.left.length).toBeGreaterThan(1);
    expect(plot(stopped)).toMatch(/left: [\d.]+ turns, [\d.]+ J/);
    expect(plot(stopped, { axis: 'time' })).not.toContain('left:');
    expect(stopped.words(formatBy(String))).toMatch(/stops with [\d.]+ turns left/);
  });
  it('lays another behind it, by name, and reads in other units', () => {
    const behind = [
      { name: 'first build', curve: curveFor(spinning) },
      { name: 'second', curve: curveFor(weak) },
    ];
    const drawn = plot(curveFor(lever), { behind, units: 'inch' });
    for (const { name } of behind) expect(drawn).toContain(name);
    // Told apart by their dashes too.
    const dashes = [...drawn.matchAll(/stroke-width="2" stroke-dasharray="([\d ]+)"/g)].map(([, dash]) => dash);
    expect(new Set(dashes).size).toBe(dashes.length);
    expect(drawn).toContain('distance travelled, ft');
    expect(drawn).toContain('ozf');
  });
  it('has its phases one after another, from the line to the end', () => {
    for (const design of [lever, spinning, weak]) {
      const { phases, rows } = curveFor(design);
      expect(phases[0]!.from).toBe(rows[0]);
      expect(phases.at(-1)!.to).toBe(rows.at(-1));
      phases.slice(1).forEach(({ phase, from }, i) => {
        expect(from).toBe(phases[i]!.to);
        expect(phase).not.toBe(phases[i]!.phase);
      });
    }
  });
});

describe('ticks', () => {
  it('are round, begin at 0 and never pass the end', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-3, max: 1e4, noNaN: true }), fc.integer({ min: 2, max: 9 }), (most, count) => {
        const ticks = ticksTo(most, count);
        expect(ticks[0]).toBe(0);
        expect(ticks.at(-1)).toBeLessThanOrEqual(most * (1 + 1e-9));
        expect(ticks.length).toBeLessThanOrEqual(count + 1);
        expect(ticks.length).toBeGreaterThan(1);
      }),
    );
  });
});
