import { makeMotorPoint } from '../motor/motor.ts';
import { motorOf, type RunSetup } from '../run/run-setup.ts';
import type { RunResult } from '../run/simulate.ts';
import type { CarDesign } from '../car/car-design.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { armReach } from './arm-reach.ts';
import { axleBending } from './axle-bending.ts';
import { bandsInHole } from './bands-in-hole.ts';
import { bandStretch } from './band-stretch.ts';
import { bounceSpeed } from './bounce-speed.ts';
import { chassisBuckling } from './chassis-buckling.ts';
import type { Check, CheckVerdict, Situation } from './check.ts';
import { drift } from './drift.ts';
import { edges } from './edges.ts';
import { endPlay, hubRub } from './end-play.ts';
import { groundClearance } from './ground-clearance.ts';
import { hookClearance } from './hook-clearance.ts';
import { launchGrip } from './launch-grip.ts';
import { limitChecks } from './limits.ts';
import { leverBends } from './lever-bends.ts';
import { leverReach } from './lever-reach.ts';
import { trapOnDeck } from './trap-on-deck.ts';
import { trapWidth } from './trap-width.ts';
import { weightPlace } from './weight-place.ts';
import { windingWidth } from './winding-width.ts';
import { pullPastWheel } from './pull-past-wheel.ts';
import { shortRoom } from './short-room.ts';
import { slackBand } from './slack-band.ts';
import { stallAtStart } from './stall-at-start.ts';
import { holesTorn } from './holes-torn.ts';
import { leverPath } from './lever-path.ts';
import { motorOnBody } from './motor-on-body.ts';
import { PARTS_MEET, partsMeet } from './parts-meet.ts';
import { partsFit } from './parts-fit.ts';
import { pullOnTheWay } from './pull-on-the-way.ts';
import { stringAndDeck } from './string-and-deck.ts';
import { stallBeforeEnd } from './stall-before-end.ts';
import { stringAngleCheck } from './string-angle.ts';
import { stringLength } from './string-length.ts';
import { tiedRelease } from './tied-release.ts';
import { twistedTurns } from './twisted-turns.ts';
import { wheelToBody } from './wheel-to-body.ts';
import { wheelie } from './wheelie.ts';
import { wheelsTouch } from './wheels-touch.ts';
import { windingRoom } from './winding-room.ts';

export type { Check } from './check.ts';

const CHECKS: readonly ((situation: Situation) => Check | null)[] = [
  stallAtStart,
  launchGrip,
  stallBeforeEnd,
  pullOnTheWay,
  wheelie,
  bandStretch,
  twistedTurns,
  bandsInHole,
  slackBand,
  armReach,
  chassisBuckling,
  axleBending,
  hookClearance,
  wheelsTouch,
  wheelToBody,
  hubRub,
  endPlay,
  groundClearance,
  leverReach,
  leverBends,
  leverPath,
  motorOnBody,
  trapOnDeck,
  pullPastWheel,
  stringAndDeck,
  holesTorn,
  partsFit,
  trapWidth,
  stringAngleCheck,
  windingRoom,
  windingWidth,
  weightPlace,
  tiedRelease,
  bounceSpeed,
  drift,
  shortRoom,
  edges,
  stringLength,
];

/** Checks that look at every part of the car: a few ms each, so that they judge one car and no map. */
const WHOLE_CAR: typeof CHECKS = [partsMeet];

/** The worst first. */
export const RANK: Readonly<Record<CheckVerdict, number>> = { stop: 0, warning: 1, good: 2 };

function situationOf(design: CarDesign, result: RunResult, setup: RunSetup): Situation {
  const motor = motorOf(setup);
  const release = makeMotorPoint();
  const first = motor.segments[motor.first]!;
  first.evaluate(first.from, release);
  return { design, setup, motor, release, result };
}

/**
 * Applies every check to a design and its run.
 * @param result the most likely run of the design
 * @returns the checks that apply, the worst first
 */
export function checkCar(design: CarDesign, result: RunResult): Check[] {
  const situation = situationOf(design, result, deriveRunSetup(design));
  return [...[...CHECKS, ...WHOLE_CAR].flatMap((check) => check(situation) ?? []), ...limitChecks(situation)].sort(
    (a, b) => RANK[a.verdict] - RANK[b.verdict],
  );
}

/** One check of a design and its run once more, by its id; undefined where it does not apply. */
export function checkById(id: string, design: CarDesign, result: RunResult): Check | undefined {
  const situation = situationOf(design, result, deriveRunSetup(design));
  for (const check of id === PARTS_MEET ? WHOLE_CAR : CHECKS) {
    const judged = check(situation);
    if (judged?.id === id) return judged;
  }
  return limitChecks(situation).find((judged) => judged.id === id);
}

/** The checks that one of many cars built to a design fails, by id. `setup`: as that car turned out. */
export function failedBy(design: CarDesign, result: RunResult, setup: RunSetup): string[] {
  const situation = situationOf(design, result, setup);
  return CHECKS.flatMap((check) => {
    const judged = check(situation);
    return judged?.verdict === 'stop' ? [judged.id] : [];
  });
}

/**
 * The check, or the limit of the design, that stops a car.
 * @param setup the setup of the run; derived from the design by default
 * @returns its title; null for none
 */
export function stoppedBy(design: CarDesign, result: RunResult, setup: RunSetup = deriveRunSetup(design)): string | null {
  const situation = situationOf(design, result, setup);
  for (const check of CHECKS) {
    const judged = check(situation);
    if (judged?.verdict === 'stop') return judged.title;
  }
  return limitChecks(situation).find(({ verdict }) => verdict === 'stop')?.title ?? null;
}
