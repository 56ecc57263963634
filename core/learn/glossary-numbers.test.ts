import { describe, expect, it } from 'vitest';
import type { CarDesign, MotorKind } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { standingWeight } from '../car/weights.ts';
import { predictRun } from '../predict/predict-run.ts';
import { glossaryNumbers } from './glossary-numbers.ts';
import { ideaPages } from './ideas.ts';
import { IDEAS } from './idea.ts';
import { figuresOf } from './measured-car.ts';
import { TERM_IDS } from './glossary-terms.ts';

const plain = (text: string): string => text.replaceAll('\u00a0', ' ');
const numbersOf = (design: CarDesign) => {
  const numberOf = glossaryNumbers(design, 'metric');
  return (id: Parameters<typeof numberOf>[0]): string => plain(numberOf(id));
};
const lever: CarDesign = {
  ...newCar('x'),
  wheelbase: 0.25,
  trackWidth: 0.12,
  endPlay: 0.001,
  axleDiameter: 0.004,
  driveWheels: { ...newCar('x').driveWheels, diameter: 0.12 },
  alignment: { driveToe: 0, otherToe: Math.PI / 90, wheelMismatch: 0 },
  measured: {
    staticGrip: { value: 0.62, spread: 0.05 },
    springPreload: { value: 0.21, spread: 0.05 },
    springRate: { value: 0.11, spread: 0.05 },
    bearingFriction: { value: 0.19, spread: 0.05 },
  },
};

describe('a word’s number', () => {
  it('is the car’s own, by hand', () => {
    const numberOf = numbersOf(lever);
    const figures = figuresOf(lever)!;
    const { mass, driveLoadShare } = standingWeight(lever);
    expect(numberOf('wheelbase')).toBe('250 mm');
    expect(numberOf('track-width')).toBe('120 mm');
    expect(numberOf('end-play')).toBe('1 mm');
    expect(numberOf('drive-axle')).toBe('⌀ 4 mm');
    expect(numberOf('advantage')).toBe('1 : 30 from axle to rim');
    expect(numberOf('moment-arm')).toMatch(/^2 mm at the axle/);
    expect(numberOf('toe')).toBe('drive axle 0°, other 2°');
    expect(numberOf('friction')).toBe('0.62');
    expect(numberOf('preload')).toBe('0.21 N·m');
    expect(numberOf('spring-rate')).toBe('0.11 N·m/rad');
    expect(numberOf('bearing')).toMatch(/friction 0\.19$/);
    expect(Number.parseFloat(numberOf('normal-load'))).toBeCloseTo(mass * driveLoadShare * 9.80665, 1);
    expect(Number.parseFloat(numberOf('kinetic-energy'))).toBeCloseTo((mass * figures.speed ** 2) / 2, 1);
    expect(Number.parseFloat(numberOf('torque'))).toBeCloseTo(figures.pull * 0.06, 3);
    expect(Number.parseFloat(numberOf('pull'))).toBeCloseTo(figures.pull, 1);
    expect(lever.motor.kind === 'lever' && numberOf('cocked-angle')).toBe(
      `${Math.round(((lever.motor as { cockedAngle: number }).cockedAngle * 180) / Math.PI)}°`,
    );
  });
  it('shares of the energy add up to the whole with what the others take', () => {
    const numberOf = numbersOf(lever);
    const shares = (['air-drag', 'hysteresis', 'rolling'] as const).map((id) => Number.parseFloat(numberOf(id)));
    expect(shares.every((one) => one >= 0 && one <= 100)).toBe(true);
    expect(shares.reduce((sum, one) => sum + one, 0)).toBeLessThanOrEqual(101);
  });
  it('is told as none where the car has no such thing, and as a dash where it does not run', () => {
    const roller = numbersOf(newCar('x', 'twist'));
    for (const id of ['bearing', 'lever', 'wheelbase', 'track-width', 'overhang', 'end-play', 'tyre', 'preload'] as const)
      expect([id, roller(id)]).toEqual([id, 'not on this car']);
    expect(roller('stretch')).toMatch(/^\d[\d.]* times its length/);
    expect(numbersOf(newCar('x', 'lever'))('stretch')).toBe('not on this car');
    const broken = numbersOf({ ...lever, wheelbase: -1 });
    for (const id of TERM_IDS) expect(broken(id)).toBe('–');
  });
  it('tells of the wall whether runs are likely to hit it', () => {
    const prediction = predictRun(lever);
    const far = prediction.kind === 'ran' ? prediction.result.distance : NaN;
    const withRoom = (roomLength: number | null) => numbersOf({ ...lever, floor: { ...lever.floor, roomLength } })('censored');
    expect(withRoom(null)).toBe('its floor has no wall');
    expect(withRoom(0.8 * far)).toMatch(/^likely/);
    expect(withRoom(1.2 * far)).toMatch(/^unlikely/);
  });
});

describe('ten ideas', () => {
  it.each<MotorKind>(['lever', 'band', 'twist'])('are told in the figures of a car driven by a %s', (kind) => {
    const pages = ideaPages(newCar('x', kind), 'metric');
    expect(pages.map(({ idea }) => idea)).toEqual(Object.keys(IDEAS));
    for (const { words, onCar, formula, source } of pages) {
      expect(onCar).toMatch(/\d/);
      expect(`${words.join(' ')} ${onCar}`).not.toMatch(/NaN|undefined|Infinity/);
      expect(formula.length * source.length * words.length).toBeGreaterThan(0);
    }
  });
  it('name Newton’s three laws where they act', () => {
    const text = ideaPages(newCar('x'), 'metric')
      .flatMap(({ words, source }) => [...words, source])
      .join(' ');
    for (const law of ['first law', 'second law', 'third law']) expect(text).toContain(`Newton’s ${law}`);
  });
  it('say so of a car that does not run', () => {
    for (const { onCar } of ideaPages({ ...lever, wheelbase: -1 }, 'metric')) expect(onCar).toContain('cannot run as it is designed');
  });
});
