import { hysteresisAbove } from '../../ui/hysteresis.ts';
import { rowAt, type Curve, type CurveRow, type FoldedRange } from './curve-data.ts';

/** What the pull is drawn against. */
export type CurveAxis = 'distance' | 'time';

/** An earlier version, or what a remedy would make, drawn behind. */
export interface CurveBehind {
  readonly name: string;
  readonly curve: Curve;
}

/** What stands on the chart, and its size in px. */
export interface CurveView {
  readonly curve: Curve;
  readonly behind: readonly CurveBehind[];
  readonly axis: CurveAxis;
  readonly width: number;
  readonly height: number;
  /** A long coasting is drawn to its full length. */
  readonly isWhole: boolean;
}

const PLOT = { left: 52, right: 20, top: 44, bottom: 40 };
/** Axes end on steps of about an eighth, so that they stand still through most of a drag. */
const STEPS = 20;
/** Kept free above the strongest pull, for names, as a fraction of it. */
const ABOVE = 0.18;

/** The break that represents what is left out, as a fraction of what is drawn before it. */
const BREAK = 0.07;

/** A fold in m or s, as the axis has it. */
interface AxisFold extends FoldedRange {
  readonly gap: number;
}

/** What is left out of an axis; null where all is drawn. */
export function foldOf({ curve, axis, isWhole }: Pick<CurveView, 'curve' | 'axis' | 'isWhole'>): AxisFold | null {
  if (isWhole || !curve.fold) return null;
  const at = (distance: number): number => (axis === 'distance' ? distance : (rowAt(curve, distance)?.time ?? 0));
  const [from, to] = [at(curve.fold.from), at(curve.fold.to)];
  return { from, to, gap: BREAK * from };
}

/** How far along a folded axis a value stands, in m or s of what is drawn; and back. */
const folded = (value: number, fold: AxisFold | null): number => {
  if (!fold || value <= fold.from) return value;
  const { from, to, gap } = fold;
  return value >= to ? from + gap + value - to : from + (gap * (value - from)) / (to - from);
};
const unfolded = (along: number, fold: AxisFold | null): number => {
  if (!fold || along <= fold.from) return along;
  const { from, to, gap } = fold;
  return along >= from + gap ? along - from - gap + to : from + ((along - from) * (to - from)) / gap;
};

/** Places on the chart, px, of what stands on the curve's axes. */
export interface CurveScale {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly floor: number;
  /** Where the axes end: along, in m or s of what is drawn; up, in N. */
  readonly along: number;
  /** What is left out along. */
  readonly fold: AxisFold | null;
  readonly most: number;
  readonly x: (row: Pick<CurveRow, CurveAxis>) => number;
  readonly y: (newton: number) => number;
}

const strongest = (rows: readonly { readonly thrust: number; readonly resistance?: number }[]): number =>
  rows.reduce((most, row) => Math.max(most, row.thrust, brakedBy(row)), 1e-6);

/** N that hold a car back in all where its motor pulls back, wound up again; 0 where it does not. */
export const brakedBy = ({ thrust, resistance = 0 }: { readonly thrust: number; readonly resistance?: number }): number =>
  thrust < 0 ? resistance - thrust : 0;

/** Where the axes end, and what is left out between. */
export function axisEnds(view: Pick<CurveView, 'curve' | 'behind' | 'axis' | 'isWhole'>): Pick<CurveScale, 'along' | 'most' | 'fold'> {
  const { curve, behind, axis } = view;
  const fold = foldOf(view);
  const last = axis === 'distance' ? Math.max(curve.end, curve.left.at(-1)?.distance ?? 0) : (curve.rows.at(-1)?.time ?? 0);
  const own = folded(last, fold);
  const other = Math.max(0, ...behind.map(({ curve: { rows } }) => folded(rows.at(-1)?.[axis] ?? 0, fold)));
  const along = Math.max(own, Math.min(1.5 * own, other)) || 1;
  const most = (1 + ABOVE) * Math.max(strongest(curve.rows), strongest(curve.left), ...behind.map((one) => strongest(one.curve.rows)));
  return { along: hysteresisAbove(along, STEPS), most: hysteresisAbove(most, STEPS), fold };
}

/** The scale of axes that end there, in a chart of so many px. */
export function scaleTo(
  { along, most, fold }: Pick<CurveScale, 'along' | 'most' | 'fold'>,
  axis: CurveAxis,
  width: number,
  height: number,
): CurveScale {
  const right = width - PLOT.right;
  const floor = height - PLOT.bottom;
  return {
    ...PLOT,
    right,
    floor,
    along,
    most,
    fold,
    x: (row) => PLOT.left + (folded(row[axis], fold) / along) * (right - PLOT.left),
    y: (newton) => floor - (Math.max(newton, 0) / most) * (floor - PLOT.top),
  };
}

export const curveScale = (view: CurveView): CurveScale => scaleTo(axisEnds(view), view.axis, view.width, view.height);

/** The distance on the curve at a place across the chart, m; null beside the plot. */
export function distanceUnder(px: number, view: CurveView): number | null {
  const { left, right, along: whole, fold } = curveScale(view);
  const part = (px - left) / (right - left);
  if (part < 0 || part > 1) return null;
  const { curve, axis } = view;
  const along = unfolded(part * whole, fold);
  if (axis === 'distance') return Math.min(along, curve.end);
  const after = curve.rows.findIndex(({ time }) => time >= along);
  if (after <= 0) return after === 0 ? 0 : curve.end;
  const [a, b] = [curve.rows[after - 1]!, curve.rows[after]!];
  return a.distance + (b.time > a.time ? (along - a.time) / (b.time - a.time) : 1) * (b.distance - a.distance);
}

/** Round values from 0 to `most`, about `count` of them. */
export function ticksTo(most: number, count: number): number[] {
  const rough = most / count;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = ([1, 2, 3, 5, 10].find((factor) => factor * power >= rough) ?? 10) * power;
  return Array.from({ length: Math.floor(most / step) + 1 }, (_, i) => i * step);
}
