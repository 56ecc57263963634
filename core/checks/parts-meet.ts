import type { CarDesign } from '../car/car-design.ts';
import { isRoller } from '../car/motors/motors.ts';
import { modelOf } from '../motor/motors.ts';
import { carCollisions } from '../solid/car-collisions.ts';
import { wayOut, type Collision, type Floating } from '../solid/collisions.ts';
import { bearingOutside } from '../solid/bearing-sizes.ts';
import { deckHeights } from '../solid/deck-heights.ts';
import { GROUND } from '../solid/solid.ts';
import type { Format } from '../units/quantity.ts';
import type { Check, Situation } from './check.ts';
import { remedyOf, type Remedy } from './remedy.ts';

export const PARTS_MEET = 'parts-meet';

type Pair = Pick<Collision, 'first' | 'second'>;

/** Pairs that a check of their own judges, with its own cure. */
function isJudgedElsewhere({ first, second }: Pair): boolean {
  const ids = [first.id, second.id];
  const has = (test: (id: string) => boolean): boolean => ids.some(test);
  const isWheel = (id: string): boolean => id.includes('-wheel-');
  if (ids.every(isWheel)) return true;
  if (has((id) => id === GROUND) && has((id) => isWheel(id) || ['winding', 'axle-hook', 'sleeve', 'lever', 'trap', 'string'].includes(id)))
    return true;
  return has((id) => id.includes('-wheel-single')) && has((id) => ['hook', 'bands', 'trap', 'trap-block', 'lever', 'string'].includes(id));
}
/** What holds the motor has its own check. */
const HELD_ELSEWHERE: ReadonlySet<string> = new Set(['hook', 'trap', 'trap-block']);

/** m that bands keep below a deck. Our choice. */
const BELOW_DECK = 0.005;
/** m of one step that a block is moved, and of a body that is made longer. */
const STEP = 0.005;
const MOST_STEPS = 60;

/** The first of several changes after which nothing is in the way any more. */
function firstFree(changes: readonly CarDesign[], wound: number): CarDesign | null {
  return (
    changes.find((changed) => {
      const { first, loose } = worstOf(changed, wound);
      return !first && !loose;
    }) ?? null
  );
}

function worstOf(design: CarDesign, wound: number): { readonly first: Collision | null; readonly loose: Floating | null } {
  const { collisions, floating } = carCollisions(design, wound);
  return {
    first: collisions.find((pair) => !isJudgedElsewhere(pair)) ?? null,
    loose: floating.find(({ solid }) => !HELD_ELSEWHERE.has(solid.id)) ?? null,
  };
}

/** Ballast or load at the nearest place where it is in nobody's way. */
function blockMoved(
  design: CarDesign,
  which: 'ballast' | 'load',
  wound: number,
): { readonly design: CarDesign; readonly at: number } | null {
  const { fromDriveAxle } = design[which];
  const places = Array.from(
    { length: MOST_STEPS },
    (_, i) => fromDriveAxle + (i % 2 === 0 ? -1 : 1) * STEP * Math.ceil((i + 1) / 2),
  ).filter((at) => at >= 0 && at <= design.wheelbase);
  const moved = firstFree(
    places.map((at) => ({ ...design, [which]: { ...design[which], fromDriveAxle: at } })),
    wound,
  );
  return moved && { design: moved, at: moved[which].fromDriveAxle };
}

const isOf = (pair: Pair | null, ...ids: readonly string[]): boolean =>
  pair !== null && [pair.first.id, pair.second.id].every((id) => ids.includes(id));

/** A deck, and the trap on it, high enough for what the axles turn in. */
function deckRaised(design: CarDesign, pair: Pair | null, format: Format): Remedy[] {
  if (!isOf(pair, GROUND, 'drive-axle', 'other-axle')) return [];
  const axleGap = bearingOutside(design) / 2;
  const { motor } = design;
  const raised = motor.kind === 'lever' ? { ...motor, pivotAboveAxle: motor.pivotAboveAxle + axleGap - design.body.axleGap } : motor;
  return [
    remedyOf('body', 'axle-gap', `Raise the deck to ${format(axleGap, 'size')} above the axle`, {
      ...design,
      body: { ...design.body, axleGap },
      motor: raised,
    }),
  ];
}

/** A hook low enough that the bands stay below a deck that falls toward the other axle. */
function hookLowered(design: CarDesign, pair: Pair | null, format: Format): Remedy[] {
  const { motor } = design;
  if (motor.kind !== 'band' || !isOf(pair, GROUND, 'bands')) return [];
  const anchorAboveAxle =
    Math.floor(1000 * (deckHeights(design, motor.anchorToAxle).under - BELOW_DECK - design.driveWheels.diameter / 2)) / 1000;
  const words = anchorAboveAxle < 0 ? `${format(-anchorAboveAxle, 'size')} below` : `${format(anchorAboveAxle, 'size')} above`;
  return [remedyOf('bands', 'hook-height', `Hook ${words} the drive axle`, { ...design, motor: { ...motor, anchorAboveAxle } })];
}

/** Whether every part has room and is held, from cocked to rest: what its own check does not judge. */
export function partsMeet({ design, setup }: Situation): Check | null {
  if (isRoller(design)) return null;
  const wound = modelOf(setup.motor).woundRadius(setup.motor);
  const { first, loose } = worstOf(design, wound);
  const gap = first ? -first.depth : loose ? -loose.gap : 0;
  return {
    id: PARTS_MEET,
    title: 'room for every part',
    value: gap,
    limit: 0,
    limitIs: 'least',
    quantity: 'size',
    // Drawn so it cannot be put together; whoever built it has found a way.
    verdict: first || loose ? 'warning' : 'good',
    sure: 'sizes',
    sentence: (format) => {
      if (first) {
        const { first: one, second: other, depth, direction } = first;
        return `The ${one.name} and the ${other.name} are in each other’s way by ${format(depth, 'size')}. The shortest way out for the ${other.name} is ${wayOut(direction)}.`;
      }
      if (loose?.from) return `Nothing holds the ${loose.solid.name}: it is ${format(loose.gap, 'size')} from the ${loose.from.name}.`;
      return loose ? `Nothing holds the ${loose.solid.name}.` : 'Every part has room and is held.';
    },
    remedies: (format) => {
      const remedies: Remedy[] = [];
      for (const which of ['ballast', 'load'] as const) {
        if (first?.first.id !== which && first?.second.id !== which) continue;
        const moved = blockMoved(design, which, wound);
        if (moved)
          remedies.push(
            remedyOf('ballast', `${which}-place`, `Move the ${which} to ${format(moved.at, 'size')} from the drive axle`, moved.design),
          );
      }
      remedies.push(...deckRaised(design, first, format), ...hookLowered(design, first, format));
      if (loose?.solid.id.includes('bearing')) {
        const longer = firstFree(
          Array.from({ length: MOST_STEPS }, (_, i) => ({
            ...design,
            body: { ...design.body, overhang: design.body.overhang + 2 * STEP * (i + 1) },
          })),
          wound,
        );
        if (longer)
          remedies.push(remedyOf('body', 'longer-body', `A body ${format(longer.wheelbase + longer.body.overhang, 'size')} long`, longer));
      }
      return remedies;
    },
  };
}
