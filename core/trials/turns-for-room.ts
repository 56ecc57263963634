import { bisectWhole } from '../numerics/bisect.ts';
import type { CarDesign } from '../car/car-design.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';
import { sampledRuns } from '../predict/sampled-runs.ts';
import { makeWorkspace } from '../run/workspace.ts';

/** How far a car may be wound in a room. */
export interface TurnsForRoom {
  /** The most turns with which at least 9 in 10 such cars stop before the wall; 0 where not even a turn is safe. */
  readonly turns: number;
  /** Whether that is a full wind. */
  readonly isFull: boolean;
  /** Fraction of such cars that stop before the wall fully wound. */
  readonly stopFully: number;
}

/** Cars in the sample, and the fraction of them that must stop before the wall. */
const CARS = 64;
const ROOM_PROBABILITY = 0.9;
/** A counter of half turns shows no finer. */
const STEP = 0.5;

/** The turns of the drive axle, in half turns, that stop inside `room` m for 9 in 10 cars built to the design. The design must have no faults. */
export function turnsForRoom(design: CarDesign, room: number, seed = 1): TurnsForRoom {
  const workspace = makeWorkspace();
  const most = fullTurns(design);
  const stopping = (turns: number | null): number =>
    sampledRuns(design, { wind: turns === null ? { kind: 'full' } : { kind: 'turns', turns }, seed, runs: CARS, workspace }).filter(
      ({ result }) => result === null || result.distance < room,
    ).length / CARS;
  const stopFully = stopping(null);
  if (stopFully >= ROOM_PROBABILITY) return { turns: most, isFull: true, stopFully };
  const steps = bisectWhole((n) => stopping(n * STEP) >= ROOM_PROBABILITY, 0, Math.floor(most / STEP));
  return { turns: steps * STEP, isFull: false, stopFully };
}
