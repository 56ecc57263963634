import { contours } from 'd3-contour';
import type { EChartsCoreOption } from 'echarts/core';
import { quantile } from 'simple-statistics';
import type { Size } from '../../../../core/car/size.ts';
import type { MapCars, MapRequest } from '../../../../core/explore/map.ts';
import { type UnitSystem, unitOf, unitValue } from '../../../../core/units/quantity.ts';
import { FONTS, type Tokens } from '../../../ui/tokens.ts';
import { acrossName, axisText, upName } from '../../../charts/axis-text.ts';
import { sizeName } from './axes.ts';

/** A map as far as it is computed. */
export interface MapPicture {
  readonly request: MapRequest;
  readonly cars: MapCars;
  readonly isWhole: boolean;
}

/** Whether the car of a cell spins its wheels at launch. */
export const spins = ({ launchGripRatio }: MapCars, cell: number): boolean => launchGripRatio[cell]! > 0 && launchGripRatio[cell]! < 1;

interface MapChart {
  readonly picture: MapPicture;
  /** Its cells and lines as they are painted. */
  readonly field: PaintedField;
  readonly acrossSize: Size;
  readonly upSize: Size;
  readonly present: readonly [number, number];
  readonly best: number | null;
  readonly cursor: number | null;
  readonly units: UnitSystem;
  readonly tokens: Tokens;
}

/** What the chart library hands to a series that draws itself. */
interface DrawApi {
  readonly coord: (place: readonly [number, number]) => [number, number];
}

const rgb = (hex: string): [number, number, number] =>
  [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16)) as [number, number, number];

/** How much of the distance's colour the shortest and the furthest have. */
const [FAINTEST, STRONGEST] = [0.1, 0.85];

/** Cars from one line of hatching to the next. */
const HATCH = 5;

/** Fraction of the cars that is left below the palest colour: a few that hardly start would take all of it. */
const PALEST = 0.05;

/** m that colours and lines of equal distance lie between, so that they span what there is. */
export function mapRange({ distance }: Pick<MapCars, 'distance'>): readonly [least: number, most: number] {
  const known = Array.from(distance).filter(Number.isFinite);
  return known.length > 0 ? [quantile(known, PALEST), Math.max(...known)] : [0, 0];
}

/**
 * One pixel a car, from the panel's colour to the distance's: hatched one way where a check or rule stops it, the other way
 * where wheels spin, clear where it cannot run.
 */
function paint({ request, cars }: MapPicture, tokens: Tokens): HTMLCanvasElement {
  const [width, height] = [request.across.values.length, request.up.values.length];
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const pen = canvas.getContext('2d')!;
  const image = pen.createImageData(width, height);
  const { distance, stop } = cars;
  const [least, most] = mapRange(cars);
  const part = (value: number): number => (most > least ? Math.max(0, (value - least) / (most - least)) : 1);
  const [from, to, stopped, spinning] = [rgb(tokens.panel), rgb(tokens.distance), rgb(tokens.stop), rgb(tokens.pull)];
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      const cell = row * width + column;
      const value = distance[cell]!;
      if (!Number.isFinite(value)) continue;
      // The canvas runs down, the map up.
      const at = 4 * ((height - 1 - row) * width + column);
      const hatch =
        stop[cell]! > 0
          ? (row + column) % HATCH === 0 && stopped
          : spins(cars, cell) && (row - column + HATCH * width) % HATCH === 0 && spinning;
      for (let k = 0; k < 3; k++)
        image.data[at + k] = hatch ? hatch[k]! : from[k]! + (to[k]! - from[k]!) * (FAINTEST + (STRONGEST - FAINTEST) * part(value));
      image.data[at + 3] = 255;
    }
  pen.putImageData(image, 0, 0);
  return canvas;
}

/** Fraction of the distance below which cars differ too little for more lines. */
const LEAST_SPAN = 0.05;

/** A round step that gives about `count` lines up to `most`. */
function roundStep(most: number, count: number): number {
  const rough = most / count;
  const power = 10 ** Math.floor(Math.log10(rough));
  return ([1, 2, 5, 10].find((factor) => factor * power >= rough) ?? 10) * power;
}

