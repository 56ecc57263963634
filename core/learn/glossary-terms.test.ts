import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { boxOf } from '../build/drawing.ts';
import type { CarDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { glossaryNumbers } from './glossary-numbers.ts';
import { termPicture } from './term-pictures.ts';
import { isTermFound, TERM_IDS, GLOSSARY, termsIn, type TermId } from './glossary-terms.ts';

const { cars } = JSON.parse(readFileSync(new URL('../../server/demo/skerrow.json', import.meta.url), 'utf8')) as {
  cars: { design: CarDesign }[];
};

describe('words', () => {
  it('are looked for by their names and by what they mean', () => {
    const found = (sought: string): TermId[] => TERM_IDS.filter((id) => isTermFound(id, sought));
    expect(found('distance between axles')).toEqual(['wheelbase']);
    expect(found('PULL tractive')).toContain('pull');
    expect(found('zebra')).toEqual([]);
    expect(found('')).toEqual(TERM_IDS);
  });
  it('are found in a text where they stand by themselves, however they are written', () => {
    expect(termsIn('Its Track width; wheelspin, and 3 turns')).toEqual(['slip', 'track-width', 'winding']);
    expect(termsIn('pulley, playing, gearbox, drift-free, energyless')).toEqual([]);
    expect(termsIn('')).toEqual([]);
  });
  it('are each found by their own name', () => {
    for (const id of TERM_IDS)
      for (const name of GLOSSARY[id].word.split(', ')) expect([name, termsIn(name)]).toEqual([name, expect.arrayContaining([id])]);
  });
  it.each(cars.map(({ design }) => [design.name, design] as const))(
    'each have a picture within its sheet and a number on %s',
    (_name, design) => {
      const numberOf = glossaryNumbers(design, 'metric');
      for (const id of TERM_IDS) {
        const { items, width, height } = termPicture(id, design);
        expect([id, items.length]).toEqual([id, expect.any(Number)]);
        expect(items.length).toBeGreaterThan(1);
        // No mark stands far from what it is about.
        expect([id, width >= 52 && width <= 82, height >= 16 && height <= 66]).toEqual([id, true, true]);
        for (const { left, right, top, bottom } of items.map(boxOf)) {
          expect(Math.min(left, top)).toBeGreaterThanOrEqual(0);
          expect([id, right <= width && bottom <= height]).toEqual([id, true]);
        }
        expect(numberOf(id)).not.toMatch(/NaN|undefined|Infinity|^$/);
      }
    },
  );
  it.each(['rear', 'front'] as const)('draw a car with its drive axle at the %s to one scale, between 56 and 70 mm across', (driveAxle) => {
    const base = newCar('x');
    const design = { ...base, layout: { ...base.layout, driveAxle } };
    const { items, width, height } = termPicture('wheelbase', design);
    const wheels = items
      .flatMap((item) => (item.kind === 'circle' ? [item] : []))
      .toSorted((a, b) => b.radius - a.radius)
      .slice(0, 2);
    const [drive, other] = wheels as [(typeof wheels)[number], (typeof wheels)[number]];
    const scale = drive.radius / (design.driveWheels.diameter / 2);
    expect(other.radius).toBeCloseTo((scale * design.otherWheels!.diameter) / 2, 9);
    expect(Math.abs(drive.centre.x - other.centre.x)).toBeCloseTo(scale * design.wheelbase, 9);
    expect([width >= 56 && width < 70, height >= 26 && height < 60]).toEqual([true, true]);
    // From above at the same scale: arrows from wheel to wheel.
    const tips = termPicture('track-width', design).items.flatMap((item) => (item.kind === 'path' && item.filled ? [item.points[0]!] : []));
    const plan = termPicture('track-width', design);
    const across =
      Math.max(...plan.items.map(boxOf).map(({ right }) => right)) - Math.min(...plan.items.map(boxOf).map(({ left }) => left));
    expect(across).toBeGreaterThan(50);
    expect(Math.abs(tips[0]!.y - tips[1]!.y) / scale).toBeGreaterThan(0.5 * design.trackWidth);
  });
  it('show turning all round the wheel, the range about its middle, runs along a line, turns about the axle', () => {
    const design = newCar('x');
    const itemsOf = (id: TermId) => termPicture(id, design).items;
    const [, , , ...slip] = itemsOf('slip').flatMap((item) => (item.kind === 'path' && item.line === 'frame' ? [item.points] : []));
    const round = itemsOf('slip').find((item) => item.kind === 'path' && item.points.length > 12);
    const points = round!.kind === 'path' ? round!.points : [];
    const middle = itemsOf('slip')
      .flatMap((item) => (item.kind === 'circle' ? [item] : []))
      .toSorted((a, b) => b.radius - a.radius)[0]!.centre;
    for (const { x, y } of points)
      expect(Math.hypot(x - middle.x, y - middle.y)).toBeCloseTo(Math.hypot(points[0]!.x - middle.x, points[0]!.y - middle.y), 6);
    expect(slip.length).toBeLessThan(3);
    const ticks = itemsOf('interval').flatMap((item) =>
      item.kind === 'path' && item.points[0]!.x === item.points[1]!.x ? [item.points] : [],
    );
    expect(ticks).toHaveLength(3);
    expect(ticks[1]![0]!.x).toBeCloseTo((ticks[0]![0]!.x + ticks[2]![0]!.x) / 2, 9);
    for (const [from, to] of ticks) expect(Math.abs(to!.y - from!.y)).toBeCloseTo(8, 9);
    const rings = itemsOf('winding').length - itemsOf('wheelbase').length;
    expect(rings).not.toBe(0);
    // Let go, less comes back than was put in: the lower line lies under the upper one.
    const curves = itemsOf('hysteresis').flatMap((item) => (item.kind === 'path' && item.points.length > 10 ? [item.points] : []));
    expect(curves).toHaveLength(2);
    curves[0]!.forEach(({ y }, i) => expect(curves[1]![i]!.y).toBeGreaterThanOrEqual(y - 1e-9));
    // A path over the floor goes on along it.
    const way = itemsOf('curvature').flatMap((item) => (item.kind === 'path' && item.points.length > 10 ? [item.points] : []))[0]!;
    way.slice(1).forEach(({ x }, i) => expect(x).toBeGreaterThan(way[i]!.x));
  });
  it('show forces where they act: a load down onto the floor, a pull onward along it', () => {
    const design = newCar('x');
    const tipOf = (id: TermId) => {
      const filled = termPicture(id, design).items.find((item) => item.kind === 'path' && item.filled === true);
      return filled!.kind === 'path' ? filled!.points : [];
    };
    const [load, loadFoot] = tipOf('normal-load');
    expect(load!.y).toBeGreaterThan(loadFoot!.y);
    const [pull, pullFoot] = tipOf('pull');
    const [rolling, rollingFoot] = tipOf('rolling');
    expect(pull!.x).toBeGreaterThan(pullFoot!.x);
    expect(rolling!.x).toBeLessThan(rollingFoot!.x);
    // Hatched evenly under the curve, each line up from the axis.
    const lines = termPicture('energy', design).items.flatMap((item) =>
      item.kind === 'path' && item.points.length === 2 ? [item.points] : [],
    );
    expect(lines).toHaveLength(40);
    const gaps = lines.slice(1).map(([foot], i) => foot!.x - lines[i]![0]!.x);
    expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThan(1e-9);
    for (const [foot, top] of lines) expect(top!.y).toBeLessThanOrEqual(foot!.y + 1e-9);
  });
});
