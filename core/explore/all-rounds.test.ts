import { readFileSync } from 'node:fs';
import { beforeAll, describe, expect, it } from 'vitest';
import { designForBrief, type Brief } from '../brief/brief.ts';
import { pointsTable } from '../brief/points-table.ts';
import { storedDesign, type CarDesign } from '../car/car-design.ts';
import type { Contest, ContestRound } from '../car/contest.ts';
import { likelyNumbers, numbersOn } from '../car/values.ts';
import { newCar } from '../car/new-car.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { predictRun } from '../predict/predict-run.ts';
import { makeWorkspace } from '../run/workspace.ts';
import { runForAim, scoreOf } from './aim.ts';
import { inRound, pointsByRound } from './all-rounds.ts';
import { assess } from './assess.ts';
import { findBestCar } from './best-car.ts';
import { frontsOfRounds, inRounds, type Candidate } from './candidates.ts';
import { builtSample } from './quantile-score.ts';
import { sizesThatMatter } from './sensitivity.ts';
import { setUpsFor } from './set-ups.ts';
import { boundedSweep } from './sweep.ts';

const brief = JSON.parse(readFileSync('server/demo/skerrow-lull-trophy.brief.json', 'utf8')) as Brief;
const demo = JSON.parse(readFileSync('server/demo/skerrow.json', 'utf8')) as { cars: { design: CarDesign }[] };
const carOf = (name: string): CarDesign => designForBrief(demo.cars.find(({ design }) => design.name === name)!.design, brief);
const floors = brief.floors.map(({ floor }) => floor);

/** A round in which one rival always comes to the same. */
const against = (goal: ContestRound['goal'], rival: number, more: Partial<ContestRound> = {}): ContestRound => ({
  name: goal.kind,
  goal,
  runs: 1,
  counts: 'best',
  floor: floors[0]!,
  load: 0,
  points: pointsTable([[rival]], [10, 4]),
  middle: rival,
  worst: null,
  ...more,
});
const aiming = (design: CarDesign, rounds: readonly ContestRound[], more: Partial<Contest> = {}): CarDesign => ({
  ...design,
  aim: { ...design.aim, contest: { rounds, shown: 0, scatter: 0, ...more } },
});

describe('all rounds as the aim', () => {
  const tern = carOf('Tern');
  const far = predictRun(tern).kind === 'ran' ? (predictRun(tern) as { result: { distance: number } }).result.distance : NaN;
  const free = { ...floors[0]!, roomLength: null };

  it('adds up what a car earns in each, on its floor and with its load', () => {
    const design = aiming({ ...tern, floor: free }, [
      against({ kind: 'furthest' }, far + 1, { floor: free }),
      against({ kind: 'furthest' }, far - 1, { floor: free }),
      against({ kind: 'furthest' }, far - 1, { floor: free, load: 0.3 }),
      against({ kind: 'quickest-to', distance: 6 }, -60, { floor: free }),
      against({ kind: 'at-least', distance: 100 }, NaN, { floor: free }),
    ]);
    const run = runForAim(design)!;
    const made = pointsByRound(design, design.aim.contest!, run);
    // Behind, before, behind with 300 g, quicker than a minute, and a mark that it does not reach.
    expect(made.map(({ points }) => points)).toEqual([4, 10, 4, 10, 0]);
    expect(made[2]!.distance).toBeLessThan(0.9 * far);
    expect(made[4]!.counts).toBe(0);
    expect(scoreOf(design, run)).toBeCloseTo(28, 1);
  });

  it('counts in how often a run goes further than one that is as good: half of all', () => {
    const design = aiming({ ...tern, floor: free }, [against({ kind: 'furthest' }, far, { floor: free })], { scatter: 0.06 });
    const [made] = pointsByRound(design, design.aim.contest!, runForAim(design)!);
    expect(made!.points).toBe(7);
    const best = aiming(design, [against({ kind: 'furthest' }, far, { floor: free, runs: 4 })], { scatter: 0.06 });
    // The best of four is behind in one of sixteen: 10 − 6/16.
    expect(pointsByRound(best, best.aim.contest!, runForAim(best)!)[0]!.points).toBeGreaterThan(8.8);
  });

  it('a car that was built better grips and rolls better on every floor', () => {
    const carpet = { ...tern, floor: { ...floors[0]!, kind: 'short-carpet' as const, slope: 0.01 } };
    const [here, there] = [likelyNumbers(tern), likelyNumbers(carpet)];
    const built = numbersOn(tern, carpet, { ...here, staticGrip: 1.2 * here.staticGrip!, slope: here.slope! + 0.002 });
    expect(built.staticGrip).toBeCloseTo(1.2 * there.staticGrip!, 12);
    expect(built.slope).toBeCloseTo(0.012, 12);
    expect(deriveRunSetup(carpet, { kind: 'full' }, numbersOn(tern, carpet, here))).toEqual(deriveRunSetup(carpet));
  });

  it('is never stored', () => {
    const design = aiming(tern, [against({ kind: 'furthest' }, 1)]);
    expect(storedDesign(design)).toEqual(tern);
    expect(storedDesign(tern)).toBe(tern);
  });

  it('ranks sweep, what matters and remedies in points', () => {
    const limpet = carOf('Limpet');
    const design = aiming(limpet, [against({ kind: 'furthest' }, 30), against({ kind: 'quickest-to', distance: 6 }, -3.4)], {
      scatter: 0.06,
    });
    const points = boundedSweep(design, 'driveWheels', [0.1, 0.12, 0.14]);
    for (const { asked, askedBounds } of points) {
      expect(asked).toBeGreaterThanOrEqual(0);
      expect(askedBounds.high).toBeLessThanOrEqual(20.01);
    }
    const { inAllRounds, remedies } = assess(design, 'metric')!;
    expect(inAllRounds!.points.middle).toBeLessThanOrEqual(20.01);
    expect(inAllRounds!.rounds[0]!.counts).toBe(1);
    expect(inAllRounds!.rounds[1]!.counts).toBeGreaterThan(0.9);
    for (const { better } of remedies) expect(better).toBeLessThanOrEqual(20.01);
    expect(Math.max(...sizesThatMatter(design).map(({ swing }) => swing))).toBeLessThanOrEqual(20.01);
  });
});