/** Fraction of the map by its edges that has no figures, px about a figure that others keep off, and shares by which two cars are close. */
const EDGE = 0.06;
const FIGURE_ROOM = [44, 18] as const;
const CLOSE = [0.14, 0.08] as const;

/** Cells about a place of the grid that are looked at. */
const NEIGHBOURS = [-1, 0, 1].flatMap((dx) => [-1, 0, 1].map((dy) => [dx, dy] as const));

/** What of a map does not depend on the car that is pointed at: each cell painted once, and lines of equal distance. */
export interface PaintedField {
  readonly canvas: HTMLCanvasElement;
  readonly lines: ReturnType<ReturnType<typeof contours>>;
}
export function paintField(picture: MapPicture, units: UnitSystem, tokens: Tokens): PaintedField {
  const { across, up } = picture.request;
  const far = unitValue('distance', units);
  const [least, most] = mapRange(picture.cars).map((metres) => metres / far) as [number, number];
  const step = roundStep(Math.max(most - least, LEAST_SPAN * most, 0.01), 6);
  const first = Math.ceil(least / step);
  const levels = Array.from({ length: Math.max(0, Math.floor(most / step) - first + 1) }, (_, i) => (first + i) * step).filter(Boolean);
  const heights = Array.from(picture.cars.distance, (value) => (Number.isFinite(value) ? value / far : 0));
  return {
    canvas: paint(picture, tokens),
    lines: picture.isWhole ? contours().size([across.values.length, up.values.length]).thresholds(levels)(heights) : [],
  };
}

