import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BandSetup, RunSetup, TwistSetup } from '../run/run-setup.ts';
import { simulateValidated } from '../run/simulate.ts';
import { BAND, bandAtFullWind } from './band.ts';
import { makeMotorPoint, type Motor } from './motor.ts';
import { bandForce, energyDensity, rubberOf } from './rubber.ts';
import { TWIST, twistStretch } from './twist.ts';

const rubber = { c1: 1e5, c2: 1.1e5, section: 1e-5, length: 0.1 };
const band: BandSetup = {
  kind: 'band',
  c1: 1e5,
  c2: 1.1e5,
  bandEfficiency: 0.8,
  bandWidth: 0.003,
  bandThickness: 0.0008,
  bandLength: 0.09,
  parallel: 1,
  series: 2,
  anchorToAxle: 0.19,
  anchorAboveAxle: 0,
  windingWidth: 0.02,
  windingStretch: 1,
  spool: [{ radius: 0.0016 }],
  turns: 8,
  release: 'free',
};
const twist: TwistSetup = {
  kind: 'twist',
  c1: 1e5,
  c2: 1.1e5,
  bandEfficiency: 0.8,
  bandWidth: 0.003,
  bandThickness: 0.0008,
  bandLength: 0.076,
  parallel: 1,
  series: 1,
  hookToHook: 0.05,
  turns: 35,
  washerFriction: 0.12,
  washerRadius: 0.002,
  armLength: 0.07,
  armFriction: 0.2,
};

/** The roller of the reference runs. */
const roller = (
  JSON.parse(readFileSync(new URL('../run/reference/reference-runs.json', import.meta.url), 'utf8')) as { runs: { setup: RunSetup }[] }
).runs.find(({ setup }) => setup.motor.kind === 'twist')!.setup;

/** ∫ of something over the axle's angle along the whole path, by midpoints. */
function overThePath(motor: Motor, value: (point: ReturnType<typeof makeMotorPoint>) => number): number {
  const point = makeMotorPoint();
  const n = 4000;
  let sum = 0;
  for (const { from, to, evaluate } of motor.segments.slice(motor.first))
    for (let k = 0; k < n; k++) {
      evaluate(from + ((to - from) * (k + 0.5)) / n, point);
      sum += (value(point) * point.angleSlope * (to - from)) / n;
    }
  return sum;
}

describe('rubber in simple tension (Mooney 1940, Rivlin 1948)', () => {
  it('has the modulus 6(c1 + c2) while it is little stretched (Treloar)', () => {
    const strain = 1e-6;
    expect(bandForce(rubber, 1 + strain) / (rubber.section * strain) / (6 * (rubber.c1 + rubber.c2))).toBeCloseTo(1, 5);
  });
  it('cannot push', () => expect(bandForce(rubber, 0.7)).toBe(0));
  it('pulls with the change of its energy: F = dW/dλ per unstretched length', () => {
    fc.assert(
      fc.property(fc.double({ min: 1.05, max: 6, noNaN: true }), (stretch) => {
        const h = 1e-5;
        const slope = (energyDensity(rubber, stretch + h) - energyDensity(rubber, stretch - h)) / (2 * h);
        expect(bandForce(rubber, stretch) / (rubber.section * slope)).toBeCloseTo(1, 6);
      }),
    );
  });
  it('side by side adds section, end to end adds length', () => {
    expect(rubberOf({ ...band, parallel: 3 }).section).toBeCloseTo(3 * rubberOf({ ...band, parallel: 1 }).section, 15);
    expect(rubberOf({ ...band, series: 4 }).length).toBeCloseTo(0.36, 12);
  });
});

