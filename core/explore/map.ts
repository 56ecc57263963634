import type { CarDesign } from '../design/car-design.ts';
import { sizeCalled } from '../design/sizes.ts';
import { sweep } from './sweep.ts';

/** Two sizes and the values each takes. Plain data, so that it can be handed to a worker. */
export interface MapRequest {
  readonly design: CarDesign;
  readonly across: { readonly id: string; readonly values: readonly number[] };
  readonly up: { readonly id: string; readonly values: readonly number[] };
}

/** Distance, time and launch grip of the rows asked for, row by row from the first of `up`. */
export interface MapRows {
  readonly firstRow: number;
  readonly distance: Float64Array;
  readonly time: Float64Array;
  readonly launchGripRatio: Float64Array;
}

/** Computes some rows of a map. Every point stands for itself: however the rows are shared out, the map is the same. */
export function mapRows({ design, across, up }: MapRequest, firstRow: number, endRow: number): MapRows {
  const [acrossSize, upSize] = [sizeCalled(design, across.id), sizeCalled(design, up.id)];
  const rows = endRow - firstRow;
  const width = across.values.length;
  const made: MapRows = {
    firstRow,
    distance: new Float64Array(rows * width),
    time: new Float64Array(rows * width),
    launchGripRatio: new Float64Array(rows * width),
  };
  for (let row = 0; row < rows; row++) {
    const points = sweep(upSize.write(design, up.values[firstRow + row]!), acrossSize, across.values);
    points.forEach((point, i) => {
      made.distance[row * width + i] = point.distance;
      made.time[row * width + i] = point.time;
      made.launchGripRatio[row * width + i] = point.launchGripRatio;
    });
  }
  return made;
}
