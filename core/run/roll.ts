import { POINTS } from '../numerics/chebyshev.ts';
import { driveLoad, gripLimit, rollingAcceleration, rollWith, settle, tyreForce, type WheelContact } from './forces.ts';
import {
  crossToNextFloor,
  DISTANCE_LIMIT,
  TIME_LIMIT,
  evaluateMotor,
  holdWheel,
  leaveSegment,
  letGo,
  segmentGoal,
  slideToward,
  type Regime,
  type Run,
} from './motion.ts';
import {
  forceCoarseness,
  gripLeft,
  isAllButSpent,
  layPanel,
  placeAt,
  reaching,
  solvePanel,
  timeCoarseness,
  timePanel,
} from './solve-panel.ts';
import { endingOf, type PanelEnding } from './panel-ending.ts';
import { takePanel } from './take-panel.ts';

/**
 * Rolling under power. Without slip the motor's pull depends on place alone and only air and the motor's moving parts
 * on speed, so the kinetic energy E = ½Mv² obeys a linear equation in the path's coordinate:
 *   dE/dx = (M/M_e) push + (dM/dx / M − 2 drag / M_e) E.
 * Each panel solves it with an integrating factor and spectral quadrature, then finds the first thing that ends it.
 */

/** Each shortening takes at least a third off: after so many a panel is below rounding. */
const MOST_SHORTENINGS = 40;
/** Changes of contact at one place after which it is kept: the load then stands on the very limit. */
const MOST_SWITCHES = 4;
/** A panel that would reach this fraction of the distance to the goal is stretched to it: a stub after it would cost as much as a panel. */
const REACHES = 0.7;
/** A panel is made longer by no more than this at once: what comes may be sharper than what was. */
const MOST_GROWTH = 5;
/** A tenth less than the error asks for, to be on the safe side. */
const SAFETY = 0.9;
/** How often the place where a tyre slips is looked at; the part of a panel from which its end is that place; and the fraction of the weight at which a tyre slips. */
const MOST_LOOKS = 6;
const NEARLY = 1 - 1e-6;
const HARDLY = 1e-6;
/** Of a panel whose error is not a number at all: beyond where the motor's path has meaning. */
const QUARTER = 0.25;

/** How much longer the next panel may be. Once short enough, a panel's error falls with about the tenth power of its length (12 points). */
const longer = (coarseness: number): number => Math.min(MOST_GROWTH, Math.max(1, SAFETY * Math.max(coarseness, 1e-12) ** -0.1));
/**
 * How much shorter to try again. Where a panel is too long its error falls more slowly: about with the fourth power.
 * Always to less than `REACHES`: a panel that was tried up to the goal is not stretched to it again.
 */
const shorter = (coarseness: number): number =>
  Number.isFinite(coarseness) ? Math.min(REACHES - 0.05, Math.max(0.1, SAFETY * coarseness ** -0.25)) : QUARTER;

/** How rolling goes on from panel to panel. */
interface Progress {
  contact: WheelContact;
  /** J at the present place. */
  energy: number;
  /** How far the next panel reaches along the motor's path. */
  length: number;
  /** Since the last panel that was taken. */
  switches: number;
  shortenings: number;
}

function progressFrom(run: Run): Progress {
  const { car, motion, rolling } = run;
  const contact = settle(car, rolling, evaluateMotor(run, motion.u), motion.speed);
  rollWith(car, rolling, run.point, contact);
  return {
    contact,
    energy: 0.5 * rolling.mass * motion.speed ** 2,
    length: (segmentGoal(run) - motion.u) / 2,
    switches: 0,
    shortenings: 0,
  };
}

/** Whether the panel has to be tried again shorter, and how long then. */
function isTooCoarse(run: Run, progress: Progress, coarseness: number): boolean {
  if (progress.shortenings >= MOST_SHORTENINGS || coarseness <= 1) return false;
  progress.shortenings++;
  progress.length = (run.panel.to - run.panel.from) * shorter(coarseness);
  return true;
}

/** Something ends the panel before it has begun: what the run does then; null where another contact goes on. */
function endedAtOnce(run: Run, progress: Progress, { kind }: PanelEnding): Regime | null {
  const { car, motion, rolling, panel } = run;
  switch (kind) {
    case 'slip':
      return slideToward(run, panel.force[0]!);
    case 'stop':
      return 'stopped';
    case 'slack':
      letGo(run);
      return 'roll';
    default:
      if (progress.switches++ <= MOST_SWITCHES) progress.contact = settle(car, rolling, evaluateMotor(run, panel.from), motion.speed);
      return null;
  }
}

/** Where on the panel the run passes its limit of time or distance, or null. */
function overLimit({ motion, panel }: Run): number | null {
  let s: number | null = null;
  if (motion.distance + panel.distance[POINTS - 1]! > DISTANCE_LIMIT) s = reaching(panel.distance, motion.distance, DISTANCE_LIMIT);
  if (motion.time + panel.time[POINTS - 1]! > TIME_LIMIT) s = Math.min(s ?? 1, reaching(panel.time, motion.time, TIME_LIMIT));
  return s;
}

/** Where on the panel the floor changes, or null. */
function atNextFloor({ motion, panel, nextFloor }: Run): number | null {
  return motion.distance + panel.distance[POINTS - 1]! > nextFloor ? reaching(panel.distance, motion.distance, nextFloor) : null;
}

/** Takes a part of the panel, up to `s`. */
function takeUpTo(run: Run, { contact, energy }: Progress, s: number): void {
  const isBent = energy === 0;
  layPanel(run, contact, run.panel.from, placeAt(run.panel, s), isBent);
  solvePanel(run, energy);
  timePanel(run, isBent, false);
  takePanel(run, false);
}