describe('a band wound on the axle', () => {
  const cases: readonly (readonly [string, BandSetup])[] = [
    ['taut from the start', band],
    ['slack at first', { ...band, anchorToAxle: 0.15 }],
    ['held stretched by hand', { ...band, windingStretch: 1.6 }],
    ['on a sleeve', { ...band, spool: [{ radius: 0.0016, turns: 6 }, { radius: 0.005 }] }],
  ];
  it.each(cases)('%s: gives up what was stored, and turns as often as it was wound', (_name, setup) => {
    const motor = BAND.path(setup);
    expect(overThePath(motor, ({ heldTorque }) => heldTorque) / motor.storedEnergy).toBeCloseTo(1, 5);
    expect(overThePath(motor, () => 1) / (2 * Math.PI)).toBeCloseTo(setup.turns, 6);
    expect(overThePath(motor, ({ torque }) => torque) / motor.storedEnergy).toBeCloseTo(setup.bandEfficiency, 5);
  });
  it('keeps its volume: the wound rubber fills π w (r² − r_b²)', () => {
    const { stretch, radius } = bandAtFullWind(band);
    const { section, length } = rubberOf(band);
    const wound = length - band.anchorToAxle / stretch;
    expect(Math.PI * band.windingWidth * (radius ** 2 - 0.0016 ** 2)).toBeCloseTo(section * wound, 12);
  });
  it('gets more turns at the same stretch when it is held stretched while winding', () =>
    expect(bandAtFullWind({ ...band, windingStretch: 2 }).stretch).toBeLessThan(bandAtFullWind(band).stretch));
  it('is refused where it would break, naming the turns', () => {
    expect(BAND.faults({ ...band, turns: 40 })).toMatchObject([{ path: 'motor.turns' }]);
    expect(BAND.faults({ ...band, breakingStretch: 1.5 })).toMatchObject([{ path: 'motor.turns' }]);
  });
  it('when tied has somewhere to go past its full wind', () => {
    const tied = BAND.path({ ...band, release: 'tied' });
    expect(tied.first).toBeGreaterThanOrEqual(0);
    expect(tied.segments[tied.first]!.storedAt(tied.segments[tied.first]!.from)).toBeCloseTo(tied.storedEnergy, 9);
  });
});

describe('a twisted band in a roller', () => {
  it('has strands that satisfy λ³S² − ℓ²λ = (4/9)(A/π)ψ²', () => {
    const { section, length } = rubberOf(twist);
    const stretch = twistStretch(twist);
    const left = stretch ** 3 * length ** 2 - twist.hookToHook ** 2 * stretch;
    expect(left / ((4 / 9) * (section / Math.PI) * (2 * Math.PI * twist.turns) ** 2)).toBeCloseTo(1, 9);
  });
  it('gives up what was stored, part of it to its washer', () => {
    const motor = TWIST.path(twist);
    expect(overThePath(motor, ({ heldTorque }) => heldTorque) / motor.storedEnergy).toBeCloseTo(1, 5);
    const [roller, washer] = [overThePath(motor, ({ torque }) => torque), overThePath(motor, ({ washerTorque }) => washerTorque)];
    expect((roller + washer) / motor.storedEnergy).toBeCloseTo(twist.bandEfficiency, 5);
    expect(washer).toBeGreaterThan(0);
  });
  it('cannot let go: past untwisted it is twisted the other way, and its washer brakes on top', () => {
    const { car, surface } = roller;
    const { trace, energy, storedEnergy } = simulateValidated({ ...roller, motor: twist }, { trace: true });
    const at = trace!.phase.lastIndexOf('rewinding');
    // Twisted by ψ the other way it pulls as one of so many turns does at its start, all of it, and its washer with it (mirrored by hand).
    const turns = trace!.angle[at]! / (2 * Math.PI) - twist.turns;
    const [wound] = TWIST.path({ ...twist, turns }).segments;
    const point = makeMotorPoint();
    wound!.evaluate(wound!.from, point);
    const braking = (point.heldTorque + point.washerTorque / twist.bandEfficiency) / car.driveWheels.radius;
    expect(-trace!.thrust[at]! / braking).toBeCloseTo(1, 4);
    expect(-trace!.thrust[at]! * car.driveWheels.radius).toBeGreaterThan(point.heldTorque);
    expect(energy.unspent).toBeGreaterThan(0.05 * storedEnergy);
    // It is pulled back by what is wound, unless washer or floor hold it.
    const rollsBack = (motor: TwistSetup, rollingResistanceDrive = surface.rollingResistanceDrive): boolean =>
      simulateValidated({ ...roller, surface: { ...surface, rollingResistanceDrive }, motor }).rollsBack;
    expect([rollsBack(twist), rollsBack(twist, 0.5), rollsBack({ ...twist, washerFriction: 1.2 })]).toEqual([true, false, false]);
  });
  it('moves nothing where the washer takes all', () => {
    const stuck = TWIST.path({ ...twist, washerFriction: 2, washerRadius: 0.02 });
    expect(overThePath(stuck, ({ torque }) => torque)).toBe(0);
  });
});
