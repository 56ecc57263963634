import type { CarPlace } from '../../../core/geometry/car-place.ts';
import { CAUSE_PLACES, type CauseId } from '../../../core/trials/cause-descriptions.ts';
import { chanceOf, type RankedCause } from '../../../core/trials/causes.ts';
import { LIKELY } from '../../../core/trials/next-thing.ts';

/** Causes that are pinned, and how likely they are at least. */
const MAX_PINNED = 4;
const LEAST = 0.03;

/** A cause that has a place on the car, or beside it. */
export interface PinnedCause {
  readonly id: CauseId;
  readonly place: CarPlace;
  /** Chance that it is at work, alone or with another. */
  readonly chance: number;
  /** m that it would explain. */
  readonly metres: number;
  /** Whether it is first, and so likely that it is looked for. */
  readonly isLeading: boolean;
}

/** The likeliest causes that have a place, the likeliest first. */
export const pinnedCauses = (causes: readonly RankedCause[]): readonly PinnedCause[] =>
  causes
    .flatMap(({ id, metres }) => {
      const place = CAUSE_PLACES[id];
      const chance = chanceOf(causes, id);
      return place && chance >= LEAST ? [{ id, place, chance, metres }] : [];
    })
    .sort((a, b) => b.chance - a.chance)
    .slice(0, MAX_PINNED)
    .map((cause, n) => ({ ...cause, isLeading: n === 0 && cause.chance >= LIKELY }));

/** px of a label on the picture. */
export const LABEL_WIDTH = 170;

/** Where labels begin, px: side by side over the car, or under it for what is on the floor; in the order of their pins, none over another. */
export function placeLabels(pins: readonly { readonly x: number; readonly isBelow: boolean }[], width: number): readonly number[] {
  const at: number[] = pins.map(({ x }) => x);
  for (const isBelow of [false, true]) {
    const row = pins.flatMap((pin, i) => (pin.isBelow === isBelow ? [i] : [])).sort((a, b) => pins[a]!.x - pins[b]!.x);
    // Each as near its pin as its left neighbour allows, then pushed back from the right edge.
    row.forEach((i, n) => (at[i] = Math.max(pins[i]!.x - LABEL_WIDTH / 2, n === 0 ? 0 : at[row[n - 1]!]! + LABEL_WIDTH)));
    let edge = width;
    for (const i of row.toReversed()) {
      at[i] = Math.min(at[i]!, edge - LABEL_WIDTH);
      edge = at[i];
    }
  }
  return at.map((x) => Math.max(0, x));
}
