import type { Motor, MotorPoint } from '../motor/motor.ts';
import type { RunSetup } from '../run/run-setup.ts';
import type { RunResult } from '../run/simulate.ts';
import type { Format, Quantity } from '../units/quantity.ts';
import type { CarDesign } from '../car/car-design.ts';
import type { Remedy } from './remedy.ts';

/** 'stop': it fails or hurts like this; 'warning': it costs something, or is close; 'good'. */
export type CheckVerdict = 'good' | 'warning' | 'stop';

/** How sure the number is: from sizes alone, from measured values, from estimates, or a rough guide. */
export type EvidenceLevel = 'sizes' | 'measured' | 'estimated' | 'rough';

/** One judgement of a design: a number against its limit, what it means, and what would put it right. */
export interface Check {
  readonly id: string;
  readonly title: string;
  readonly value: number;
  readonly limit: number;
  /** Whether the value must stay at or above the limit, or at or below. */
  readonly limitIs: 'least' | 'most';
  readonly quantity: Quantity;
  readonly verdict: CheckVerdict;
  readonly sure: EvidenceLevel;
  /** Told only when asked for: thousands of cars are judged for one map. */
  readonly sentence: (format: Format) => string;
  readonly remedies: (format: Format) => readonly Remedy[];
}

/** A design with its most likely run, as the checks see it. */
export interface Situation {
  readonly design: CarDesign;
  readonly setup: RunSetup;
  readonly motor: Motor;
  /** What the motor does at release. */
  readonly release: MotorPoint;
  readonly result: RunResult;
}

/** N in string or band at release, held and not yet moving: nothing is lost to hysteresis. */
export const heldTension = ({ release, motor }: Situation): number => release.tension / motor.efficiency;

/** A gap, m, that must not fall below `least`; `remedies` are offered when it does. */
export function clearance(
  {
    id,
    title,
    gap,
    least,
    sentence,
  }: { readonly id: string; readonly title: string; readonly gap: number; readonly least: number; readonly sentence: Check['sentence'] },
  remedies: Check['remedies'],
): Check {
  const verdict = grade(gap, least, 'least', 1);
  return {
    id,
    title,
    value: gap,
    limit: least,
    limitIs: 'least',
    quantity: 'size',
    verdict,
    sure: 'sizes',
    sentence,
    remedies: (format) => (verdict === 'good' ? [] : remedies(format)),
  };
}

/** Good within the limit, and a warning up to `stopAt` beyond it (a fraction of the limit). */
export function grade(value: number, limit: number, limitIs: 'least' | 'most', stopAt: number): CheckVerdict {
  const over = limitIs === 'most' ? value - limit : limit - value;
  if (over <= 0) return 'good';
  return over > stopAt * Math.abs(limit) ? 'stop' : 'warning';
}
