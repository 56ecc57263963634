import type { CarDesign } from '../design/car-design.ts';
import { runForAim, scoreOf } from './aim.ts';

/** Thickness of common tape, m. Common practice. */
export const TAPE = 0.13e-3;
const MOST_WRAPS = 40;
const TURNS = [0.5, 1, 1.5, 2, 3, 4, 6];

/** A sleeve of tape for the turns that pull first, in wraps of tape. */
export interface WindingProfile {
  readonly wraps: number;
  readonly turns: number;
  readonly design: CarDesign;
  readonly distance: number;
  readonly time: number;
  /** m of wheelspin that is left. */
  readonly slipDistance: number;
}

/**
 * The sleeve of tape that serves the car's aim best while the launch stays just under the grip limit, or with the least
 * wheelspin where even the bare axle spins. Null for a roller, or where bare axle is best.
 */
export function bestWinding(design: CarDesign): WindingProfile | null {
  if (design.motor.kind === 'twist') return null;
  const bare = { ...design, sleeve: [] };
  const plain = runForAim(bare);
  let best: WindingProfile | null = null;
  let bestScore = plain ? scoreOf(bare, plain) : -Infinity;
  const allowed = plain ? plain.slipDistance + 1e-3 : Infinity;
  for (let wraps = 1; wraps <= MOST_WRAPS; wraps++)
    for (const turns of TURNS) {
      const taped = { ...design, sleeve: [{ diameter: design.axleDiameter + 2 * wraps * TAPE, turns }] };
      const result = runForAim(taped);
      if (!result || result.slipDistance > allowed) continue;
      const score = scoreOf(taped, result);
      if (score <= bestScore) continue;
      bestScore = score;
      best = { wraps, turns, design: taped, distance: result.distance, time: result.time, slipDistance: result.slipDistance };
    }
  return best;
}

/** What to do, in words: `9 wraps of 0.13 mm tape under the last 1.5 turns`. */
export const windingWords = ({ wraps, turns }: WindingProfile): string =>
  `${wraps} ${wraps === 1 ? 'wrap' : 'wraps'} of 0.13 mm tape under the last ${turns === 1 ? 'turn' : `${turns} turns`}`;
