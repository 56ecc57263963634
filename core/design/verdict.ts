import type { Fault } from '../fault.ts';
import type { EnergyBudget } from '../run/energy.ts';
import { simulate, type RunResult } from '../run/simulate.ts';
import type { CarDesign, Wind } from './car-design.ts';
import { deriveRunSetup, designFaults } from './derive-run-setup.ts';

/** What the model says of a design: the run it predicts, or why it cannot run. */
export type Prediction =
  { readonly kind: 'ran'; readonly result: RunResult } | { readonly kind: 'refused'; readonly faults: readonly Fault[] };

/** Predicts one run of a design, wound fully unless told otherwise. */
export function predictRun(design: CarDesign, wind: Wind = { kind: 'full' }, options: { readonly trace?: boolean } = {}): Prediction {
  const faults = designFaults(design, wind);
  return faults.length > 0 ? { kind: 'refused', faults } : simulate(deriveRunSetup(design, wind), options);
}

/** What holds a car back most, for one sentence of judgement. */
export type Limit =
  | { readonly kind: 'stalls' }
  | { readonly kind: 'stops-wound'; readonly turnsLeft: number }
  | { readonly kind: 'wheelspin'; readonly distance: number; readonly share: number }
  | { readonly kind: 'loss'; readonly part: keyof EnergyBudget; readonly share: number }
  | { readonly kind: 'endless' };

/** Wheelspin that burns less than this share of the energy is not what holds a car back. */
const SPIN_THAT_MATTERS = 0.05;

/** The one thing that limits this run most. */
export function limitOf(result: RunResult): Limit {
  if (result.stalled) return { kind: 'stalls' };
  if (result.ended === 'limit') return { kind: 'endless' };
  if (result.turnsLeft > 0.5) return { kind: 'stops-wound', turnsLeft: result.turnsLeft };
  const shareOf = (part: keyof EnergyBudget): number => result.energy[part] / result.storedEnergy;
  if (shareOf('slip') > SPIN_THAT_MATTERS) return { kind: 'wheelspin', distance: result.slipDistance, share: shareOf('slip') };
  const parts = (Object.keys(result.energy) as (keyof EnergyBudget)[]).sort((a, b) => shareOf(b) - shareOf(a));
  return { kind: 'loss', part: parts[0]!, share: shareOf(parts[0]!) };
}
