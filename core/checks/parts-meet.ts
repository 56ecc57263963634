import type { CarDesign, LeverDesign } from '../car/car-design.ts';
import { isRoller } from '../car/motors/motors.ts';
import { bodyReach, withPastOther } from '../car/body-reach.ts';
import { bodyLength } from '../car/weights.ts';
import { modelOf } from '../motor/motors.ts';
import { carCollisions } from '../solid/car-collisions.ts';
import { wayOut, type Collision, type Floating } from '../solid/collisions.ts';
import { bearingOutside } from '../solid/bearing-sizes.ts';
import { deckHeights } from '../solid/deck-heights.ts';
import { GROUND } from '../solid/solid.ts';
import type { Format } from '../units/quantity.ts';
import type { Check, Situation } from './check.ts';
import { hookClearance } from './hook-clearance.ts';
import { leverPath } from './lever-path.ts';
import { motorOnBody } from './motor-on-body.ts';
import { pullPastWheel } from './pull-past-wheel.ts';
import { remedyOf, type Remedy } from './remedy.ts';
import { stringAndDeck } from './string-and-deck.ts';
import { trapOnDeck } from './trap-on-deck.ts';
import { wheelToBody } from './wheel-to-body.ts';
import { wheelsTouch } from './wheels-touch.ts';

export const PARTS_MEET = 'parts-meet';

type Pair = Pick<Collision, 'first' | 'second'>;

const isWheel = (id: string): boolean => id.includes('-wheel-');
const isOneOf =
  (...names: readonly string[]) =>
  (id: string): boolean =>
    names.includes(id);
const isDeck = isOneOf(GROUND);

/**
 * Checks that look at one kind of pair alone, by a formula of a few µs, so that maps of thousands of cars can have them. What they name is
 * theirs; what they miss is told here.
 */
const OF_A_PAIR: readonly {
  readonly check: (situation: Situation) => Check | null;
  readonly judges: (one: string, other: string) => boolean;
}[] = [
  { check: wheelsTouch, judges: (one, other) => isWheel(one) && isWheel(other) },
  { check: wheelToBody, judges: (one, other) => isDeck(one) && isWheel(other) },
  { check: hookClearance, judges: (one, other) => isDeck(one) && isOneOf('winding', 'axle-hook', 'sleeve', 'string')(other) },
  { check: trapOnDeck, judges: (one, other) => isDeck(one) && isOneOf('lever', 'trap', 'string')(other) },
  { check: stringAndDeck, judges: (one, other) => isDeck(one) && other === 'string' },
  {
    check: pullPastWheel,
    judges: (one, other) => one === SINGLE && isOneOf('hook', 'bands', 'trap', 'trap-block', 'lever', 'string')(other),
  },
  { check: leverPath, judges: (one, other) => one === SINGLE && other === 'lever' },
];
const SINGLE = 'other-wheel-single';
/** What holds the motor has its own check. */
const HELD_ELSEWHERE: ReadonlySet<string> = new Set(['hook', 'trap', 'trap-block']);

/** Whether a pair is told by a check of its own. */
function toldElsewhere(situation: Situation): (pair: Pair) => boolean {
  const telling = OF_A_PAIR.filter(({ check }) => (check(situation)?.verdict ?? 'good') !== 'good');
  return ({ first, second }) => telling.some(({ judges }) => judges(first.id, second.id) || judges(second.id, first.id));
}

/** m that bands keep below a deck. Our choice. */
const BELOW_DECK = 0.005;
/** m of one step that a block is moved, and of a body that is made longer. */
const STEP = 0.005;
const MOST_STEPS = 60;

/** The first of several changes after which nothing is in the way any more. */
function firstFree(changes: readonly CarDesign[], situation: Situation): CarDesign | null {
  return (
    changes.find((design) => {
      const { first, loose } = worstOf({ ...situation, design });
      return !first && !loose;
    }) ?? null
  );
}

