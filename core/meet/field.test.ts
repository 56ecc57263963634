import { readFileSync } from 'node:fs';
import { beforeAll, describe, expect, it } from 'vitest';
import { designForBrief, type Brief } from '../brief/brief.ts';
import { newRound } from '../brief/new-brief.ts';
import { pointsFor } from '../brief/points-table.ts';
import type { CarDesign } from '../car/car-design.ts';
import { runForAim } from '../explore/aim.ts';
import { pointsByRound } from '../explore/all-rounds.ts';
import { builtSample } from '../explore/quantile-score.ts';
import { makeWorkspace } from '../run/workspace.ts';
import { forecastOfBrief, pointsToGain, type CarOfBrief } from './brief-forecast.ts';
import { aimedAt, fieldOf, type Field } from './field.ts';

const brief = JSON.parse(readFileSync('server/demo/skerrow-lull-trophy.brief.json', 'utf8')) as Brief;
const demo = JSON.parse(readFileSync('server/demo/skerrow.json', 'utf8')) as { cars: { id: string; design: CarDesign }[] };
const cars: readonly CarOfBrief[] = demo.cars
  .filter(({ design }) => design.brief)
  .map(({ id, design }) => ({ id, name: design.name, design, runs: [] }));
const own = designForBrief(cars.find(({ name }) => name === 'Limpet')!.design, brief);
const others = cars.filter(({ name }) => name !== 'Limpet');

describe('the field of a brief', () => {
  let field: Field;
  beforeAll(() => {
    field = fieldOf(own, brief, others);
  });
  it('is the other cars as they are known, in each round with its floor, load and points', () => {
    expect(field.rivals.map(({ name, by }) => [name, by])).toEqual(others.map(({ name }) => [name, 'design']));
    const { rounds } = field.contest;
    expect(rounds.map(({ name }) => name)).toEqual(brief.rounds.map(({ name }) => name));
    expect(rounds[2]!.load).toBe(brief.rounds[2]!.load);
    expect(rounds[2]!.floor).toBe(brief.floors.find(({ name }) => name === brief.rounds[2]!.floor)!.floor);
  });
  it('gives whoever beats all the first place’s points, and whoever is behind all the last one’s', () => {
    const [furthest, quick, , gap] = field.contest.rounds;
    expect(pointsFor(furthest!.points, 1000)).toBeCloseTo(10, 9);
    expect(pointsFor(quick!.points, -0.1)).toBeCloseTo(10, 9);
    // Three rivals run nearly always: a fourth car is fourth, or better where one of them did not count.
    expect(pointsFor(furthest!.points, 0.01)).toBeGreaterThanOrEqual(3);
    expect(pointsFor(furthest!.points, 0.01)).toBeLessThan(4);
    expect(pointsFor(gap!.points, 0)).toBeCloseTo(5, 9);
  });
  it('is the points of the forecast, but for chance: a car earns on average what an evening gives it', () => {
    const workspace = makeWorkspace();
    const sample = builtSample(aimedAt(own, field.contest), 5, workspace, 300);
    const forecast = forecastOfBrief(brief, cars).entries.find(({ entry }) => entry === cars.find(({ name }) => name === 'Limpet')!.id)!;
    sample.rounds!.forEach(({ points }, i) => expect(Math.abs(points - forecast.rounds[i]!.points), `round ${i}`).toBeLessThan(0.9));
  });
  it('without others is typical cars and the car as it is now; where no points are given places count', () => {
    const plain = {
      ...brief,
      rounds: [newRound('a', brief.floors[0]!.name, { kind: 'furthest' }), newRound('b', brief.floors[0]!.name, { kind: 'furthest' })],
    };
    const alone = fieldOf(own, plain, []);
    expect(alone.rivals).toEqual([]);
    expect(pointsFor(alone.contest.rounds[0]!.points, 1000)).toBeCloseTo(5, 9);
    expect(pointsFor(alone.contest.rounds[0]!.points, 0.01)).toBeGreaterThanOrEqual(1);
    const [made] = pointsByRound(aimedAt(own, alone.contest), alone.contest, runForAim(aimedAt(own, alone.contest))!);
    expect(made!.points).toBeGreaterThan(1);
    expect(made!.points).toBeLessThanOrEqual(5);
  });
});

describe('what would bring a car the most points', () => {
  it('is the round in which most are open, and a change that brings on other cars what it says', () => {
    const kept = new Map();
    const forecast = forecastOfBrief(brief, cars, kept);
    expect(forecast.entries.reduce((sum, { places }) => sum + places[0]!, 0)).toBeGreaterThanOrEqual(1 - 1e-9);
    const { id } = cars.find(({ name }) => name === 'Limpet')!;
    const gain = pointsToGain(brief, cars, id, forecast, kept)!;
    const expected = forecast.entries.find(({ entry }) => entry === id)!;
    const open = brief.rounds.map(({ points }, i) => points[0]! - expected.rounds[i]!.points);
    expect(gain.round.points).toBeCloseTo(Math.max(...open), 9);
    const workspace = makeWorkspace();
    const middle = (design: CarDesign): number => builtSample(design, 99, workspace, 300).middle;
    const before = { ...own, aim: gain.change!.design.aim };
    expect(Math.abs(middle(gain.change!.design) - middle(before) - gain.change!.gain)).toBeLessThan(1.2);
    expect(gain.change!.gain).toBeGreaterThan(1);
  });
});
