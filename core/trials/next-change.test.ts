import { describe, expect, it } from 'vitest';
import type { CarDesign, LeverDesign, Wind } from '../car/car-design.ts';
import { FREEING } from '../car/flick-test.ts';
import { conflictsOf } from '../car/fit.ts';
import { hasBands } from '../car/motors/motors.ts';
import { newCar } from '../car/new-car.ts';
import { sizesOf } from '../car/sizes.ts';
import { weighedAt } from '../car/weights.ts';
import { checkCar, stoppedBy, type Check } from '../checks/check-car.ts';
import { runForAim } from '../explore/aim.ts';
import { withMotorPlaced } from '../explore/search-dimensions.ts';
import type { OwnPart } from '../schema/generated/own-part.ts';
import { fitCar } from './fit/fit-car.ts';
import { predictFitted } from './fit/predict-fitted.ts';
import { allChanges, nextChanges, type NextChanges } from './next-change.ts';

const FULL: Wind = { kind: 'full' };
const distanceOf = (design: CarDesign): number => runForAim(design)!.distance;
/** What is worth trying on a car after three runs that went as it is thought. */
function changesOf(design: CarDesign, own: readonly OwnPart[] = []): NextChanges {
  const runs = [0.98, 1, 1.02].map((by) => ({ outcome: { kind: 'stopped', distance: by * distanceOf(design) } as const }));
  return nextChanges(fitCar([{ design, wind: FULL, runs }], { designs: [design] })!, design, { own })!;
}
const stops = (design: CarDesign): Check[] => checkCar(design, runForAim(design)!).filter(({ verdict }) => verdict === 'stop');

