import { memo } from 'react';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { misfitsAt } from '../../../../core/car/fit.ts';
import { hasBands } from '../../../../core/car/motors/motors.ts';
import { fittedKey, neededAt } from '../../../../core/car/parts.ts';
import { SLOTS, type PartSlot } from '../../../../core/car/part-slots.ts';
import type { OwnPart } from '../../../../core/schema/generated/own-part.ts';
import type { Size } from '../../../../core/car/size.ts';
import type { Edit } from '../../../open-car/design-slice.ts';
import { useOwnParts } from '../../../open-car/use-own-parts.ts';
import { BandSizeFields } from '../parts/band-size-fields.tsx';
import { fieldValue, PartField } from '../parts/part-field.tsx';
import { TubingFields } from '../parts/tubing-fields.tsx';
import type { PartChoice } from './choices.ts';
import { SizeField, SizeSlider } from './size-row.tsx';
import styles from './car-panel.module.css';

const NONE: readonly OwnPart[] = [];

interface PartsProps {
  /** The car, the same one for as long as only its sizes change. */
  readonly chosen: CarDesign;
  readonly edit: Edit;
}

/** What is fitted at a place, and what it is sold by. Drawn again when something else is chosen, not in every frame of a drag. */
const Fitted = memo(function Fitted({ chosen, edit, part }: PartsProps & { readonly part: PartChoice }) {
  const { byKind } = useOwnParts();
  const { slot, label } = part;
  return (
    <PartField
      label={label}
      slot={slot}
      value={fieldValue(fittedKey(chosen, slot) ?? '', chosen.own?.[slot]?.name)}
      needed={neededAt(chosen, slot)}
      misfits={misfitsAt(chosen, slot)}
      parts={byKind[SLOTS[slot].kind] ?? NONE}
      edit={edit}
    />
  );
});

/** The sizes of bands that are in no list. */
function BandFields({ chosen, edit }: PartsProps) {
  const { motor, own } = chosen;
  if (!hasBands(motor)) return null;
  if (motor.band.kind === 'tubing') return <TubingFields band={motor.band} edit={edit} />;
  return motor.band.kind === 'own' && !own?.band ? <BandSizeFields band={motor.band} edit={edit} /> : null;
}

interface EvidenceProps extends Pick<PartsProps, 'chosen'> {
  readonly slot: PartSlot;
}

/** How well what is fitted is known. */
const Evidence = ({ chosen: { own }, slot }: EvidenceProps) => (
  <span className={styles.evidence}>{own?.[slot]?.evidence ?? 'estimated'}</span>
);

interface PartRowProps extends PartsProps {
  readonly part: PartChoice;
  readonly worn: readonly PartChoice[];
  readonly size: Size | undefined;
  /** Of its size. */
  readonly value: number;
}

/** A part: its kind in full width, its own size, what is put on it, and how well each is known. */
export function PartRow({ part, worn, size, value, chosen, edit }: PartRowProps) {
  return (
    <>
      <Fitted chosen={chosen} edit={edit} part={part} />
      {size && (
        <div className={styles.pair}>
          <SizeSlider size={size} value={value} edit={edit} />
          <SizeField size={size} value={value} kind={chosen.motor.kind} edit={edit} />
        </div>
      )}
      <Evidence chosen={chosen} slot={part.slot} />
      {part.slot === 'band' && <BandFields chosen={chosen} edit={edit} />}
      {worn.map((one) => (
        <div key={one.slot} className={styles.worn}>
          <Fitted chosen={chosen} edit={edit} part={one} />
          <Evidence chosen={chosen} slot={one.slot} />
        </div>
      ))}
    </>
  );
}
