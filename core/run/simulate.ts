import type { Fault } from '../fault.ts';
import { coast } from './coast.ts';
import { energyBudget, type EnergyBudget } from './energy.ts';
import { armLoad, bearingTorque, carForces, floorsAhead, resistanceAt, rollWith, settle } from './forces.ts';
import { launchOf, type Launch } from './launch.ts';
import { evaluateMotor, startRun, type Regime, type Run } from './motion.ts';
import { rollUnderPower, slideAsked } from './roll.ts';
import { motorOf, runFaults, type RunSetup } from './run-setup.ts';
import { slide } from './slide.ts';
import { makeTrace, type Trace } from './trace.ts';
import { makeWorkspace, type Workspace } from './workspace.ts';

export interface PassedMark {
  /** m */
  readonly distance: number;
  /** s after release */
  readonly time: number;
}

/** One run from release to stop. SI units. */
export interface RunResult {
  /** J put in by winding. */
  readonly storedEnergy: number;
  /** Drive-axle turns under power, if the wheels never slip. */
  readonly turns: number;
  /** m, `turns` times the circumference. */
  readonly poweredDistance: number;
  /** N */
  readonly launchThrust: number;
  /** N: all that holds the car back at release. */
  readonly launchResistance: number;
  readonly launchGripNeeded: number;
  readonly launchGripLimit: number;
  /** Limit over needed: below 1 the wheels spin. */
  readonly launchGripRatio: number;
  /** m: the furthest point forward; s: when it stops there. */
  readonly distance: number;
  readonly time: number;
  /** 'limit': still rolling after 600 s or 1000 m. */
  readonly ended: 'stopped' | 'stalled' | 'limit';
  /** m/s */
  readonly topSpeed: number;
  /** s and m the tyre slid, spinning or braking. */
  readonly slipTime: number;
  readonly slipDistance: number;
  /** s and m at which the motor let go; null when it had not. */
  readonly powerEndTime: number | null;
  readonly powerEndDistance: number | null;
  /** The other wheels lifted under power. */
  readonly wheelie: boolean;
  /** Turns still on the axle at the stop. */
  readonly turnsLeft: number;
  readonly stalled: boolean;
  readonly rollsBack: boolean;
  readonly marks: readonly PassedMark[];
  readonly energy: EnergyBudget;
  readonly trace: Trace | null;
}

export type RunOutcome =
  { readonly kind: 'ran'; readonly result: RunResult } | { readonly kind: 'refused'; readonly faults: readonly Fault[] };

/** Regime changes without any progress after which the tyre is taken to hold. */
const MOST_CHATTER = 8;

function drive(run: Run, launch: Launch): RunResult['ended'] {
  const { motion } = run;
  if (launch.acceleration <= 0) return 'stalled';
  let regime: Regime = launch.holds ? 'roll' : 'slide';
  motion.slideDirection = launch.slideDirection;
  let chatter = 0;
  while (regime === 'roll' || regime === 'slide') {
    const before = motion.time;
    if (regime === 'slide') {
      regime = slide(run);
      motion.wheelHeld = false;
    } else regime = (motion.phase === 'gone' ? coast : rollUnderPower)(run, chatter > MOST_CHATTER);
    chatter = motion.time - before > 1e-9 ? 0 : chatter + 1;
    // After a slide the tyre may hold, or slide at once toward the other side.
    const asked = regime === 'roll' && chatter <= MOST_CHATTER ? slideAsked(run) : 0;
    if (asked !== 0) {
      motion.slideDirection = asked;
      regime = 'slide';
    }
  }
  return regime;
}

/** Fraction of a panel's energy and time left to its last coefficients; and where the stop depends on very little. */
const RESOLVED = 1e-5;
const FINELY_RESOLVED = 1e-6;

/** Whether the car came to its stop under a pull that all but balanced the resistance: a little energy is then a long way. */
function stopsShallowly(run: Run): boolean {
  const { car, motion, rolling } = run;
  if (motion.phase === 'gone' || motion.distance === 0) return false;
  const point = evaluateMotor(run, motion.u);
  rollWith(car, rolling, point, settle(car, rolling, point, 0));
  return Math.abs(rolling.push) * motion.distance < rolling.mass * motion.topSpeed ** 2;
}

