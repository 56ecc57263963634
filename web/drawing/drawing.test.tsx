import fc from 'fast-check';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { CarDesign, MotorKind } from '../../core/car/car-design.ts';
import { newCar } from '../../core/car/new-car.ts';
import { predictRun } from '../../core/predict/predict-run.ts';
import { sizesOf } from '../../core/car/sizes.ts';
import skerrow from '../../server/demo/skerrow.json' with { type: 'json' };
import { planView } from '../../core/geometry/plan-view.ts';
import { poseAt } from '../../core/geometry/pose.ts';
import { sideView } from '../../core/geometry/side-view.ts';
import { formatQuantity } from '../../core/units/quantity.ts';
import { planScale, sideScale } from './scale.ts';
import { PlanDrawing } from './plan-drawing.tsx';
import { planHandles } from './plan-handles.ts';
import { SideDrawing } from './side-drawing.tsx';
import { sideHandles } from './side-handles.ts';

const MARGIN = { side: 84, top: 80, floor: 66 };
const kinds: MotorKind[] = ['lever', 'band', 'twist'];
const size = (metres: number): string => formatQuantity(metres, 'size', 'metric');

function drawnSide(design: CarDesign, width: number, height: number, time: number | null = null): string {
  const view = sideView(design);
  const prediction = predictRun(design, { kind: 'full' }, { trace: true });
  // A car that does not move is not played.
  const moves = prediction.kind === 'ran' && prediction.result.trace!.time.length > 1;
  const pose = time === null || !moves ? null : poseAt(design, prediction.result, time * prediction.result.time);
  return renderToStaticMarkup(
    <svg>
      <SideDrawing design={design} view={view} scale={sideScale(view, width, height, MARGIN)} width={width} pose={pose} size={size} />
    </svg>,
  );
}
function drawnPlan(design: CarDesign, width: number, height: number): string {
  const view = planView(design);
  return renderToStaticMarkup(
    <svg>
      <PlanDrawing design={design} view={view} scale={planScale(view, width, height, MARGIN)} size={size} distance={size} />
    </svg>,
  );
}

/** A car of a kind with some of its sizes anywhere a slider reaches, built to run or not. */
const anyCar = fc
  .tuple(fc.constantFrom(...kinds), fc.array(fc.tuple(fc.nat(30), fc.double({ min: 0, max: 1, noNaN: true })), { maxLength: 6 }))
  .map(([kind, changes]) =>
    changes.reduce(
      (car, [which, share]) => {
        const sizes = sizesOf(kind);
        const { low, high, write } = sizes[which % sizes.length]!;
        return write(car, low + share * (high - low));
      },
      newCar('x', kind),
    ),
  );

describe('the drawing of a car', () => {
  it('is whole for every car that can be set, in every room it may have: no size is not a number or below nothing', () => {
    fc.assert(
      fc.property(anyCar, fc.nat(1600), fc.nat(900), fc.double({ min: 0, max: 1, noNaN: true }), (car, width, height, time) => {
        for (const drawn of [drawnSide(car, width, height), drawnSide(car, width, height, time), drawnPlan(car, width, height)]) {
          expect(drawn).not.toMatch(/NaN|Infinity|undefined/);
          expect(drawn).not.toMatch(/ (r|width|height)="-/);
        }
      }),
      { numRuns: 150 },
    );
  });
  it('is to scale: a wheel is as large as its figure says, and stands on the floor', () => {
    const car = newCar('x');
    const view = sideView(car);
    const scale = sideScale(view, 620, 320, MARGIN);
    const [, cy, r] = /<circle cx="[\d.]+" cy="([\d.]+)" r="([\d.]+)"/.exec(drawnSide(car, 620, 320))!;
    expect(Number(r)).toBeCloseTo(scale.length(0.06), 3);
    expect(Number(cy) + Number(r)).toBeCloseTo(scale.y(0), 3);
  });
  it('keeps to its box but for the words', () => {
    const view = sideView(newCar('x'));
    const scale = sideScale(view, 620, 320, MARGIN);
    // Its place is steady to a few px.
    expect(scale.x(view.bounds.left)).toBeGreaterThanOrEqual(MARGIN.side - 4);
    expect(scale.x(view.bounds.right)).toBeLessThanOrEqual(620 - MARGIN.side + 4);
    expect(scale.y(view.bounds.top)).toBeGreaterThanOrEqual(MARGIN.top - 1e-9);
  });
  it('keeps its scale and its place while a size changes a little: only what is changed moves', () => {
    const scales = Array.from({ length: 40 }, (_, i) => {
      const grown = { ...newCar('x'), driveWheels: { ...newCar('x').driveWheels, diameter: 0.12 + i * 4e-4 } };
      const scale = sideScale(sideView(grown), 620, 320, MARGIN);
      return `${scale.x(0)} ${scale.length(1)}`;
    });
    expect(new Set(scales).size).toBeLessThan(6);
  });
  it.each([
    ['lever', ['⌀ 120 mm', '260 mm', '190 mm', 'lever 180 mm', 'axle ⌀ 3.2 mm', 'cocked']],
    ['band', ['⌀ 120 mm', '210 mm', '185 mm', 'axle ⌀ 3.2 mm', 'taped to 8 mm', '9 turns']],
    ['twist', ['⌀ 34 mm', 'arm 70 mm', '30 turns']],
  ] as const)('of %s says its sizes', (kind, words) => {
    const drawn = drawnSide(newCar('x', kind), 620, 320).replaceAll('\u00a0', ' ');
    for (const word of words) expect(drawn).toContain(word);
  });
  it('has no dimensions while it runs, but the metres of floor', () => {
    const views = [0.1, 0.2, 0.3, 0.4, 0.5].map((time) => drawnSide(newCar('x'), 620, 320, time));
    for (const drawn of views) expect(drawn).not.toContain('⌀');
    expect(views.some((drawn) => />\d+ m</.test(drawn))).toBe(true);
  });
});

interface Box {
  readonly words: string;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}
/** px a figure takes along, and half of what it takes up. */
const [ADVANCE, HALF_UP] = [7.85, 6];
const attribute = (tag: string, name: string): string => new RegExp(` ${name}="([^"]*)"`).exec(tag)?.[1] ?? '';

/** Where the words of a drawing stand. */
const boxesOf = (drawn: string): Box[] =>
  [...drawn.matchAll(/(<text [^>]*>)([^<]*)</g)].map(([, tag, words]) => {
    const [x, y] = [Number(attribute(tag!, 'x')), Number(attribute(tag!, 'y'))];
    const width = ADVANCE * words!.length;
    const left = { start: x, middle: x - width / 2, end: x - width }[attribute(tag!, 'text-anchor') || 'start']!;
    return { words: words!, left, right: left + width, top: y - HALF_UP, bottom: y + HALF_UP };
  });
/** The straight lines of its dimensions and strokes, as points along them. */
function pointsOf(drawn: string): [number, number][] {
  const lines: [number, number, number, number][] = [];
  for (const [, tag] of drawn.matchAll(/(<line [^>]*>)/g))
    lines.push(['x1', 'y1', 'x2', 'y2'].map((name) => Number(attribute(tag!, name))) as [number, number, number, number]);
  for (const [, d] of drawn.matchAll(/<path d="([^"]*)" stroke="[^"]*" stroke-width="0.9"/g)) {
    let [x, y] = [0, 0];
    for (const [, command, along, upTo] of d!.matchAll(/([MHV])(-?[\d.]+)(?: (-?[\d.]+))?/g)) {
      const to: [number, number] =
        command === 'M' ? [Number(along), Number(upTo)] : command === 'H' ? [Number(along), y] : [x, Number(along)];
      if (command !== 'M') lines.push([x, y, ...to]);
      [x, y] = to;
    }
  }
  return lines.flatMap(([x1, y1, x2, y2]) => {
    const count = Math.ceil(Math.hypot(x2 - x1, y2 - y1));
    return Array.from({ length: count + 1 }, (_, i): [number, number] => [
      x1 + ((x2 - x1) * i) / (count || 1),
      y1 + ((y2 - y1) * i) / (count || 1),
    ]);
  });
}

