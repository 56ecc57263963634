import { describe, expect, it } from 'vitest';
import type { BandDesign, CarDesign, TwistDesign } from '../car-design.ts';
import { differences } from '../difference.ts';
import { newCar, woundByFeel } from '../new-car.ts';
import { bandAtFullWind } from '../../motor/band.ts';
import { twistedStretch } from '../../motor/twist.ts';
import { conditionsOf } from '../../predict/conditions.ts';
import { deriveRunSetup, fullTurns, prepareRun } from '../../predict/derive-run-setup.ts';
import { nextRun, runScatter } from '../../predict/next-run.ts';
import { predictRun } from '../../predict/predict-run.ts';
import type { BandSetup, TwistSetup } from '../../run/run-setup.ts';
import { isWoundByFeel } from './motors.ts';
import { sizesOf } from '../sizes.ts';

const band = newCar('x', 'band');
const withMotor = (design: CarDesign, motor: Partial<BandDesign> | Partial<TwistDesign>): CarDesign =>
  ({ ...design, motor: { ...design.motor, ...motor } }) as CarDesign;
const stretchOf = (design: CarDesign): number => bandAtFullWind(deriveRunSetup(design).motor as BandSetup).stretch;

describe('bands wound until they are tight', () => {
  it('are 4.5 times their length, tubing twice; whatever sleeve lies on the axle, and whatever turns were counted before', () => {
    const felt = woundByFeel(band);
    expect(stretchOf(felt)).toBeCloseTo(4.5, 4);
    expect(stretchOf(withMotor(felt, { turns: 3 }))).toBeCloseTo(4.5, 4);
    expect(stretchOf({ ...felt, sleeve: [{ kind: 'tape', diameter: 0.02, turns: 3 }] })).toBeCloseTo(4.5, 4);
    const tubing = { kind: 'tubing', form: 'loop', length: 0.15, outside: 0.005, wall: 0.001 } as const;
    expect(stretchOf(withMotor(felt, { band: tubing, series: 1, windingWidth: 0.06 }))).toBeCloseTo(2, 4);
  });
  it('take by hand the turns that a bare axle needs: a thin band on a thick axle, hook at its own length', () => {
    // Where nothing builds up, dm = r dθ/λ and λ = D/(S − m) give ln λ = rθ/D. S = D = 0.2 m, r = 10 mm: ln 4.5 · 0.2/0.01/2π = 4.787 turns.
    const thin = { kind: 'own', length: 0.2, width: 0.0002, thickness: 0.0002 } as const;
    const felt = woundByFeel({
      ...withMotor(band, { band: thin, series: 1, anchorToAxle: 0.2, windingWidth: 0.06, anchorAboveAxle: 0 }),
      axleDiameter: 0.02,
      sleeve: [],
    });
    expect(fullTurns(felt)).toBeCloseTo(4.787, 2);
  });
  it('stop at three layers where the axle has no more room', () => {
    const narrow = woundByFeel(withMotor(band, { windingWidth: 0.003 }));
    const stretch = stretchOf(narrow);
    expect(stretch).toBeLessThan(4.5);
    // Two strands of √(3.2 · 0.9) mm or so side by side, thinner by √λ.
    const { bandWidth, bandThickness } = deriveRunSetup(narrow).motor as BandSetup;
    expect((fullTurns(narrow) * 2 * Math.sqrt(bandWidth * bandThickness)) / (Math.sqrt(stretch) * 0.003)).toBeCloseTo(3, 4);
  });
  it('follow a change of bands, and a twisted band stops before it knots', () => {
    const felt = woundByFeel(band);
    expect(fullTurns(withMotor(felt, { series: 3 }))).toBeGreaterThan(fullTurns(felt) + 2);
    const twist = woundByFeel(newCar('x', 'twist'));
    // Two loops of 1/16 × 1/32 in, 2 1/2 in long: 1.47 · 63.5 mm / √5.04 mm² = 41.6; stretched less than 4.5 times.
    expect(fullTurns(twist)).toBeCloseTo(41.58, 1);
    expect(twistedStretch(deriveRunSetup(twist).motor as TwistSetup)).toBeLessThan(4.5);
  });
  it('differ by a tenth of the turns from hand to hand, never to where they break; counted ones by a quarter of a turn', () => {
    const felt = woundByFeel(band);
    const off = (design: CarDesign, deviations: number): number => fullTurns(conditionsOf(design)[1]!.off(design, deviations));
    expect(off(felt, 1) / fullTurns(felt)).toBeCloseTo(Math.exp(0.1), 6);
    expect(off(felt, -2) / fullTurns(felt)).toBeCloseTo(Math.exp(-0.2), 6);
    expect(prepareRun(conditionsOf(felt)[1]!.off(felt, 6)).kind).toBe('ready');
    expect(off(band, 1)).toBeCloseTo(9.25, 9);
    expect([conditionsOf(felt)[1]!.spreadWords(felt), conditionsOf(band)[1]!.spreadWords(band)]).toEqual([
      '± 10 % of the turns: wound by feel',
      '± 0.25 turns',
    ]);
    // Each leaves the other kind of car as it is.
    expect(conditionsOf(felt)[1]!.off(band, 2)).toBe(band);
    expect(conditionsOf(band)[1]!.off(felt, 2)).toBe(felt);
  });
  it('widen the next run by what half of that moves it: √(6² + s²) %', () => {
    const felt = woundByFeel({ ...band, sleeve: [] });
    const distance = (factor: number): number => {
      const prediction = predictRun(felt, { kind: 'turns', turns: factor * fullTurns(felt) });
      return prediction.kind === 'ran' ? prediction.result.distance : NaN;
    };
    const moved = Math.log(distance(Math.exp(0.05)) / distance(Math.exp(-0.05))) / 2;
    expect(runScatter(felt)).toBeCloseTo(Math.hypot(0.06, moved), 3);
    expect([runScatter(band), runScatter(felt, { kind: 'turns', turns: 9 })]).toEqual([0.06, 0.06]);
    expect(nextRun(10, 0.1).high).toBeCloseTo(10 * (1 + 1.28155 * 0.1), 4);
  });
  it('become counted where turns are typed, and are told apart from them', () => {
    const felt = woundByFeel(band);
    const turns = sizesOf('band').find(({ id }) => id === 'turns')!;
    expect(turns.read(felt)).toBe(fullTurns(felt));
    const counted = turns.write(felt, 12);
    expect([isWoundByFeel(felt), isWoundByFeel(counted), fullTurns(counted)]).toEqual([true, false, 12]);
    expect(differences(felt, counted, 'metric')).toContainEqual({ label: 'full winding', from: 'until tight', to: 'a number of turns' });
    // What follows from a change of bands is no change of its own.
    expect(differences(felt, withMotor(felt, { series: 3 }), 'metric').map(({ label }) => label)).toEqual(['bands end to end']);
    expect(woundByFeel(newCar('x'))).toEqual(newCar('x'));
  });
});

describe('more turns than planned', () => {
  const bare = { ...band, sleeve: [] };
  it('are taken by bands until they break, as a car built for so many; a string has an end', () => {
    const more = prepareRun(bare, { kind: 'turns', turns: 12 });
    const planned = deriveRunSetup(withMotor(bare, { turns: 12 }));
    expect(more.kind === 'ready' && bandAtFullWind(more.setup.motor as BandSetup).stretch).toBeCloseTo(
      bandAtFullWind(planned.motor as BandSetup).stretch,
      9,
    );
    expect(prepareRun(band, { kind: 'turns', turns: 60 })).toMatchObject({ faults: [{ path: 'wind.turns', code: 'band-breaks' }] });
    expect(prepareRun(newCar('x'), { kind: 'turns', turns: 500 })).toMatchObject({ faults: [{ path: 'wind.turns', code: 'bound' }] });
  });
});
