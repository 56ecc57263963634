import type { DeviceEvent } from './line-protocol.ts';

/** What gates and a turn sensor tell of a run. m, s, m/s. */
export interface GateRun {
  readonly splits: readonly { readonly at: number; readonly time: number }[];
  /** Mean speed from each gate to the next, the first from the line. */
  readonly speeds: readonly { readonly from: number; readonly to: number; readonly speed: number }[];
  /** From the release to the last turn of the axle; null without a turn sensor. */
  readonly stopTime: number | null;
  /** Where it stopped by the turns after the last gate; null without a turn sensor or a gate. Wheels that coast do not slip. */
  readonly stopDistance: number | null;
  /** How much further the tyre turned than the car went, up to the first gate; null without both. */
  readonly spunFor: number | null;
  /** Gates that were crossed but have no place told. */
  readonly unplaced: readonly number[];
}

/** Below this a turn sensor that jitters tells no wheelspin, as a fraction of the distance to the first gate. */
const LEAST_SPIN = 0.01;

/** Turns at a time, by straight lines between what was reported. */
function turnsAt(turns: readonly DeviceEvent[], t: number): number | null {
  const next = turns.findIndex((event) => event.t >= t);
  if (next < 0) return turns.at(-1)?.value ?? null;
  if (next === 0) return turns[0]!.value;
  const [from, to] = [turns[next - 1]!, turns[next]!];
  return from.value + ((to.value - from.value) * (t - from.t)) / (to.t - from.t || 1);
}

/**
 * A run from what a device told, in any order. Gate 0 is the line, gate n is at `places[n − 1]` m; without gate 0 the release is the
 * first event. `circumference`: m, of the drive wheels. Null where no gate was crossed and no turn made.
 */
export function gateRun(events: readonly DeviceEvent[], places: readonly number[], circumference: number): GateRun | null {
  const inOrder = events.toSorted((a, b) => a.t - b.t);
  const gates = inOrder.filter(({ kind }) => kind === 'gate');
  const turns = inOrder.filter(({ kind }) => kind === 'turns');
  const first = gates.find(({ value }) => value === 0) ?? inOrder.find(({ kind }) => kind === 'gate' || kind === 'turns');
  if (!first) return null;
  const begun = first.t;
  const crossed = gates.filter(({ value }) => value > 0);
  const unplaced = crossed.filter(({ value }) => places[value - 1] === undefined).map(({ value }) => value);
  const splits = crossed
    .flatMap(({ t, value }) => {
      const at = places[value - 1];
      return at === undefined || t <= begun ? [] : [{ at, time: Number((t - begun).toFixed(4)) }];
    })
    // A gate that flickers counts once.
    .filter(({ at }, i, all) => all.findIndex((split) => split.at === at) === i)
    .toSorted((a, b) => a.at - b.at);
  const speeds = splits.map(({ at, time }, i) => {
    const before = splits[i - 1] ?? { at: 0, time: 0 };
    return { from: before.at, to: at, speed: (at - before.at) / (time - before.time) };
  });
  const lastTurn = turns.findLast(({ value }, i) => i === 0 || value !== turns[i - 1]!.value);
  const since = (split: { readonly time: number }): number | null => turnsAt(turns, begun + split.time);
  const [nearest, furthest] = [splits[0], splits.at(-1)];
  const atStart = turnsAt(turns, begun);
  const [atNearest, atFurthest] = [nearest ? since(nearest) : null, furthest ? since(furthest) : null];
  const spun = nearest && atNearest !== null && atStart !== null ? (atNearest - atStart) * circumference - nearest.at : null;
  return {
    splits,
    speeds,
    stopTime: lastTurn && lastTurn.t > begun ? Number((lastTurn.t - begun).toFixed(4)) : null,
    stopDistance:
      furthest && lastTurn && atFurthest !== null
        ? Number((furthest.at + Math.max(0, lastTurn.value - atFurthest) * circumference).toFixed(3))
        : null,
    spunFor: spun === null ? null : spun > LEAST_SPIN * nearest!.at ? Number(spun.toFixed(3)) : 0,
    unplaced,
  };
}