describe('words on a drawing', () => {
  const cars = [...kinds.map((kind) => newCar(kind, kind)), ...skerrow.cars.map(({ design }) => design as CarDesign)];
  it.each(cars.map((car) => [car.name, car] as const))('of %s stand clear of each other, of lines and of rims', (_name, car) => {
    const drawn = drawnSide(car, 600, 320);
    const boxes = boxesOf(drawn);
    const within = (box: Box, [x, y]: readonly [number, number]): boolean => x > box.left && x < box.right && y > box.top && y < box.bottom;
    const rims = sideView(car);
    const scale = sideScale(rims, 600, 320, MARGIN);
    const round = [rims.driveWheel, ...(rims.otherWheel ? [rims.otherWheel] : [])].flatMap(({ x, y, radius }) =>
      Array.from({ length: 720 }, (_, i): [number, number] => [
        scale.x(x + radius * Math.cos((i * Math.PI) / 360)),
        scale.y(y + radius * Math.sin((i * Math.PI) / 360)),
      ]),
    );
    const points = [...pointsOf(drawn), ...round];
    const crossed = boxes.filter((box) => points.some((point) => within(box, point))).map(({ words }) => words);
    expect(crossed).toEqual([]);
    const overlapping = boxes.filter((a) =>
      boxes.some((b) => a !== b && a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom),
    );
    expect(overlapping.map(({ words }) => words)).toEqual([]);
  });
});

describe('handles', () => {
  it('belong to sizes the car has, each at most once, and stand on the car', () => {
    fc.assert(
      fc.property(anyCar, (car) => {
        const known = new Set(sizesOf(car.motor.kind).map(({ id }) => id));
        for (const specs of [sideHandles(car, sideView(car)), planHandles(car, planView(car))]) {
          expect(new Set(specs.map(({ sizeId }) => sizeId)).size).toBe(specs.length);
          for (const { sizeId, place, step } of specs) {
            expect(known).toContain(sizeId);
            expect(Number.isFinite(place.x + place.y)).toBe(true);
            expect(step).toBeGreaterThan(0);
          }
        }
      }),
      { numRuns: 100 },
    );
  });
  it('move what they hold: a millimetre along changes the size by its gain', () => {
    const car = newCar('x');
    for (const { sizeId, place, direction, gain } of sideHandles(car, sideView(car))) {
      if (gain < 0.5) continue;
      const held = sizesOf('lever').find(({ id }) => id === sizeId)!;
      const moved = held.write(car, held.read(car) + gain * 1e-3);
      const after = sideHandles(moved, sideView(moved)).find((spec) => spec.sizeId === sizeId)!;
      const way = (after.place.x - place.x) * direction.x + (after.place.y - place.y) * direction.y;
      // A rim goes with its wheel's centre too, which only rises.
      expect(way, sizeId).toBeGreaterThan(0.5e-3);
      expect(way, sizeId).toBeLessThan(1.5e-3);
    }
  });
});
