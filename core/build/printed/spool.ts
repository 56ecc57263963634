import type { CarDesign } from '../../car/car-design.ts';
import { isWoundOnAxle } from '../../car/motors/motors.ts';
import { formatTurns } from '../../car/tape.ts';
import { fullTurns } from '../../predict/derive-run-setup.ts';
import type { SizeFormat } from '../size-format.ts';
import { CLEARANCE, round, WALL, type PrintedPart } from './printed-part.ts';

/** A spool or stepped sleeve in one piece, each step as wide as its fraction of the turns; none where a step is too thin to be printed. */
export function spoolParts(design: CarDesign, { size }: SizeFormat): PrintedPart[] {
  const { sleeve, axleDiameter, motor } = design;
  if (sleeve.length === 0 || !isWoundOnAxle(motor)) return [];
  const bore = (axleDiameter + CLEARANCE.glued) / 2;
  if (sleeve.some(({ diameter }) => diameter / 2 - bore < WALL)) return [];
  const turns = Math.max(
    fullTurns(design),
    sleeve.reduce((sum, step) => sum + step.turns, 0),
  );
  // Thickest first on the bed: nothing hangs over.
  const steps = sleeve.toSorted((a, b) => b.diameter - a.diameter);
  let from = 0;
  const layers = steps.map((step) => {
    const to = from + (motor.windingWidth * step.turns) / turns;
    const layer = { corners: round(step.diameter / 2), holes: [round(bore)], from, to };
    from = to;
    return layer;
  });
  const told = sleeve.toReversed().map((step, i) => `⌀ ${size(step.diameter)} under ${formatTurns(step.turns, i === 0)}`);
  return [
    {
      id: 'spool',
      name: steps.length > 1 ? 'stepped sleeve of the drive axle' : 'spool of the drive axle',
      count: 1,
      note: `${told.join(', ')}; hole ${size(CLEARANCE.glued)} wider than the axle. Slide it on before the wheels and glue it.`,
      layers,
    },
  ];
}
