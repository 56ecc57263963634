import Button from '@mui/material/Button';
import { memo } from 'react';
import type { CarDesign, SleeveStep } from '../../../../core/car/car-design.ts';
import { SLEEVES } from '../../../../core/car/catalogue.ts';
import { ChoiceSelect } from '../../../brief-fields/choice-select.tsx';
import { Piece } from '../../../brief-fields/floor-fields.tsx';
import fields from '../../../brief-fields/brief-fields.module.css';
import type { Edit } from '../../../open-car/design-slice.ts';
import plain from '../../../ui/plain.module.css';
import { QuantityField } from '../../../ui/quantity-field.tsx';
import { useStableKeys } from '../../../ui/stable-keys.ts';

interface SpoolStepsProps extends Pick<CarDesign, 'sleeve' | 'axleDiameter'> {
  readonly edit: Edit;
}

const KINDS = Object.fromEntries(Object.entries(SLEEVES).map(([kind, { label }]) => [kind, label])) as Record<SleeveStep['kind'], string>;
const MAX_STEPS = 6;
const MAX_DIAMETER = 0.3;
/** How much wider a further step begins, m. */
const WIDER = 0.004;

/** What thickens the drive axle, step by step: the last is outermost and pulls at the launch. */
export const SpoolSteps = memo(function SpoolSteps({ sleeve, axleDiameter, edit }: SpoolStepsProps) {
  const keys = useStableKeys(sleeve);
  const change = (next: (present: CarDesign['sleeve']) => CarDesign['sleeve']): void =>
    edit((car) => ({ ...car, sleeve: next(car.sleeve) }));
  const changeAt = (at: number, part: Partial<SleeveStep>): void =>
    change((present) => present.map((step, i) => (i === at ? { ...step, ...part } : step)));
  return (
    <div className={plain.rows}>
      {sleeve.map(({ kind, diameter, turns }, i) => (
        <Piece
          key={keys[i]}
          name={i === sleeve.length - 1 ? 'Spool, pulls at the launch' : `Spool, step ${i + 1}`}
          onTakeAway={() => change((present) => present.filter((_step, k) => k !== i))}
          head={<ChoiceSelect label="Made of" value={kind} options={KINDS} onChange={(next) => changeAt(i, { kind: next })} />}
        >
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
            onChange={(value) => changeAt(i, { diameter: value })}
          />
          <QuantityField
            size="small"
            label="Turns on it"
            quantity="count"
            value={turns}
            check={(value) => (value > 0 && value <= 200 ? null : 'Must be above 0 and at most 200 turns.')}
            onChange={(value) => changeAt(i, { turns: value })}
          />
        </Piece>
      ))}
      <div className={fields.ends}>
        <Button
          size="small"
          variant="outlined"
          disabled={sleeve.length >= MAX_STEPS}
          onClick={() =>
            change((present) => [
              ...present,
              { kind: 'other', turns: 1, ...present.at(-1), diameter: Math.max(present.at(-1)?.diameter ?? 0, axleDiameter) + WIDER },
            ])
          }
        >
          Add a spool step
        </Button>
      </div>
    </div>
  );
});
