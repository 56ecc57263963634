import { memo } from 'react';
import type { CarDesign, SleeveStep } from '../../../../core/car/car-design.ts';
import { SLEEVES } from '../../../../core/car/catalogue.ts';
import { ChoiceSelect } from '../../../brief-fields/choice-select.tsx';
import { PieceList } from '../../../brief-fields/piece-list.tsx';
import type { Edit } from '../../../open-car/design-slice.ts';
import { QuantityField } from '../../../ui/quantity-field.tsx';
import { labelsOf } from '../../../ui/labels-of.ts';

interface SpoolStepsProps extends Pick<CarDesign, 'sleeve' | 'axleDiameter'> {
  readonly edit: Edit;
}

const KINDS = labelsOf(SLEEVES);
const MAX_STEPS = 6;
const MAX_DIAMETER = 0.3;
/** How much wider a further step begins, m. */
const WIDER = 0.004;

/** What thickens the drive axle, step by step: the last is outermost and pulls at the launch. */
export const SpoolSteps = memo(function SpoolSteps({ sleeve, axleDiameter, edit }: SpoolStepsProps) {
  return (
    <PieceList<SleeveStep>
      pieces={sleeve}
      change={(next) => edit((car) => ({ ...car, sleeve: next(car.sleeve) }))}
      nameOf={(at) => (at === sleeve.length - 1 ? 'Spool, pulls at the launch' : `Spool, step ${at + 1}`)}
      head={({ kind }, changeIt) => (
        <ChoiceSelect label="Made of" value={kind} options={KINDS} onChange={(next) => changeIt({ kind: next })} />
      )}
      most={MAX_STEPS}
      addWords="Add a spool step"
      make={(last) => ({ kind: 'other', turns: 1, ...last, diameter: Math.max(last?.diameter ?? 0, axleDiameter) + WIDER })}
    >
      {({ diameter, turns }, changeIt) => (
        <>
          <QuantityField
            size="small"
            label="Step ⌀"
            quantity="size"
            value={diameter}
            check={(value) =>
              value > axleDiameter && value <= MAX_DIAMETER
                ? null
                : `Must be more than the axle, ${1000 * axleDiameter} mm, and at most ${1000 * MAX_DIAMETER} mm.`
            }
            onChange={(value) => changeIt({ diameter: value })}
          />
          <QuantityField
            size="small"
            label="Turns on it"
            quantity="count"
            value={turns}
            check={(value) => (value > 0 && value <= 200 ? null : 'Must be above 0 and at most 200 turns.')}
            onChange={(value) => changeIt({ turns: value })}
          />
        </>
      )}
    </PieceList>
  );
});
