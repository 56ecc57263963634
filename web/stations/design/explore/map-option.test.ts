import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { newCar } from '../../../../core/car/new-car.ts';
import { findSize } from '../../../../core/car/sizes.ts';
import type { MapCars } from '../../../../core/explore/map.ts';
import { TOKENS } from '../../../ui/tokens.ts';
import { mapOption, mapRange, paintField } from './map-option.ts';

const SIDE = 11;
const car = newCar('x');
const [lever, wheels] = [findSize(car, 'leverLength'), findSize(car, 'driveWheels')];
const values = (from: number, to: number): number[] => Array.from({ length: SIDE }, (_, i) => from + ((to - from) * i) / (SIDE - 1));
const request = { design: car, across: { id: lever.id, values: values(0.1, 0.3) }, up: { id: wheels.id, values: values(0.06, 0.16) } };

/** Cars that go further to the right and up, by hand: the lowest row cannot run, the left columns are stopped, the highest row spins. */
const cars: MapCars = {
  distance: Float64Array.from({ length: SIDE ** 2 }, (_, i) => (i < SIDE ? NaN : (i % SIDE) + Math.floor(i / SIDE))),
  time: new Float64Array(SIDE ** 2),
  launchGripRatio: Float64Array.from({ length: SIDE ** 2 }, (_, i) => (Math.floor(i / SIDE) === SIDE - 1 ? 0.5 : 3)),
  score: new Float64Array(SIDE ** 2),
  stop: Uint8Array.from({ length: SIDE ** 2 }, (_, i) => (i % SIDE < 3 ? 1 : 0)),
  stops: ['height allowed'],
};

let painted: { width: number; data: Uint8ClampedArray } | null;
beforeEach(() => {
  painted = null;
  vi.stubGlobal('document', {
    createElement: () => ({
      width: 0,
      height: 0,
      getContext: () => ({
        createImageData: (width: number, height: number) => ({ width, data: new Uint8ClampedArray(4 * width * height) }),
        putImageData: (image: NonNullable<typeof painted>) => (painted = image),
      }),
    }),
  });
});
afterEach(() => vi.unstubAllGlobals());

const drawn = ({ picture = { request, cars, isWhole: true }, units = 'metric', ...more }: Partial<Parameters<typeof mapOption>[0]> = {}) =>
  mapOption({
    picture,
    field: paintField(picture, units, TOKENS.light),
    acrossSize: lever,
    upSize: wheels,
    present: [0.18, 0.12],
    best: SIDE ** 2 - 1,
    cursor: null,
    units,
    tokens: TOKENS.light,
    ...more,
  }) as unknown as {
    xAxis: { name: string; min: number; max: number };
    yAxis: { name: string; min: number; max: number };
    series: {
      type: string;
      data: number[][];
      label?: { formatter: string };
      renderItem?: (params: unknown, api: object) => { children: Child[] };
    }[];
  };
interface Child {
  readonly type: string;
  readonly style: { readonly text?: string };
  readonly shape?: { readonly pathData: string };
}
/** Red, green, blue and cover of a car's pixel; rows are counted from below. */
const pixel = (column: number, row: number): number[] => {
  const at = 4 * ((SIDE - 1 - row) * SIDE + column);
  return [...painted!.data.slice(at, at + 4)];
};
const sum = ([red, green, blue]: number[]): number => red! + green! + blue!;
const hex = (colour: string): number[] => [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16));

