import { NOTICEABLE_SLIP } from '../../../core/predict/verdict.ts';
import type { PullAt } from '../../../core/run/pull-left.ts';
import type { RunResult } from '../../../core/run/simulate.ts';
import { makeTrace, recordRow, workAtTyre, type Phase, type Trace } from '../../../core/run/trace.ts';
import type { Format } from '../../../core/units/quantity.ts';

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

/** A part of the run in one phase. */
export interface PhaseSpan {
  readonly phase: Phase;
  readonly from: CurveRow;
  readonly to: CurveRow;
}

/** A long coasting may be drawn shortened: what lies between these distances, m, is left out. */
export interface FoldedRange {
  readonly from: number;
  readonly to: number;
}

/** The pull curve of one run, from the line to the stop. */
export interface Curve {
  readonly rows: readonly CurveRow[];
  /** m, where the run ends; where the motor let go, if it did; and what of the coasting can be left out. */
  readonly end: number;
  readonly powerEnd: number | null;
  readonly fold: FoldedRange | null;
  /** J passed on at the tyre, lost to wheelspin, and still wound at the stop. */
  readonly work: { readonly useful: number; readonly slip: number; readonly left: number };
  /** What a car that stopped while wound would still pull, and its turns. */
  readonly left: readonly PullAt[];
  readonly turnsLeft: number;
  /** Where the tyre does what, in order. */
  readonly phases: readonly PhaseSpan[];
  /** The curve in a sentence. */
  readonly words: (format: Format) => string;
}

/** Coasting longer than this many times the way under power may be shortened, to so much after the power and before the stop. */
const LONG_COAST = 1.5;
const SHOWN_AFTER_POWER = 0.3;
const SHOWN_BEFORE_STOP = 0.2;

/** What was sampled of a run; of a car that does not move, how it is at the line. */
function traceOf({ trace, launchThrust, launchGripLimit, launchResistance }: RunResult): Trace {
  if (trace!.time.length > 0) return trace!;
  const line = makeTrace();
  recordRow(line, {
    time: 0,
    distance: 0,
    speed: 0,
    wheelSpeed: 0,
    angle: 0,
    thrust: launchThrust,
    gripLimit: launchGripLimit,
    resistance: launchResistance,
    tension: 0,
    phase: 'rolling',
  });
  return line;
}

/** The curve of a run with its trace; `left`: what it still pulls beyond a stop while wound. */
export function curveOf(result: RunResult, left: readonly PullAt[] = []): Curve {
  const trace = traceOf(result);
  const powerEnd = result.powerEndDistance;
  // Wheels may spin on after the motor has let go.
  const spinEnd = trace.distance[trace.phase.lastIndexOf('spinning')] ?? 0;
  const active = powerEnd === null ? result.distance : Math.max(powerEnd, spinEnd);
  const isLong = result.distance - active > LONG_COAST * active;
  const rows = trace.distance.map((distance, i): CurveRow => ({
    distance,
    time: trace.time[i]!,
    speed: trace.speed[i]!,
    thrust: trace.thrust[i]!,
    gripLimit: trace.gripLimit[i]!,
    resistance: trace.resistance[i]!,
    phase: trace.phase[i]!,
  }));
  return {
    rows,
    end: result.distance,
    powerEnd,
    fold: isLong ? { from: (1 + SHOWN_AFTER_POWER) * active, to: result.distance - SHOWN_BEFORE_STOP * active } : null,
    work: { useful: workAtTyre(trace), slip: result.energy.slip, left: result.energy.unspent },
    left,
    turnsLeft: result.turnsLeft,
    phases: phasesOf(rows),
    words: (format) =>
      `Pull ${format.predicted(result.launchThrust, 'force')} at release, grip limit ${format.predicted(result.launchGripLimit, 'force')}; ` +
      (result.slipDistance > NOTICEABLE_SLIP ? `the wheels spin for ${format.predicted(result.slipDistance, 'distance')}; ` : '') +
      (powerEnd === null
        ? `the car stops with ${Number(result.turnsLeft.toPrecision(2))} turns left.`
        : `the pull ends at ${format.predicted(powerEnd, 'distance')} and the car coasts to ${format.predicted(result.distance, 'distance')}.`),
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

/** Rows of one phase after another; the first row tells only where the run begins. */
function phasesOf(rows: readonly CurveRow[]): PhaseSpan[] {
  const spans: PhaseSpan[] = [];
  rows.slice(1).forEach((to, i) => {
    const last = spans.at(-1);
    if (last?.phase === to.phase) spans[spans.length - 1] = { ...last, to };
    else spans.push({ phase: to.phase, from: rows[i]!, to });
  });
  return spans;
}