describe('what to change next', () => {
  it('takes parts that the builder has: bearings that turn more easily', () => {
    const bush: OwnPart = {
      format: 'nimble-axle/own-part',
      version: 1,
      kind: 'bearing',
      name: 'waxed straw',
      like: 'wood-plastic-straw',
      evidence: 'measured',
      values: { friction: 0.05 },
      count: 2,
    };
    const changes = changesOf(newCar('x'), [bush]).changes.filter(({ design }) => design.own?.bearing?.name === 'waxed straw');
    expect(changes).toHaveLength(1);
    expect(changes[0]!.parts).toContainEqual(expect.objectContaining({ name: 'waxed straw', isAtHand: true }));
  });
  it('recommends only what four in five cars gain by; the rest it counts', () => {
    const told = ['lever', 'band', 'twist'].map((kind) => changesOf({ ...newCar('x', kind as 'lever'), care: 'careful' }));
    for (const { changes, stoppedBy } of told)
      if (stoppedBy === null) for (const { chance } of changes) expect(chance).toBeGreaterThanOrEqual(0.8);
    expect(told.map(({ unsure }) => unsure > 0)).toEqual([false, true, expect.any(Boolean)]);
  });
  it('makes no parts clash that did not', () => {
    for (const kind of ['lever', 'band', 'twist'] as const)
      for (const changed of allChanges(newCar('x', kind))) expect(conflictsOf(changed)).toEqual([]);
  });
  it('of a car that cannot run is only what makes it run', () => {
    const stuck = weighedAt(newCar('x'), { mass: 0.01, driveLoadShare: 0.5 });
    expect(runForAim(stuck)).toBeNull();
    for (const changed of allChanges(stuck)) expect(runForAim(changed)).not.toBeNull();
  });
  it('of a rough build is first of all care: free the bearings, square the axles; of a careful one no more', () => {
    const rough = { ...newCar('x'), care: 'rough' as const };
    const [first] = changesOf(rough).changes;
    expect(first!.words.startsWith(FREEING)).toBe(true);
    expect(first!.design.care).toBe('careful');
    // As good as it says: the car that truly was freed, by the model.
    const gained = distanceOf({ ...rough, care: 'careful' }) - distanceOf(rough);
    expect(gained).toBeGreaterThan(first!.low);
    expect(gained).toBeLessThan(first!.high);
    const careful = changesOf({ ...newCar('x'), care: 'careful' });
    expect(careful.changes.some(({ words }) => words.includes(FREEING))).toBe(false);
  });

  it('frees what was fitted or measured of its rub by as much', () => {
    const rough = { ...newCar('x'), care: 'rough' as const, measured: { rub: { value: 2.4e-3, spread: 0.1, from: 'fit' as const } } };
    const freed = changesOf(rough).changes.find(({ words }) => words.startsWith(FREEING))!;
    // 2.4 mm · 0.15/1.2.
    expect(freed.design.measured.rub!.value).toBeCloseTo(0.3e-3, 12);
  });

  it.each(['lever', 'band', 'twist'] as const)('of a %s car buys no failing check, has one base, and sizes that are to be had', (kind) => {
    const design = newCar('x', kind);
    const next = changesOf(design);
    for (const change of next.changes) {
      expect(stops(change.design)).toEqual([]);
      expect(change.gain).toBeGreaterThanOrEqual(change.low);
      expect(change.gain).toBeLessThanOrEqual(change.high);
      for (const { id, read, stock, searchStep } of sizesOf(kind)) {
        const value = read(change.design);
        if (Math.abs(value - read(design)) < 1e-9) continue;
        const had = stock?.(change.design);
        if (had) expect([id, had.some((one) => Math.abs(one - value) < 1e-9)]).toEqual([id, true]);
        else if (searchStep) expect([id, Math.abs(value / searchStep - Math.round(value / searchStep)) < 1e-6]).toEqual([id, true]);
      }
    }
    for (const { now } of next.tradeOffs) expect(now).toBeCloseTo(next.distance, 9);
  });

  it.each(['lever', 'band', 'twist'] as const)(
    'tells what a %s car goes now as the fit tells it, far from what was thought too',
    (kind) => {
      const design = newCar('x', kind);
      for (const by of [0.6, 1.15]) {
        const runs = [0.97, 1, 1.03].map((part) => ({ outcome: { kind: 'stopped', distance: by * part * distanceOf(design) } as const }));
        const fitted = fitCar([{ design, wind: FULL, runs }], { designs: [design] })!;
        expect(nextChanges(fitted, design)!.distance / predictFitted(fitted, design, FULL)!.mean.middle).toBeCloseTo(1, 1);
      }
    },
  );
  it('of a car that something stops is what cures that, though it gains next to nothing', () => {
    const below: CarDesign = { ...newCar('x'), care: 'careful', body: { ...newCar('x').body, axleGap: 0.012 } };
    const { changes, stoppedBy } = changesOf(below);
    expect(stoppedBy).toBe('trap on the deck');
    expect(changes.length).toBeGreaterThan(0);
    for (const { design } of changes) expect(stops(design)).toEqual([]);
    expect(Math.min(...changes.map(({ gain }) => Math.abs(gain)))).toBeLessThan(0.04 * distanceOf(below));
  });
  it('tells both schools by a lever a fifth shorter and longer: 144 and 216 mm of 180', () => {
    const lever = changesOf(newCar('x')).tradeOffs.find(({ less }) => less.words.startsWith('lever'))!;
    const plain = (words: string): string => words.replaceAll('\u00a0', ' ');
    expect([plain(lever.less.words), plain(lever.more.words)]).toEqual(['lever 144 mm', 'lever 216 mm']);
    // As the model has it for such a lever, and for 20 g less and more.
    const design = newCar('x');
    const { motor, rest } = design as CarDesign & { motor: LeverDesign };
    const levered = (by: number): number =>
      distanceOf(withMotorPlaced({ ...design, motor: { ...motor, leverLength: by * motor.leverLength } }));
    expect(lever.less.distance / lever.now).toBeCloseTo(levered(0.8) / distanceOf(design), 1);
    expect(lever.more.distance / lever.now).toBeCloseTo(levered(1.2) / distanceOf(design), 1);
    const weight = changesOf(design).tradeOffs.find(({ name }) => name === 'light or heavy')!;
    const weighing = (by: number): number => distanceOf({ ...design, rest: { ...rest, mass: rest.mass + by } });
    expect(Math.sign(weight.less.distance - weight.more.distance)).toBe(Math.sign(weighing(-0.02) - weighing(0.02)));
    expect(weight.more.distance / weight.now).toBeCloseTo(weighing(0.02) / distanceOf(design), 1);
  });
  it('keeps a part of the builder’s own as it is: no other size of it is offered', () => {
    const values = { diameter: 0.1, areaDensity: 1 };
    const design: CarDesign = {
      ...newCar('x'),
      driveWheels: { kind: 'card-disc', diameter: 0.1 },
      own: { driveWheels: { name: 'ferry-ticket card', evidence: 'measured', values } },
    };
    for (const { design: changed } of changesOf(design).changes)
      if (changed.own?.driveWheels) expect(changed.driveWheels.diameter).toBeCloseTo(0.1, 9);
  });
  it('where a check stops the car is what cures that, and makes no other worse', () => {
    // A long body of thin card pulled together by four bands: it buckles.
    const plain = newCar('x', 'band');
    const design: CarDesign = {
      ...plain,
      body: { ...plain.body, kind: 'card', width: 0.03 },
      motor: { ...plain.motor, ...(hasBands(plain.motor) && { parallel: 4, series: 2 }) } as CarDesign['motor'],
    };
    expect(stops(design).map(({ id }) => id)).toContain('chassis-buckling');
    const next = changesOf(design);
    expect(next.stoppedBy).toBe(stoppedBy(design, runForAim(design)!));
    expect(next.changes.length).toBeGreaterThan(0);
    const before = new Map(stops(design).map(({ id, value, limit }) => [id, Math.abs(value - limit) / Math.abs(limit)]));
    for (const { design: changed } of next.changes) {
      const after = stops(changed);
      expect(after.map(({ title }) => title)).not.toContain(next.stoppedBy);
      for (const { id, value, limit } of after) {
        expect(before.has(id)).toBe(true);
        expect(Math.abs(value - limit) / Math.abs(limit)).toBeLessThan(1.03 * before.get(id)! + 0.03);
      }
    }
  });
});