/** On from the end of a motor's segment: over to the next, or no longer rolling under power. */
function crossSegment(run: Run, progress: Progress, ignoreGrip: boolean): Regime | null {
  const { car, motion, rolling } = run;
  if (motion.phase === 'rewinding' && motion.segment === 0) {
    holdWheel(run);
    return slideToward(run, -1);
  }
  if (!leaveSegment(run)) return 'roll';
  rollWith(car, rolling, evaluateMotor(run, motion.u), progress.contact);
  // The kinetic energy goes on; a step of the spool changes the mass it is in.
  motion.speed = Math.sqrt((2 * progress.energy) / rolling.mass);
  motion.spin = motion.speed / car.radius;
  motion.topSpeed = Math.max(motion.topSpeed, motion.speed);
  const asked = slideAsked(run);
  if (asked !== 0 && !ignoreGrip) return slideToward(run, asked);
  progress.contact = settle(car, rolling, run.point, motion.speed);
  // On the move, most segments are smooth enough to be taken whole.
  progress.length = segmentGoal(run) - motion.u;
  return null;
}

/** Looks again at where a tyre slips, on panels that reach just there: one that reached far beyond may have told it from the forces there. */
function slipLookedAtAgain(run: Run, { contact, energy }: Progress, ending: PanelEnding): PanelEnding {
  const { panel } = run;
  let found = ending;
  for (let look = 0; look < MOST_LOOKS; look++) {
    const again = endingOf(run, false, false);
    if (again.s > NEARLY || again.kind !== 'slip') break;
    found = again;
    layPanel(run, contact, panel.from, placeAt(panel, found.s), panel.isBent);
    solvePanel(run, energy);
  }
  return gripLeft(run) > HARDLY * run.car.weight ? { kind: 'goal', s: found.s } : found;
}

/** One panel more: what the run does after it, or null where it rolls on. */
function rollPanel(run: Run, progress: Progress, ignoreGrip: boolean): Regime | null {
  const { car, motion, panel } = run;
  const goal = segmentGoal(run);
  const from = motion.u;
  const isAtRest = progress.energy === 0;
  const reach = Math.abs(progress.length) >= REACHES * Math.abs(goal - from) ? goal : from + progress.length;
  layPanel(run, progress.contact, from, reach, isAtRest);
  solvePanel(run, progress.energy);
  const coarseness = forceCoarseness(run, run.motor.storedEnergy);
  if (isTooCoarse(run, progress, coarseness)) return null;

  const keepsContact = progress.switches > MOST_SWITCHES;
  let ending = endingOf(run, ignoreGrip || keepsContact, keepsContact);
  if (ending.s === -1) return endedAtOnce(run, progress, ending);
  const stops = ending.kind === 'stop';
  const isNothing = stops && isAllButSpent(run);
  if (ending.s < 1) {
    layPanel(run, progress.contact, from, placeAt(panel, ending.s), isAtRest || stops);
    solvePanel(run, progress.energy);
    if (ending.kind === 'slip') ending = slipLookedAtAgain(run, progress, ending);
    // Time is sharp on what little energy is left before a stop: come up to it in ever shorter panels.
    if (stops && !isNothing && isTooCoarse(run, progress, forceCoarseness(run, 0))) return null;
  }
  timePanel(run, isAtRest, stops);
  const timing = timeCoarseness(run);
  if (!isNothing && isTooCoarse(run, progress, timing)) return null;
  const floor = atNextFloor(run);
  const over = overLimit(run);
  if (over !== null && over <= (floor ?? 1)) {
    takeUpTo(run, progress, over);
    return 'limit';
  }
  if (floor !== null) {
    takeUpTo(run, progress, floor);
    crossToNextFloor(run);
    return 'roll';
  }

  takePanel(run, stops);
  if (stops) return 'stopped';
  progress.energy = panel.energy[POINTS - 1]!;
  progress.shortenings = 0;
  progress.switches = 0;
  progress.length = (panel.to - from) * longer(Math.max(coarseness, timing));
  if (ending.kind === 'slip') return slideToward(run, panel.force[POINTS - 1]!);
  if (ending.kind === 'slack') {
    letGo(run);
    return 'roll';
  }
  if (ending.kind === 'contact')
    progress.contact = progress.contact === 'all' ? (panel.load[POINTS - 1]! > car.weight / 2 ? 'drive' : 'other') : 'all';
  return motion.u === goal ? crossSegment(run, progress, ignoreGrip) : null;
}

/**
 * Rolls on under power until the tyre slides, the motor lets go or the car stops. `ignoreGrip` lets a car roll that has
 * this moment stopped sliding and would only chatter on the limit.
 */
export function rollUnderPower(run: Run, ignoreGrip: boolean): Regime {
  const progress = progressFrom(run);
  let regime: Regime | null = null;
  while (regime === null) regime = rollPanel(run, progress, ignoreGrip);
  return regime;
}

/** Whether the tyre holds while rolling at the present place and speed (0); else which way it slides. */
export function slideAsked(run: Run): 0 | 1 | -1 {
  const { car, motion, rolling } = run;
  const point = evaluateMotor(run, motion.u);
  const contact = settle(car, rolling, point, motion.speed);
  rollWith(car, rolling, point, contact);
  const vSquared = motion.speed ** 2;
  const a = rollingAcceleration(rolling, vSquared);
  const load = Math.min(Math.max(driveLoad(car, contact, a), 0), car.weight);
  const force = tyreForce(car, load, rolling.arm, a, vSquared);
  if (Math.abs(force) <= gripLimit(car, load, rolling.arm)) return 0;
  return force > 0 ? 1 : -1;
}