/** Whether what still pulls back at the stop outdoes bearings and rolling resistance at rest. */
function rollsBack(run: Run): boolean {
  const { car, motion } = run;
  const motor = evaluateMotor(run, motion.u);
  const rest = Math.min(Math.max(car.loadBase, 0), car.weight);
  const bearing = bearingTorque(car, motor);
  // The slope pulls here, and does not resist. A washer held the car while it was wound up, and holds it now.
  const resistance = resistanceAt(car, bearing, rest, armLoad(car, motor.torque), 0) - car.climb;
  const back = motion.phase === 'rewinding' ? motor.heldTorque - motor.heldWasher : -motor.torque;
  return car.climb + back / car.radius > resistance;
}

/** What is asked of a run besides its figures, and where it is computed. */
export interface RunOptions {
  readonly trace?: boolean;
  /** Room to work in; a new one where none is handed in. */
  readonly workspace?: Workspace | undefined;
}

/**
 * Computes one run by the model of docs/model.md. The same setup always gives the same result.
 * @param setup the plain numbers of the run, SI units
 * @param options.trace whether rows for a chart are recorded; off by default
 * @param options.workspace memory that runs reuse; new by default
 * @returns the run, SI units; or the keys of the setup that cannot be, with reasons
 */
export function simulate(setup: RunSetup, options: RunOptions = {}): RunOutcome {
  const faults = runFaults(setup);
  return faults.length > 0 ? { kind: 'refused', faults } : { kind: 'ran', result: simulateValidated(setup, options) };
}

/** The same for a setup in which `runFaults` found nothing wrong. */
export function simulateValidated(setup: RunSetup, { trace = false, workspace = makeWorkspace() }: RunOptions = {}): RunResult {
  const motor = motorOf(setup);
  const car = carForces(setup, setup.surface, motor);
  const floors = floorsAhead(setup, motor);
  const attempt = (resolved: number): Run =>
    startRun(workspace, {
      car,
      floors,
      hasOtherWheels: setup.car.otherWheels !== null,
      motor,
      marks: setup.marks ?? [],
      trace: trace ? makeTrace() : null,
      resolved,
    });
  let run = attempt(RESOLVED);
  const launch = launchOf(run);
  let ended = drive(run, launch);
  if (ended === 'stopped' && stopsShallowly(run)) {
    run = attempt(FINELY_RESOLVED);
    ended = drive(run, launch);
  }
  return resultOf(run, launch, ended);
}

const NO_MARKS: readonly PassedMark[] = [];

function resultOf(run: Run, launch: Launch, ended: RunResult['ended']): RunResult {
  const { car, motion, motor } = run;
  return {
    storedEnergy: motor.storedEnergy,
    turns: motor.angle / (2 * Math.PI),
    poweredDistance: motor.angle * car.radius,
    launchThrust: launch.thrust,
    launchResistance: launch.resistance,
    launchGripNeeded: launch.gripNeeded,
    launchGripLimit: launch.gripLimit,
    launchGripRatio: launch.gripLimit / launch.gripNeeded,
    distance: motion.distance,
    time: motion.time,
    ended,
    topSpeed: motion.topSpeed,
    slipTime: motion.slipTime,
    slipDistance: motion.slipDistance,
    powerEndTime: motion.powerEnd?.time ?? null,
    powerEndDistance: motion.powerEnd?.distance ?? null,
    wheelie: motion.wheelie,
    turnsLeft: motion.phase === 'unwinding' ? Math.max(0, motor.angle - motion.angle) / (2 * Math.PI) : 0,
    stalled: ended === 'stalled',
    rollsBack: ended !== 'limit' && rollsBack(run),
    marks: run.marks.length === 0 ? NO_MARKS : run.marks.flatMap(({ distance, time }) => (time === null ? [] : [{ distance, time }])),
    energy: energyBudget(run),
    trace: run.trace,
  };
}
