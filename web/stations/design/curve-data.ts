import type { RunResult } from '../../../core/run/simulate.ts';
import type { Phase, Trace } from '../../../core/run/trace.ts';
import type { Quantity } from '../../../core/units/quantity.ts';

/** One reading of the pull curve. SI. */
export interface CurveRow {
  readonly distance: number;
  readonly time: number;
  readonly speed: number;
  readonly thrust: number;
  readonly gripLimit: number;
  readonly resistance: number;
  readonly phase: Phase;
}

/** The pull curve of one run: the way under power and a little of the coasting. */
export interface Curve {
  readonly rows: readonly CurveRow[];
  /** m, where the curve ends; where the motor let go, if it did; and the whole run. */
  readonly end: number;
  readonly powerEnd: number | null;
  readonly distance: number;
  readonly spins: boolean;
  /** The curve in a sentence. */
  readonly words: (print: (value: number, quantity: Quantity & ('distance' | 'force')) => string) => string;
}

/** Share of the powered way shown beyond its end. */
const COAST_SHOWN = 0.35;

export function curveOf(result: RunResult): Curve {
  const trace: Trace = result.trace!;
  const powerEnd = result.powerEndDistance;
  const end = powerEnd === null ? result.distance : Math.min(result.distance, powerEnd * (1 + COAST_SHOWN));
  const sampled = trace.distance
    .map((distance, i): CurveRow => ({
      distance,
      time: trace.time[i]!,
      speed: trace.speed[i]!,
      thrust: trace.thrust[i]!,
      gripLimit: trace.gripLimit[i]!,
      resistance: trace.resistance[i]!,
      phase: trace.phase[i]!,
    }))
    .filter(({ distance }, i) => distance <= end || trace.distance[i - 1]! < end);
  // The last sample may lie beyond the end: the curve is cut there.
  const rows = [...sampled.filter(({ distance }) => distance < end), rowAt({ rows: sampled }, end) ?? sampled.at(-1)!];
  const spins = rows.some(({ phase }) => phase === 'spinning');
  return {
    rows,
    end,
    powerEnd,
    distance: result.distance,
    spins,
    words: (print) =>
      `Pull ${print(result.launchThrust, 'force')} at release, grip limit ${print(result.launchGripLimit, 'force')}; ` +
      (spins ? `the wheels spin for ${print(result.slipDistance, 'distance')}; ` : '') +
      (powerEnd === null
        ? 'the car stops while still wound.'
        : `the pull ends at ${print(powerEnd, 'distance')} and the car coasts to ${print(result.distance, 'distance')}.`),
  };
}

/** The curve's row at a distance, between samples by straight lines. */
export function rowAt({ rows }: Pick<Curve, 'rows'>, distance: number): CurveRow | null {
  const after = rows.findIndex((row) => row.distance >= distance);
  if (after === -1) return rows.at(-1) ?? null;
  const [a, b] = [rows[Math.max(after - 1, 0)]!, rows[after]!];
  const part = b.distance > a.distance ? (distance - a.distance) / (b.distance - a.distance) : 1;
  const between = (key: Exclude<keyof CurveRow, 'phase'>): number => a[key] + part * (b[key] - a[key]);
  return {
    distance,
    time: between('time'),
    speed: between('speed'),
    thrust: between('thrust'),
    gripLimit: between('gripLimit'),
    resistance: between('resistance'),
    phase: b.phase,
  };
}
