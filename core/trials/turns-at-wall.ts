import type { CarDesign, RunRecord } from '../car/car-design.ts';
import { isWoundByFeel } from '../car/motors/motors.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';

type StoppedRun = Pick<RunRecord, 'wind' | 'outcome' | 'turnsLeft'>;

/** Turns that the drive wheels made on the way, had they not spun: distance / (π ⌀). Source: geometry of the circle. m. `turnsRolled({ driveWheels: { diameter: 0.1 } }, 3.1416) // 10` */
export const turnsRolled = ({ driveWheels }: Pick<CarDesign, 'driveWheels'>, distance: number): number =>
  distance / (Math.PI * driveWheels.diameter);

/** A counter of half turns shows no finer. */
const toHalf = (turns: number): number => Math.round(2 * turns) / 2;

/**
 * The winding of a run that was stopped with turns left: of one that was wound by feel, the turns that it rolled and those that were left, for
 * then they are known after all. Others are left as they are.
 */
export const windingOfStopped = (design: CarDesign, { wind, outcome, turnsLeft }: StoppedRun): RunRecord['wind'] =>
  turnsLeft === undefined || wind.kind !== 'full' || !isWoundByFeel(design)
    ? wind
    : { kind: 'turns', turns: Math.max(toHalf(turnsRolled(design, outcome.distance) + turnsLeft), 0.5) };

/** Turns that neither rolled nor were left: its wheels spun them. Null where nothing tells; 0 within what counting is off. */
export function turnsSpun(design: CarDesign, { wind, outcome, turnsLeft }: StoppedRun): number | null {
  if (turnsLeft === undefined || (wind.kind === 'full' && isWoundByFeel(design))) return null;
  const wound = wind.kind === 'turns' ? wind.turns : fullTurns(design);
  const spun = toHalf(wound - turnsLeft - turnsRolled(design, outcome.distance));
  return spun > 1 ? spun : 0;
}
