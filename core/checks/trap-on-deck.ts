import { LET_IN } from '../solid/motors/lever.ts';
import { bodyPartOf } from '../car/fitted.ts';
import { TRAP_THICKNESS } from '../car/motors/lever.ts';
import { remedyOf } from './remedy.ts';
import { clearance, type Check, type Situation } from './check.ts';

/** Gap between the trap's underside and the top of the deck it stands on, m: one below the deck has its lever go through the card. */
export function trapOnDeck({ design }: Situation): Check | null {
  const { motor, body } = design;
  const { isTube, thickness } = bodyPartOf(design);
  if (motor.kind !== 'lever' || isTube) return null;
  const top = body.axleGap + thickness;
  const gap = motor.pivotAboveAxle - TRAP_THICKNESS - top;
  const pivotAboveAxle = top + TRAP_THICKNESS;
  const axleGap = body.axleGap + gap;
  return clearance(
    {
      id: 'trap-on-deck',
      title: 'trap on the deck',
      gap,
      least: -LET_IN,
      sentence: (format) =>
        gap >= -LET_IN
          ? gap > LET_IN
            ? `The trap is ${format(gap, 'size')} above the deck. Put a block under it.`
            : 'The trap sits on the deck.'
          : `The trap would be ${format(-gap, 'size')} below the top of the deck, and the lever would go through the deck.`,
    },
    (format) => [
      remedyOf('trap', 'trap-up', `Raise the trap: its pivot ${format(pivotAboveAxle, 'size')} above the axle`, {
        ...design,
        motor: { ...motor, pivotAboveAxle },
      }),
      ...(axleGap >= 0
        ? [
            remedyOf('body', 'deck-down', `Lower the deck to ${format(axleGap, 'size')} above the axle, cut out there`, {
              ...design,
              body: { ...body, axleGap, notched: true },
            }),
          ]
        : []),
    ],
  );
}
