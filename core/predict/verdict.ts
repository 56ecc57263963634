import { energyShare, type EnergyBudget } from '../run/energy.ts';
import type { RunResult } from '../run/simulate.ts';

/** What holds a car back most, for one sentence of judgement. */
export type LimitingFactor =
  /** It lacks pull, or its tyres have not the grip to pass the pull on. */
  | { readonly kind: 'stalls'; readonly lacks: 'pull' | 'grip' }
  | { readonly kind: 'stops-wound'; readonly turnsLeft: number }
  | { readonly kind: 'wheelspin'; readonly distance: number; readonly fraction: number }
  | { readonly kind: 'loss'; readonly part: keyof EnergyBudget; readonly fraction: number }
  | { readonly kind: 'endless' };

/** m of wheelspin below which a builder notices none. */
export const NOTICEABLE_SLIP = 0.005;

/** Wheelspin that burns less than this fraction of the energy is not what holds a car back. */
const SPIN_THAT_MATTERS = 0.05;

/** The one thing that limits this run most. */
export function limitingFactor(result: RunResult): LimitingFactor {
  if (result.stalled) return { kind: 'stalls', lacks: result.launchThrust > result.launchResistance ? 'grip' : 'pull' };
  if (result.ended === 'limit') return { kind: 'endless' };
  if (result.turnsLeft > 0.5) return { kind: 'stops-wound', turnsLeft: result.turnsLeft };
  const shareOf = (part: keyof EnergyBudget): number => energyShare(result, part);
  if (shareOf('slip') > SPIN_THAT_MATTERS) return { kind: 'wheelspin', distance: result.slipDistance, fraction: shareOf('slip') };
  const parts = (Object.keys(result.energy) as (keyof EnergyBudget)[]).sort((a, b) => shareOf(b) - shareOf(a));
  return { kind: 'loss', part: parts[0]!, fraction: shareOf(parts[0]!) };
}