describe('set-ups for each round', () => {
  const tern = carOf('Tern');
  const target = against({ kind: 'closest-to', distance: 5 }, -0.4, { runs: 3 });
  it('wind less where a car has to stop at a mark, and tell what fresh cars earn so', () => {
    const design = aiming(tern, [target, against({ kind: 'furthest' }, 1)], { scatter: 0.06 });
    const [stop, furthest] = setUpsFor(design, 'winding');
    expect(stop!.turns).not.toBeNull();
    const [less] = [predictRun(tern, { kind: 'turns', turns: stop!.turns! })];
    expect(less.kind === 'ran' && Math.abs(less.result.distance - 5)).toBeLessThan(1);
    expect(stop!.after.points).toBeGreaterThan(stop!.before.points + 1);
    expect(stop!.design).toBe(design);
    expect(furthest).toMatchObject({ turns: null, before: { points: 10 }, after: { points: 10 } });
  });
  it('change nothing where the brief lets nothing be changed, else one thing, which nothing stops', () => {
    const design = aiming(carOf('Limpet'), [against({ kind: 'furthest' }, 12, { runs: 3 }), target], { scatter: 0.06 });
    for (const { design: as, turns } of setUpsFor(design, 'nothing')) expect([as, turns]).toEqual([design, null]);
    const [far] = setUpsFor(design, 'one-thing');
    expect(far!.after.points).toBeGreaterThan(far!.before.points);
    const changed = (['tyre', 'ballast', 'driveWheels'] as const).filter(
      (key) => JSON.stringify(far!.design[key]) !== JSON.stringify(design[key]),
    );
    expect(changed).toHaveLength(1);
  });
});

describe('the best car for all rounds', () => {
  it('of two rounds none is better in both', () => {
    const at = (...figures: number[]): Candidate =>
      ({ design: { name: figures.join() }, rounds: figures.map((figure) => ({ figure })) }) as unknown as Candidate;
    const cars = [at(3, 1, 0), at(2, 2, 0), at(1, 1, 0), at(1, 3, 0), at(0, 0, 5)];
    const front = frontsOfRounds(cars).map(({ design }) => design.name);
    expect(front.sort()).toEqual(['0,0,5', '1,3,0', '2,2,0', '3,1,0']);
    expect(inRounds(0, 1)(cars[1]!)).toEqual([2, 2]);
  });

  describe('of the demo’s brief', () => {
    const workspace = makeWorkspace();
    let earned: (design: CarDesign) => number;
    let aimed: CarDesign;
    let offers: readonly { readonly design: CarDesign; readonly lower: number; readonly rounds: readonly { points: number }[] | null }[];
    beforeAll(async () => {
      const { aimedAt, fieldOf } = await import('../meet/field.ts');
      const ferry = carOf('Slow Ferry');
      const others = ['Kelp Runner', 'Tern', 'Limpet'].map((name) => ({ name, design: carOf(name), runs: [] }));
      aimed = aimedAt(ferry, fieldOf(ferry, brief, others).contest);
      earned = (design) => builtSample({ ...design, aim: aimed.aim }, 4711, workspace, 300).lower;
      offers = findBestCar(aimed, { tries: 600 }).best;
    });
    it('earns at least what the best of each round alone does, of cars that no search used', () => {
      const alone = brief.rounds.flatMap((_round, round) => {
        const one = designForBrief({ ...storedDesign(aimed), brief: { id: aimed.brief!.id, round } }, brief);
        return findBestCar(one, { tries: 300 })
          .best.slice(0, 1)
          .map(({ design }) => ({ ...design, floor: aimed.floor, load: aimed.load }));
      });
      expect(earned(offers[0]!.design)).toBeGreaterThanOrEqual(Math.max(earned(aimed), ...alone.map(earned)) - 0.2);
    });
    it('tells what it earns round by round, as it is when tried', () => {
      const [offer] = offers;
      const sample = builtSample(offer!.design, 12, workspace, 300);
      expect(offer!.rounds!.map(({ points }) => points).length).toBe(4);
      offer!.rounds!.forEach(({ points }, i) => expect(Math.abs(points - sample.rounds![i]!.points)).toBeLessThan(0.6));
      expect(inRound(aimed, aimed.aim.contest!.rounds[2]!).load.mass).toBe(0.1);
    });
  });
});

it('a round without rivals is won by whoever counts', () => {
  const design = aiming(newCar('x'), [against({ kind: 'furthest' }, NaN, { points: pointsTable([[NaN]], [3]) })]);
  expect(pointsByRound(design, design.aim.contest!, runForAim(design)!)[0]!.points).toBe(3);
});