describe('the colours of a map', () => {
  it('are clear where a car cannot run and darker the further it goes', () => {
    drawn();
    for (let column = 0; column < SIDE; column++) expect(pixel(column, 0)[3]).toBe(0);
    const along = [4, 6, 8].map((column) => pixel(column, 4));
    for (const [, , , cover] of along) expect(cover).toBe(255);
    expect(sum(along[0]!)).toBeGreaterThan(sum(along[1]!));
    expect(sum(along[1]!)).toBeGreaterThan(sum(along[2]!));
  });
  it('are hatched one way where a check stops the car, the other way where wheels spin, and nowhere else', () => {
    drawn();
    const of = (colour: string): string[] => {
      const found: string[] = [];
      for (let row = 0; row < SIDE; row++)
        for (let column = 0; column < SIDE; column++)
          if (pixel(column, row).slice(0, 3).join() === hex(colour).join()) found.push(`${column},${row}`);
      return found;
    };
    const [stopped, spinning] = [of(TOKENS.light.stop), of(TOKENS.light.pull)];
    expect(stopped.length).toBeGreaterThan(3);
    for (const place of stopped) expect(Number(place.split(',')[0])).toBeLessThan(3);
    expect(spinning.length).toBeGreaterThan(0);
    for (const place of spinning) expect(place.endsWith(`,${SIDE - 1}`)).toBe(true);
  });
});

describe('a map as a chart', () => {
  it('has its sizes on the axes, in the units shown', () => {
    const { xAxis, yAxis } = drawn();
    expect([xAxis.min, xAxis.max, yAxis.min, yAxis.max].map((end) => Number(end.toFixed(6)))).toEqual([100, 300, 60, 160]);
    const inches = drawn({ units: 'inch' });
    expect(inches.xAxis.max).toBeCloseTo(300 / 25.4, 6);
    expect(inches.yAxis.name).toContain('in');
  });
  it('marks the present car and the best where they are, and what is pointed at', () => {
    const marks = (more: Parameters<typeof drawn>[0]) =>
      drawn(more)
        .series.filter(({ type }) => type === 'scatter')
        .map(({ data, label }) => [label?.formatter, ...data[0]!.map((at) => Number(at.toFixed(3)))]);
    expect(marks({})).toEqual([
      ['now', 180, 120],
      ['best', 300, 160],
    ]);
    expect(marks({ best: null, cursor: SIDE })).toEqual([
      ['now', 180, 120],
      ['', 100, 70],
    ]);
  });
  it('has lines of equal distance, with their figures, once it is whole', () => {
    const parts = (isWhole: boolean): Child[] =>
      drawn({ picture: { request, cars, isWhole } }).series[0]!.renderItem!({}, { coord: ([x, y]: number[]) => [x!, 500 - y!] }).children;
    const figures = parts(true).flatMap(({ type, style }) => (type === 'text' ? [Number(style.text!.replace(' m', ''))] : []));
    expect(figures).toEqual([...figures].sort((a, b) => a - b));
    expect(figures.length).toBeGreaterThan(2);
    expect(figures.at(-1)).toBeLessThanOrEqual(20);
    expect(parts(false).map(({ type }) => type)).toEqual(['image']);
    // The lowest row cannot run: along it, and along the edge, there is no line.
    const drawnAt = parts(true).flatMap(({ shape }) =>
      [...(shape?.pathData.matchAll(/[ML]([\d.]+),([\d.]+)/g) ?? [])].map(([, x, y]) => [Number(x), 500 - Number(y)] as const),
    );
    expect(drawnAt.length).toBeGreaterThan(20);
    const [acrossStep, upStep] = [20, 10];
    for (const [x, y] of drawnAt) {
      expect(x).toBeGreaterThan(100 + 0.4 * acrossStep);
      expect(y).toBeGreaterThan(60 + 1.4 * upStep);
    }
  });
});

describe('the colours of a map', () => {
  it('span what its cars come to, a few that hardly start and those that cannot run left aside', () => {
    const distance = Float64Array.from([NaN, 0, ...Array.from({ length: 38 }, (_, i) => 10 + i / 37)]);
    const [least, most] = mapRange({ distance });
    expect(most).toBe(11);
    // One in twenty lies below.
    expect(least).toBeGreaterThanOrEqual(10);
    expect(least).toBeLessThan(10.1);
    expect(mapRange({ distance: Float64Array.from([NaN, NaN]) })).toEqual([0, 0]);
  });
});
