import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyWidth } from '../car/weights.ts';
import { newCar } from '../car/new-car.ts';
import {
  boxOf,
  makeCircle,
  clipped,
  crossesBox,
  isWithin,
  makeLine,
  linesOf,
  makePath,
  makePlace,
  makeRectangle,
  type Place,
} from './drawing.ts';
import { SIZE_FORMATS, sixteenths } from './size-format.ts';

const box = { left: 0, right: 10, top: 0, bottom: 5 };
const near = ([a, b]: readonly [Place, Place]): number[] => [a.x, a.y, b.x, b.y].map((value) => Number(value.toFixed(9)));

describe('a line cut at a box', () => {
  it('is what lies within, by hand: whole, through, in, along an edge, beside', () => {
    expect(near(clipped(box, makePlace(1, 1), makePlace(9, 4))!)).toEqual([1, 1, 9, 4]);
    expect(near(clipped(box, makePlace(-5, 2), makePlace(15, 2))!)).toEqual([0, 2, 10, 2]);
    expect(near(clipped(box, makePlace(5, 2), makePlace(5, 12))!)).toEqual([5, 2, 5, 5]);
    expect(near(clipped(box, makePlace(-10, -10), makePlace(20, 20))!)).toEqual([0, 0, 5, 5]);
    expect(near(clipped(box, makePlace(-1, 0), makePlace(4, 0))!)).toEqual([0, 0, 4, 0]);
    expect(clipped(box, makePlace(-1, -1), makePlace(11, -1))).toBeNull();
    expect(clipped(box, makePlace(11, 0), makePlace(20, 3))).toBeNull();
    expect(clipped(box, makePlace(-4, 3), makePlace(3, -4))).toBeNull();
  });
  it('lies in the box and on the line, and is none only where no point of the line lies in it', () => {
    const anywhere = fc.record({ x: fc.double({ min: -20, max: 30, noNaN: true }), y: fc.double({ min: -20, max: 30, noNaN: true }) });
    let cut = 0;
    fc.assert(
      fc.property(anywhere, anywhere, (from, to) => {
        const part = clipped(box, from, to);
        const along = (share: number): Place => makePlace(from.x + share * (to.x - from.x), from.y + share * (to.y - from.y));
        const isIn = ({ x, y }: Place): boolean => x > 1e-6 && x < 10 - 1e-6 && y > 1e-6 && y < 5 - 1e-6;
        const isMet = Array.from({ length: 200 }, (_, i) => along(i / 199)).some(isIn);
        if (isMet) expect(part).not.toBeNull();
        if (!part) return;
        cut++;
        for (const { x, y } of part) {
          expect(x >= -1e-9 && x <= 10 + 1e-9 && y >= -1e-9 && y <= 5 + 1e-9).toBe(true);
          // On the line: the triangle with both ends has no area.
          expect(Math.abs((to.x - from.x) * (y - from.y) - (to.y - from.y) * (x - from.x))).toBeLessThan(1e-6);
        }
        if (isMet) expect([crossesBox(box, from, to), crossesBox(box, to, from)]).toEqual([true, true]);
      }),
      { numRuns: 500 },
    );
    expect(cut).toBeGreaterThan(50);
  });
  it('passes beside a box that it only touches', () => {
    expect(crossesBox(box, makePlace(-5, 0), makePlace(15, 0))).toBe(false);
    expect(crossesBox(box, makePlace(10, -5), makePlace(10, 15))).toBe(false);
    expect(crossesBox(box, makePlace(-5, 0.01), makePlace(15, 0.01))).toBe(true);
  });
});

describe('what an item is drawn by', () => {
  it('is its lines, back to the first where it is closed; a circle within a hundredth of a millimetre', () => {
    const corners = makeRectangle(0, 0, 4, 2);
    expect(linesOf(makePath(corners, 'cut', true))).toHaveLength(4);
    expect(linesOf(makePath(corners, 'cut'))).toHaveLength(3);
    expect(linesOf(makeLine(makePlace(0, 0), makePlace(1, 1), 'thin'))).toEqual([[makePlace(0, 0), makePlace(1, 1)]]);
    expect(linesOf({ kind: 'text', at: makePlace(0, 0), text: 'a', size: 3, anchor: 'start' })).toEqual([]);
    const round = linesOf(makeCircle(makePlace(10, 20), 60, 'cut'));
    const length = round.reduce((sum, [a, b]) => sum + Math.hypot(a.x - b.x, a.y - b.y), 0);
    expect(length).toBeCloseTo(2 * Math.PI * 60, 1);
    for (const [a, b] of round) {
      expect(Math.hypot(a.x - 10, a.y - 20)).toBeCloseTo(60, 9);
      expect(60 - Math.hypot((a.x + b.x) / 2 - 10, (a.y + b.y) / 2 - 20)).toBeLessThan(0.01);
    }
  });
  it('lies in a box whose edges it may touch', () => {
    expect(isWithin(boxOf(makeCircle(makePlace(5, 2.5), 2.5, 'cut')), box)).toBe(true);
    expect(isWithin(boxOf(makeCircle(makePlace(5, 2.5), 2.6, 'cut')), box)).toBe(false);
    expect(isWithin({ ...box, left: -0.1 }, box)).toBe(false);
  });
});

describe('what is printed of a size', () => {
  it('is to a tenth of a millimetre, without a zero behind the point', () => {
    expect([0.0125, 0.26, 0.00004, 0.10004, 0.09996].map(SIZE_FORMATS.metric.number)).toEqual(['12.5', '260', '0', '100', '100']);
    expect(SIZE_FORMATS.metric.size(0.0032)).toBe('3.2 mm');
  });
  it('in inches is to a sixteenth, in lowest terms, and below that to a hundredth', () => {
    expect([0.2159, 0.0254, 0.0032, 0.1, 0.01905, 0.0005].map(sixteenths)).toEqual(['8 1/2', '1', '1/8', '3 15/16', '3/4', '0.02']);
    expect([SIZE_FORMATS.inch.size(0.3048), SIZE_FORMATS.inch.weight(0.165, 0)]).toEqual(['12 in', '5.8']);
  });
  it('of a body is what is made of it: a tube keeps its width, a deck stays between the wheels', () => {
    const wide = { ...newCar('x'), trackWidth: 0.1 };
    expect(bodyWidth({ ...wide, body: { ...wide.body, kind: 'card', width: 0.3 } })).toBe(0.1);
    expect(bodyWidth({ ...wide, body: { ...wide.body, kind: 'card', width: 0.05 } })).toBe(0.05);
    expect(bodyWidth({ ...wide, body: { ...wide.body, kind: 'bottle', width: 0.3 } })).toBe(0.3);
  });
});
