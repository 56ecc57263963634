import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { Fragment, memo, startTransition, Suspense, useCallback, useState } from 'react';
import { hasBands } from '../../../../core/car/motors/motors.ts';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { misfitsAt } from '../../../../core/car/fit.ts';
import { fittedKey, neededAt } from '../../../../core/car/parts.ts';
import type { OwnPart } from '../../../../core/schema/generated/own-part.ts';
import { SLOTS, type PartKind } from '../../../../core/car/part-slots.ts';
import { later } from '../../../ui/later.ts';
import plain from '../../../ui/plain.module.css';
import { useRoving } from '../../../ui/use-roving.ts';
import styles from '../design-page.module.css';
import type { Edit } from '../../../open-car/design-slice.ts';
import { TubingFields } from './tubing-fields.tsx';
import { BandSizeFields } from './band-size-fields.tsx';
import { CHOICES, isSameChoice, type Choice } from './choices.ts';
import { fieldValue, PartField } from './part-field.tsx';
import { usePartsAtHand } from '../../../open-car/use-own-parts.ts';

const OwnPartsDrawer = later(() => import('./own-parts-drawer.tsx').then(({ OwnPartsDrawer: drawer }) => ({ default: drawer })));

const NONE: readonly OwnPart[] = [];

interface PartsPanelProps {
  readonly design: CarDesign;
  readonly edit: Edit;
}

/** What the car is made of and runs on. Drawn anew when something else is chosen, not in every frame of a drag. */
export const PartsPanel = memo(Parts, (before, after) => before.edit === after.edit && isSameChoice(before.design, after.design));

function Parts({ design, edit }: PartsPanelProps) {
  const { byKind } = usePartsAtHand();
  const [isListing, setListing] = useState(false);
  const open = useCallback(() => startTransition(() => setListing(true)), []);
  const { motor, own } = design;
  const partsOf = (kind: PartKind): readonly OwnPart[] => byKind[kind] ?? NONE;
  const group = useRoving('[role=combobox], button, input[type=text]');
  return (
    <section ref={group} aria-labelledby="parts-title" className={styles.fields}>
      <h2 id="parts-title" className={plain.heading}>
        Parts and floor
      </h2>
      {CHOICES[motor.kind].map((choice) =>
        'slot' in choice ? (
          <Fragment key={choice.slot}>
            <PartField
              {...choice}
              value={fieldValue(fittedKey(design, choice.slot) ?? '', own?.[choice.slot]?.name)}
              needed={neededAt(design, choice.slot)}
              misfits={misfitsAt(design, choice.slot)}
              parts={partsOf(SLOTS[choice.slot].kind)}
              edit={edit}
            />
            {choice.slot === 'band' && hasBands(motor) && motor.band.kind === 'tubing' && <TubingFields band={motor.band} edit={edit} />}
            {choice.slot === 'band' && hasBands(motor) && motor.band.kind === 'own' && !own?.band && (
              <BandSizeFields band={motor.band} edit={edit} />
            )}
          </Fragment>
        ) : (
          <ChoiceField key={choice.label} choice={choice} value={choice.read(design)} edit={edit} />
        ),
      )}
      <OpenParts onOpen={open} />
      {isListing && (
        <Suspense fallback={null}>
          <OwnPartsDrawer onClose={() => setListing(false)} />
        </Suspense>
      )}
    </section>
  );
}

/** Drawn once. */
const OpenParts = memo(function OpenParts({ onOpen }: { readonly onOpen: () => void }) {
  return (
    <Button size="small" variant="outlined" aria-haspopup="dialog" onClick={onOpen}>
      My parts
    </Button>
  );
});

interface ChoiceFieldProps {
  readonly choice: Choice;
  readonly value: string;
  readonly edit: Edit;
}

/** Drawn anew only when its own choice changes. */
const ChoiceField = memo(function ChoiceField({ choice: { label, options, write }, value, edit }: ChoiceFieldProps) {
  return (
    <TextField
      select
      size="small"
      label={label}
      value={value}
      onChange={({ target }) => edit((design) => write(design, target.value as never))}
    >
      {Object.entries(options).map(([key, option]) => (
        <MenuItem key={key} value={key}>
          {option.label}
        </MenuItem>
      ))}
    </TextField>
  );
});
