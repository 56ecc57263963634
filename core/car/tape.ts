import { formatQuantity, type UnitSystem } from '../units/quantity.ts';
import type { SpoolStep } from '../run/run-setup.ts';
import type { CarDesign } from './car-design.ts';

/** Thickness of common tape, m. Common practice. */
export const TAPE = 0.13e-3;

/** So many wraps of tape under so many turns. */
export interface WindingStep {
  readonly wraps: number;
  readonly turns: number;
}

/** A design with tape on its bare axle, step by step from the turns wound last inward. */
export const taped = (design: CarDesign, steps: readonly WindingStep[]): CarDesign => ({
  ...design,
  sleeve: [...steps].reverse().map(({ wraps, turns }) => ({ kind: 'tape', diameter: design.axleDiameter + 2 * wraps * TAPE, turns })),
});

/** The spool of bare axle and tape, m: the axle takes what turns the tape leaves. */
export function spoolOf(design: CarDesign, bareTurns: number): [SpoolStep, ...SpoolStep[]] {
  const steps: SpoolStep[] = bareTurns > 0 ? [{ radius: design.axleDiameter / 2, turns: bareTurns }] : [];
  for (const { diameter, turns } of design.sleeve) steps.push({ radius: diameter / 2, turns });
  return steps as [SpoolStep, ...SpoolStep[]];
}

/** The thickest place of the spool, m: tape, or the bare axle. */
export const thickestSpool = ({ axleDiameter, sleeve }: CarDesign): number =>
  Math.max(axleDiameter, ...sleeve.map(({ diameter }) => diameter));

/** A design on another axle, its tape as thick as it is: what the axle outgrows is bare, and bare turns wound first are no step. */
export function onAxle(design: CarDesign, axleDiameter: number): CarDesign {
  const sleeve = design.sleeve.map((step) => ({ ...step, diameter: Math.max(step.diameter, axleDiameter) }));
  const first = sleeve.findIndex(({ diameter }) => diameter > axleDiameter);
  return { ...design, axleDiameter, sleeve: first < 0 ? [] : sleeve.slice(first) };
}

const counted = (turns: number): string => {
  if (turns === 1) return 'turn';
  const isHalf = turns % 1 === 0.5;
  return `${isHalf ? `${turns < 1 ? '' : Math.floor(turns)}½` : Number(turns.toFixed(1))} ${turns < 1 ? 'turn' : 'turns'}`;
};
const wrapped = (wraps: number, tape: string): string => (wraps === 0 ? 'bare axle' : `${wraps} ${wraps === 1 ? 'wrap' : 'wraps'}${tape}`);
/** Which turns lie there: `the last 1½ turns`, `the 2 turns before`. */
export const formatTurns = (turns: number, isLast: boolean): string =>
  isLast ? `the last ${counted(turns)}` : `the ${counted(turns)} before`;

/** What to do, a line for each step from the turns wound last: `9 wraps of 0.13 mm tape under the last 1½ turns`. The tape is reported once; `isInner`: others lie over them. */
export function describeWinding(steps: readonly WindingStep[], isInner = false): string[] {
  const first = steps.findIndex(({ wraps }) => wraps > 0);
  return steps.map(
    ({ wraps, turns }, i) => `${wrapped(wraps, i === first ? ' of 0.13 mm tape' : '')} under ${formatTurns(turns, i === 0 && !isInner)}`,
  );
}

/** The tape that is on a design's axle, over its diameters: `⌀ 13 mm under the last turn, ⌀ 9 mm under the 2 turns before`. */
export const describeSleeve = ({ sleeve }: CarDesign, units: UnitSystem): string =>
  sleeve.length === 0
    ? 'none'
    : [...sleeve]
        .reverse()
        .map(({ diameter, turns }, i) => `⌀ ${formatQuantity(diameter, 'size', units)} under ${formatTurns(turns, i === 0)}`)
        .join(', ');
