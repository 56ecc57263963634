/** What the tyre and the motor are doing at a moment of the run. */
export type Phase = 'rolling' | 'spinning' | 'braking' | 'coasting' | 'rewinding';

/** A run sampled for charts, column by column: rows share an index. SI units; forces at the tyre, N. */
export interface Trace {
  readonly time: number[];
  readonly distance: number[];
  readonly speed: number[];
  /** Rim speed of the drive wheel, m/s. */
  readonly wheelSpeed: number[];
  /** rad of drive axle since release. */
  readonly angle: number[];
  /** Motor torque over wheel radius. */
  readonly thrust: number[];
  /** Most the tyre can pass before it slides. */
  readonly gripLimit: number[];
  /** All that holds the car back: bearings, rolling, air, slope. */
  readonly resistance: number[];
  /** Tension in string or band. */
  readonly tension: number[];
  readonly phase: Phase[];
}

/** An empty trace. */
export const makeTrace = (): Trace => ({
  time: [],
  distance: [],
  speed: [],
  wheelSpeed: [],
  angle: [],
  thrust: [],
  gripLimit: [],
  resistance: [],
  tension: [],
  phase: [],
});

export type TraceRow = { readonly [K in keyof Trace]: Trace[K][number] };

const COLUMNS = Object.keys(makeTrace()) as (keyof Trace)[];

/** Adds a row to a trace. */
export function recordRow(trace: Trace, row: TraceRow): void {
  for (const column of COLUMNS) (trace[column] as unknown[]).push(row[column]);
}

/**
 * Reads columns of a trace at a time, s: between its rows by straight lines, before and after them as at their ends.
 * @returns the row that is due next, and a reader of columns. `traceAt({ time: [0, 2], distance: [0, 6] }, 1).read('distance') // 3`
 */
export function traceAt(trace: Trace, time: number) {
  const found = trace.time.findIndex((t) => t >= time);
  const row = found === -1 ? trace.time.length - 1 : found;
  const before = Math.max(row - 1, 0);
  const gap = trace.time[row]! - trace.time[before]!;
  const part = gap > 0 ? Math.min(1, (time - trace.time[before]!) / gap) : 1;
  return {
    row,
    read: (column: Exclude<keyof Trace, 'phase'>): number => trace[column][before]! + part * (trace[column][row]! - trace[column][before]!),
  };
}

/**
 * N with which the tyre pushes the car: the pull as far as it holds; while it spins all that sliding grip passes on, even when
 * the motor has let go. Not below 0: what brakes is resistance.
 */
export function tyrePush({ thrust, gripLimit, phase }: Pick<TraceRow, 'thrust' | 'gripLimit' | 'phase'>): number {
  if (phase === 'spinning') return gripLimit;
  return phase === 'rolling' ? Math.max(0, Math.min(thrust, gripLimit)) : 0;
}

/** J the tyre passed on to the car: ∫ push dx, by trapezoids. */
export function workAtTyre({ distance, thrust, gripLimit, phase }: Trace): number {
  const push = phase.map((now, i) => tyrePush({ thrust: thrust[i]!, gripLimit: gripLimit[i]!, phase: now }));
  return distance.reduce((sum, x, i) => (i === 0 ? 0 : sum + ((push[i]! + push[i - 1]!) / 2) * (x - distance[i - 1]!)), 0);
}
