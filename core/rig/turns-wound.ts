import type { DeviceEvent } from './line-protocol.ts';

/** A counter of turns that shakes tells no finer. */
const FINEST = 0.1;

/** Turns by which an axle was wound, whichever way its sensor counts, to a tenth; 0 without a sensor. `turnsWound` of turns 2, 1, −1.5 is 3.5. */
export function turnsWound(events: readonly DeviceEvent[]): number {
  const turns = events.filter(({ kind }) => kind === 'turns').toSorted((a, b) => a.t - b.t);
  const [first, last] = [turns[0]?.value ?? 0, turns.at(-1)?.value ?? 0];
  return Math.round(Math.abs(last - first) / FINEST) / (1 / FINEST);
}
