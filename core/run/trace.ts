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

export function record(trace: Trace, row: TraceRow): void {
  for (const key of Object.keys(row) as (keyof Trace)[]) (trace[key] as unknown[]).push(row[key]);
}

/** J the tyre passed on to the floor under power: ∫ min(thrust, grip limit) dx, by trapezoids. */
export function workAtTyre({ distance, thrust, gripLimit }: Trace): number {
  const passed = thrust.map((pull, i) => Math.max(0, Math.min(pull, gripLimit[i]!)));
  return distance.reduce((sum, x, i) => (i === 0 ? 0 : sum + ((passed[i]! + passed[i - 1]!) / 2) * (x - distance[i - 1]!)), 0);
}