function worstOf(situation: Situation): { readonly first: Collision | null; readonly loose: Floating | null } {
  const { design, setup } = situation;
  const { collisions, floating } = carCollisions(design, modelOf(setup.motor).woundRadius(setup.motor));
  const isTold = toldElsewhere(situation);
  const isHookTold = motorOnBody(situation)?.verdict !== 'good';
  return {
    first: collisions.find((pair) => !isTold(pair)) ?? null,
    loose: floating.find(({ solid }) => !(isHookTold && HELD_ELSEWHERE.has(solid.id))) ?? null,
  };
}

/** Ballast or load at the nearest place where it is in nobody's way. */
function blockMoved(situation: Situation, which: 'ballast' | 'load'): { readonly design: CarDesign; readonly at: number } | null {
  const { design } = situation;
  const { fromDriveAxle } = design[which];
  const places = Array.from(
    { length: MOST_STEPS },
    (_, i) => fromDriveAxle + (i % 2 === 0 ? -1 : 1) * STEP * Math.ceil((i + 1) / 2),
  ).filter((at) => at >= 0 && at <= design.wheelbase);
  const moved = firstFree(
    places.map((at) => ({ ...design, [which]: { ...design[which], fromDriveAxle: at } })),
    situation,
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

/** m and rad of one step by which a trap is raised, or a lever stopped earlier, and how many are tried. */
const RAISED = { step: 0.002, most: 25 };
const EARLIER = { step: Math.PI / 36, most: 18 };

/** A trap that is raised, or a lever that is stopped earlier, until it is in nothing’s way. */
function leverFreed(situation: Situation, pair: Pair | null, format: Format): Remedy[] {
  const { design } = situation;
  const { motor } = design;
  if (motor.kind !== 'lever' || !pair || ![pair.first.id, pair.second.id].some(isOneOf('lever', 'string'))) return [];
  const changed = (change: Partial<LeverDesign>): CarDesign => ({ ...design, motor: { ...motor, ...change } });
  const raised = firstFree(
    Array.from({ length: RAISED.most }, (_, i) => changed({ pivotAboveAxle: motor.pivotAboveAxle + RAISED.step * (i + 1) })),
    situation,
  );
  const stops = Array.from({ length: EARLIER.most }, (_, i) => EARLIER.step * (i + 1)).filter(
    (by) => motor.releaseAngle + by < motor.cockedAngle - 0.1,
  );
  const stopped = firstFree(
    stops.map((by) => changed({ releaseAngle: motor.releaseAngle + by })),
    situation,
  );
  const remedies: Remedy[] = [];
  if (raised?.motor.kind === 'lever')
    remedies.push(
      remedyOf('trap', 'trap-up', `Raise the trap: its pivot ${format(raised.motor.pivotAboveAxle, 'size')} above the axle`, raised),
    );
  if (stopped?.motor.kind === 'lever')
    remedies.push(
      remedyOf(
        'lever',
        'stop-lever',
        `A stop that ends the pull ${Math.round(((stopped.motor.releaseAngle - motor.releaseAngle) * 180) / Math.PI)}° earlier`,
        stopped,
      ),
    );
  return remedies;
}

/** Whether every part has room and is held, from cocked to rest; what a check of its own has named is told there. */
export function partsMeet(situation: Situation): Check | null {
  const { design } = situation;
  if (isRoller(design)) return null;
  const { first, loose } = worstOf(situation);
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
        const moved = blockMoved(situation, which);
        if (moved)
          remedies.push(
            remedyOf('ballast', `${which}-place`, `Move the ${which} to ${format(moved.at, 'size')} from the drive axle`, moved.design),
          );
      }
      remedies.push(...deckRaised(design, first, format), ...hookLowered(design, first, format), ...leverFreed(situation, first, format));
      if (loose?.solid.id.includes('bearing')) {
        const longer = firstFree(
          Array.from({ length: MOST_STEPS }, (_, i) => withPastOther(design, bodyReach(design).right - design.wheelbase + STEP * (i + 1))),
          situation,
        );
        if (longer) remedies.push(remedyOf('body', 'longer-body', `A body ${format(bodyLength(longer), 'size')} long`, longer));
      }
      return remedies;
    },
  };
}