/** The map as the chart library draws it: colours, lines of equal distance with their figures, the present, the best and the pointed-at car. */
export function mapOption({ picture, field, acrossSize, upSize, present, best, cursor, units, tokens }: MapChart): EChartsCoreOption {
  const { across, up } = picture.request;
  const [width, height] = [across.values.length, up.values.length];
  const [xUnit, yUnit] = [unitValue(acrossSize.quantity, units), unitValue(upSize.quantity, units)];
  const { canvas, lines } = field;
  const xs = [across.values[0]! / xUnit, across.values.at(-1)! / xUnit] as const;
  const ys = [up.values[0]! / yUnit, up.values.at(-1)! / yUnit] as const;
  const axis = (size: Size, [min, max]: readonly [number, number]) => ({
    type: 'value',
    min,
    max,
    axisLabel: {
      ...axisText(tokens),
      showMaxLabel: false,
      showMinLabel: false,
      formatter: (value: number) => String(Number(value.toFixed(2))),
    },
    splitLine: { show: false },
    axisLine: { lineStyle: { color: tokens.ink } },
    name: sizeName(size, units),
  });
  const place = (cell: number): [number, number] => [across.values[cell % width]! / xUnit, up.values[Math.floor(cell / width)]! / yUnit];
  const shareOf = ([x, y]: readonly number[]): [number, number] => [(x! - xs[0]) / (xs[1] - xs[0]), (y! - ys[0]) / (ys[1] - ys[0])];
  const spot = (at: readonly number[], name: string, symbol: string, color: string, side?: 'left' | 'right') => ({
    type: 'scatter',
    data: [at],
    symbol,
    symbolSize: 13,
    silent: true,
    animation: false,
    itemStyle: { color: tokens.panel, borderColor: color, borderWidth: 3 },
    label: {
      show: name !== '',
      formatter: name,
      position: side ?? (shareOf(at)[0] > 0.85 ? 'left' : 'right'),
      color: tokens.ink,
      fontFamily: FONTS.text,
      fontSize: 13,
      backgroundColor: tokens.panel,
      padding: [1, 4],
    },
  });
  const nowAt: [number, number] = [present[0] / xUnit, present[1] / yUnit];
  const bestAt = best === null ? null : place(best);
  // Where both stand close together, their names stand on either side.
  const isClose = bestAt !== null && shareOf(nowAt).every((fraction, i) => Math.abs(fraction - shareOf(bestAt)[i]!) < CLOSE[i]!);
  const spots = [
    spot(nowAt, 'now', 'circle', tokens.ink, ...(isClose ? [shareOf(bestAt)[0] > 0.85 ? ('right' as const) : ('left' as const)] : [])),
    ...(bestAt ? [spot(bestAt, 'best', 'diamond', tokens.good)] : []),
  ];
  const drawField = (_params: unknown, api: DrawApi) => {
    const [left, bottom] = api.coord([xs[0], ys[0]]);
    const [right, top] = api.coord([xs[1], ys[1]]);
    const toX = (gx: number): number => left + ((gx - 0.5) / (width - 1)) * (right - left);
    const toY = (gy: number): number => bottom + ((gy - 0.5) / (height - 1)) * (top - bottom);
    const children: object[] = [{ type: 'image', style: { image: canvas, x: left, y: top, width: right - left, height: bottom - top } }];
    const taken: [number, number][] = spots.map(({ data }) => api.coord(data[0] as unknown as [number, number]));
    // Beside a car that cannot run, and along the edge, a line is the edge of what is known and not a line of equal distance.
    const isKnown = ([gx, gy]: readonly number[]): boolean =>
      NEIGHBOURS.every(([dx, dy]) => {
        const [column, row] = [Math.floor(gx! + dx), Math.floor(gy! + dy)];
        return column >= 0 && column < width && row >= 0 && row < height && Number.isFinite(picture.cars.distance[row * width + column]);
      });
    // A line's figure stands where there is room for it: off the edges, the cars marked and other figures, best among cars that nothing stops.
    const isFree = ([gx, gy]: readonly number[]): boolean =>
      gx! > EDGE * width &&
      gx! < (1 - EDGE) * width &&
      gy! > EDGE * height &&
      gy! < (1 - EDGE) * height &&
      taken.every(([x, y]) => Math.abs(x - toX(gx!)) > FIGURE_ROOM[0] || Math.abs(y - toY(gy!)) > FIGURE_ROOM[1]);
    for (const { value, coordinates } of lines) {
      const rings = coordinates.flat();
      const pathData = rings
        .flatMap((ring) =>
          ring.map((at, i) =>
            isKnown(at) ? `${i > 0 && isKnown(ring[i - 1]!) ? 'L' : 'M'}${toX(at[0]!).toFixed(1)},${toY(at[1]!).toFixed(1)}` : '',
          ),
        )
        .join('');
      children.push({ type: 'path', shape: { pathData }, style: { fill: 'none', stroke: tokens.ink, lineWidth: 0.8, opacity: 0.6 } });
      const free = rings.flat().filter((place) => isKnown(place) && isFree(place));
      const open = free.filter(([gx, gy]) => picture.cars.stop[Math.floor(gy!) * width + Math.floor(gx!)] === 0);
      const at = open.length > 0 ? open[Math.floor(open.length / 2)] : free[0];
      if (at) {
        taken.push([toX(at[0]!), toY(at[1]!)]);
        children.push({
          type: 'text',
          style: {
            text: `${Number(value.toPrecision(3))} ${unitOf('distance', units)}`,
            x: toX(at[0]!),
            y: toY(at[1]!),
            fill: tokens.ink,
            font: `12px ${FONTS.figures}`,
            align: 'center',
            verticalAlign: 'middle',
            backgroundColor: tokens.panel,
            padding: 1,
          },
        });
      }
    }
    return { type: 'group', children };
  };
  return {
    animation: false,
    grid: { left: 56, right: 24, top: 30, bottom: 42 },
    xAxis: {
      ...axis(acrossSize, xs),
      ...acrossName(tokens),
    },
    yAxis: {
      ...axis(upSize, ys),
      ...upName(tokens, 44),
    },
    series: [
      { type: 'custom', silent: true, clip: true, data: [[xs[0], ys[0]]], renderItem: drawField },
      ...spots,
      ...(cursor === null ? [] : [spot(place(cursor), '', 'rect', tokens.pull)]),
    ],
  };
}

/** The cell nearest to a place on the chart's axes. */
export function cellAt({ request }: MapPicture, acrossSize: Size, upSize: Size, units: UnitSystem, x: number, y: number): number {
  const nearest = (values: readonly number[], shown: number, size: Size): number => {
    const value = shown * unitValue(size.quantity, units);
    const part = (value - values[0]!) / (values.at(-1)! - values[0]!);
    return Math.min(Math.max(Math.round(part * (values.length - 1)), 0), values.length - 1);
  };
  return nearest(request.across.values, x, acrossSize) + request.across.values.length * nearest(request.up.values, y, upSize);
}
