import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import reference from './reference/reference-runs.json' with { type: 'json' };
import { runSetups } from './reference/generated-setups.ts';
import type { RunSetup } from './run-setup.ts';
import { simulate } from './simulate.ts';
import { makeTrace, traceAt, type Phase, type Trace } from './trace.ts';

/** The same car behind a sail, so that air counts, and with a motor whose own moving parts weigh nothing: their share is not in the trace. */
const withSail = ({ car, motor, ...rest }: RunSetup): RunSetup => ({
  ...rest,
  car: { ...car, dragArea: 30 * car.dragArea },
  motor: motor.kind === 'lever' ? { ...motor, leverMass: 0, armInertia: 0 } : motor,
});

/** N·s of pull less resistance, and of momentum gained, over the trace's rows of each phase; and N·s of all that acts, as a scale. */
function balanceOf({ car }: RunSetup, trace: Trace): Map<Phase, { acted: number; gained: number; scale: number }> {
  const { driveWheels: drive, otherWheels: other } = car;
  const carMass = car.mass + (other ? other.inertia / other.radius ** 2 : 0);
  const wheelMass = drive.inertia / drive.radius ** 2;
  const sums = new Map<Phase, { acted: number; gained: number; scale: number }>();
  for (let i = 1; i < trace.time.length; i++) {
    const phase = trace.phase[i]!;
    // A row where two phases meet belongs to both.
    if (trace.phase[i - 1] !== phase) continue;
    // A wheel that is held takes up what pulls it back.
    if (trace.wheelSpeed[i] === 0 || trace.wheelSpeed[i - 1] === 0) continue;
    const dt = trace.time[i]! - trace.time[i - 1]!;
    const mean = (of: readonly number[]): number => (of[i]! + of[i - 1]!) / 2;
    const sum = sums.get(phase) ?? { acted: 0, gained: 0, scale: 0 };
    sums.set(phase, {
      acted: sum.acted + (mean(trace.thrust) - mean(trace.resistance)) * dt,
      gained:
        sum.gained + carMass * (trace.speed[i]! - trace.speed[i - 1]!) + wheelMass * (trace.wheelSpeed[i]! - trace.wheelSpeed[i - 1]!),
      scale: sum.scale + (Math.abs(mean(trace.thrust)) + Math.abs(mean(trace.resistance))) * dt,
    });
  }
  return sums;
}

/** The first of the reference runs, its car changed. */
function setupOf(change: Partial<RunSetup['car']>): RunSetup {
  const setup = reference.runs[0]!.setup as unknown as RunSetup;
  return { ...setup, car: { ...setup.car, ...change } };
}

describe('the trace of a run', () => {
  it('has the grip that the weight on the drive wheels gives, coasting too: μ · share · m g where nothing shifts it', () => {
    const setup = setupOf({ massHeight: 0 });
    const outcome = simulate(setup, { trace: true });
    if (outcome.kind === 'refused') throw new Error('refused');
    const { phase, gripLimit } = outcome.result.trace!;
    expect(phase).toContain('coasting');
    const expected = setup.surface.staticGrip * setup.car.driveLoadShare * setup.car.mass * 9.80665;
    for (const limit of gripLimit) expect(limit / expected).toBeCloseTo(1, 9);
  });
  // Newton's second law for car and wheels together; the tyre's force between them cancels. Source: textbook mechanics.
  it('adds up in every phase: pull less resistance is what car and wheels gain in momentum', () => {
    const reached: Record<Phase, number> = { rolling: 0, spinning: 0, braking: 0, coasting: 0, rewinding: 0 };
    fc.assert(
      fc.property(runSetups, (generated) => {
        const setup = withSail(generated);
        const outcome = simulate(setup, { trace: true });
        // A run without an end is sampled too far apart for trapezoids.
        if (outcome.kind === 'refused' || outcome.result.ended !== 'stopped') return;
        for (const [phase, { acted, gained, scale }] of balanceOf(setup, outcome.result.trace!)) {
          // Too short to be judged by trapezoids.
          if (scale < 1e-4) continue;
          reached[phase]++;
          expect(Math.abs(acted - gained) / scale, `${phase}: ${acted} N·s acted, ${gained} N·s gained`).toBeLessThan(0.02);
        }
      }),
      { numRuns: 400, seed: 9 },
    );
    for (const [phase, count] of Object.entries(reached)) expect([phase, count > 10]).toEqual([phase, true]);
  });
});

describe('a trace read at a time', () => {
  it('lies between its rows by straight lines, and stays at its ends before and after', () => {
    const trace = { ...makeTrace(), time: [0, 2, 3], distance: [0, 6, 7] };
    expect([-1, 0, 1, 2.5, 9].map((time) => traceAt(trace, time).read('distance'))).toEqual([0, 0, 3, 6.5, 7]);
    expect([1, 2.5, 9].map((time) => traceAt(trace, time).row)).toEqual([1, 2, 2]);
  });
});
