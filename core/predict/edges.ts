import { bisect } from '../numerics/bisect.ts';
import { GRAVITY } from '../constants.ts';
import type { RunSetup } from '../run/run-setup.ts';
import type { Trace } from '../run/trace.ts';

/** A twig or step across the floor: how far from the line, and how high, m. */
export interface Edge {
  readonly at: number;
  readonly height: number;
}

/** One axle with its wheels as it meets an edge: N on it, m, kg·m² of the wheelset. */
export interface MeetingWheels {
  readonly load: number;
  readonly radius: number;
  readonly inertia: number;
}

/**
 * Fraction of its speed that a wheel keeps as it begins to turn about an edge of height h < R: (m′(R − h) + I/R)/(m′R + I/R), m′ the load
 * over g. Source: angular momentum about the edge. `keptSpeed({ load, radius: 0.06, inertia: 0 }, 0.006) // 0.9`
 */
export const speedAfterEdge = ({ load, radius, inertia }: MeetingWheels, height: number): number => {
  const mass = load / GRAVITY;
  return (mass * (radius - height) + inertia / radius) / (mass * radius + inertia / radius);
};

/** Whether the wheels climb an edge with what is left of `speed`, m/s, or by a pull at the axle, N. Source: energy; moments about the edge. */
function climbs(wheels: MeetingWheels, height: number, speed: number, pull: number): boolean {
  const { load, radius, inertia } = wheels;
  const mass = load / GRAVITY;
  const left = speedAfterEdge(wheels, height) * speed;
  if (0.5 * (mass + inertia / radius ** 2) * left * left >= load * height) return true;
  return pull * (radius - height) >= load * Math.sqrt(2 * radius * height - height * height);
}

/** The highest edge, m, that wheels climb at `speed`, m/s, and with `pull`, N, at the axle; never as high as their radius. */
export const highestEdge = (wheels: MeetingWheels, speed: number, pull: number): number =>
  bisect((height) => climbs(wheels, height, speed, pull), 0, wheels.radius, 40).low;

/** Value of a column of the trace at a distance, m; null beyond the run. */
function valueAt({ distance, ...columns }: Trace, column: 'speed' | 'thrust' | 'resistance' | 'gripLimit', at: number): number | null {
  const next = distance.findIndex((x) => x >= at);
  if (next < 0) return null;
  if (next === 0) return columns[column][0]!;
  const [x0, x1] = [distance[next - 1]!, distance[next]!];
  const fraction = x1 > x0 ? (at - x0) / (x1 - x0) : 1;
  return columns[column][next - 1]! + fraction * (columns[column][next]! - columns[column][next - 1]!);
}

/** An edge and the highest that this car would climb there, m; null where its run ends before. */
export interface JudgedEdge extends Edge {
  readonly highest: number | null;
}

/**
 * Edges in the order the car meets them, up to the first it does not climb. Each axle turns about the edge by itself, the leading one
 * first, with the speed the run has there less what edges before it took. A rough judgement beside the run, which knows no edges.
 */
export function judgeEdges({ car }: RunSetup, trace: Trace, edges: readonly Edge[]): JudgedEdge[] {
  const { driveWheels, otherWheels, mass, driveLoadShare, wheelbase } = car;
  const weight = mass * GRAVITY;
  const drive: MeetingWheels = { ...driveWheels, load: otherWheels ? driveLoadShare * weight : weight };
  const other: MeetingWheels | null = otherWheels && { ...otherWheels, load: (1 - driveLoadShare) * weight };
  const inOrder = !other ? [drive] : car.driveAxle === 'rear' ? [other, drive] : [drive, other];
  const judged: JudgedEdge[] = [];
  let lost = 0;
  for (const edge of edges.toSorted((a, b) => a.at - b.at)) {
    let highest: number | null = Infinity;
    inOrder.forEach((wheels, i) => {
      if (highest === null) return;
      const place = edge.at + i * wheelbase;
      const speed = valueAt(trace, 'speed', place);
      // The trailing axle may come to stand before it gets there.
      if (speed === null) return void (highest = i === 0 ? null : 0);
      const slowed = Math.sqrt(Math.max(speed * speed - (2 * lost) / mass, 0));
      const pull = Math.min(valueAt(trace, 'thrust', place)!, valueAt(trace, 'gripLimit', place)!) - valueAt(trace, 'resistance', place)!;
      highest = Math.min(highest, highestEdge(wheels, slowed, Math.max(pull, 0)));
      if (wheels.load > 0 && edge.height < wheels.radius)
        lost += 0.5 * (wheels.load / GRAVITY) * slowed * slowed * (1 - speedAfterEdge(wheels, edge.height) ** 2);
    });
    judged.push({ ...edge, highest });
    if (highest === null || highest < edge.height) break;
  }
  return judged;
}
