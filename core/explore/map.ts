import type { CarDesign } from '../car/car-design.ts';
import { findSize } from '../car/sizes.ts';
import { makeWorkspace } from '../run/workspace.ts';
import { isBetter } from './explored-car.ts';
import { sweep } from './sweep.ts';

/** Two sizes and the values each takes. Plain data, so that it can be handed to a worker. */
export interface MapRequest {
  readonly design: CarDesign;
  readonly across: { readonly id: string; readonly values: readonly number[] };
  readonly up: { readonly id: string; readonly values: readonly number[] };
}

/** The cars of a map, row by row from the first of `up`: a column for each reading, NaN where a car cannot run or is not there yet. */
export interface MapCars {
  readonly distance: Float64Array;
  readonly time: Float64Array;
  readonly launchGripRatio: Float64Array;
  readonly score: Float64Array;
  /** Which of `stops` stops the car, counted from 1; 0 where nothing does. */
  readonly stop: Uint8Array;
  /** Titles of checks and rules. */
  readonly stops: readonly string[];
}

/** Some rows of a map. */
export interface MapRows extends MapCars {
  readonly firstRow: number;
}

const emptyCars = (count: number) => ({
  distance: new Float64Array(count).fill(NaN),
  time: new Float64Array(count).fill(NaN),
  launchGripRatio: new Float64Array(count).fill(NaN),
  score: new Float64Array(count).fill(-Infinity),
  stop: new Uint8Array(count),
  stops: [] as string[],
});

/** Place of a title in the list, counted from 1; it is added where it is new. */
function placeOf(title: string, stops: string[]): number {
  const known = stops.indexOf(title);
  return known >= 0 ? known + 1 : stops.push(title);
}

/** Computes some rows of a map. Every point is independent: however the rows are shared out, the map is the same. */
export function mapRows({ design, across, up }: MapRequest, firstRow: number, endRow: number): MapRows {
  const [acrossSize, upSize] = [findSize(design, across.id), findSize(design, up.id)];
  const width = across.values.length;
  const workspace = makeWorkspace();
  const cars = emptyCars((endRow - firstRow) * width);
  for (let row = firstRow; row < endRow; row++)
    sweep(upSize.write(design, up.values[row]!), acrossSize, across.values, workspace).forEach((car, column) => {
      const cell = (row - firstRow) * width + column;
      cars.distance[cell] = car.distance;
      cars.time[cell] = car.time;
      cars.launchGripRatio[cell] = car.launchGripRatio;
      cars.score[cell] = car.score;
      cars.stop[cell] = car.stoppedBy === null ? 0 : placeOf(car.stoppedBy, cars.stops);
    });
  return { firstRow, ...cars };
}

/** A map that grows as its rows come in. */
export interface GrowingMap extends MapCars {
  readonly add: (rows: MapRows) => void;
}

/** A map of `count` cars, `width` to a row, still without any. */
export function growingMap(count: number, width: number): GrowingMap {
  const cars = emptyCars(count);
  return {
    ...cars,
    add: (rows) => {
      const first = rows.firstRow * width;
      for (const key of ['distance', 'time', 'launchGripRatio', 'score'] as const) cars[key].set(rows[key], first);
      rows.stop.forEach((place, i) => (cars.stop[first + i] = place === 0 ? 0 : placeOf(rows.stops[place - 1]!, cars.stops)));
    },
  };
}

/** The best cell of a map (`isBetter`); null where no car runs. */
export function bestCell({ score, stop }: MapCars): number | null {
  const carAt = (cell: number) => ({ score: score[cell]!, isStopped: stop[cell]! > 0 });
  let best = 0;
  for (let cell = 1; cell < score.length; cell++) if (isBetter(carAt(cell), carAt(best))) best = cell;
  return score[best] === -Infinity ? null : best;
}
