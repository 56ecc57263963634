import ListSubheader from '@mui/material/ListSubheader';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { memo } from 'react';
import { bandSizes } from '../../../../core/car/catalogue.ts';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { hasBands } from '../../../../core/car/motors/motors.ts';
import { CATALOGUE, fitCatalogue, fitOwn } from '../../../../core/car/parts.ts';
import type { OwnPart } from '../../../../core/schema/generated/own-part.ts';
import { SLOTS, type PartSlot } from '../../../../core/car/part-slots.ts';
import type { Edit } from '../../../open-car/design-slice.ts';

/** Marks a part of the builder's own among the catalogue's words. */
const OWN = 'own part: ';
/** Bands whose sizes are typed for this car. */
const OWN_SIZES = 'own';
const TUBING = 'tubing';
/** A loop tied from half a metre of ¼ in tubing with a 1/16 in wall, m. */
const USUAL_TUBING = { kind: 'tubing', form: 'loop', length: 0.2, outside: 0.0064, wall: 0.0016 } as const;

/** The value of the field that represents what is fitted. */
export const fieldValue = (key: string, ownName: string | undefined): string => (ownName === undefined ? key : `${OWN}${ownName}`);

interface PartFieldProps {
  readonly label: string;
  readonly slot: PartSlot;
  /** What is fitted, see `fieldValue`. */
  readonly value: string;
  readonly needed: number;
  /** Parts of the catalogue that do not fit here, each with its reason. */
  readonly misfits: Readonly<Record<string, string>>;
  /** The builder's own of this kind. */
  readonly parts: readonly OwnPart[];
  readonly edit: Edit;
}

function fitted(design: CarDesign, slot: PartSlot, chosen: string, parts: readonly OwnPart[]): CarDesign {
  if (chosen.startsWith(OWN)) {
    const part = parts.find(({ name }) => name === chosen.slice(OWN.length));
    return part ? fitOwn(design, slot, part) : design;
  }
  const { motor } = design;
  if ((chosen !== OWN_SIZES && chosen !== TUBING) || !hasBands(motor)) return fitCatalogue(design, slot, chosen);
  // Begins with the sizes of what was fitted before.
  const plain = fitCatalogue(design, slot, '33');
  if (chosen === TUBING) return { ...plain, motor: { ...motor, band: USUAL_TUBING } };
  return { ...plain, motor: { ...motor, band: { kind: 'own', ...bandSizes(motor.band) } } };
}

const shortOf = (count: number, needed: number): string => (count < needed ? `! ${needed} needed, ${count} in stock` : '');

/** What is fitted at one place of the car: from the catalogue, or of the builder's own. Drawn again only when that changes. */
export const PartField = memo(function PartField({ label, slot, value, needed, misfits, parts, edit }: PartFieldProps) {
  const { kind } = SLOTS[slot];
  const present = value.startsWith(OWN) ? parts.find(({ name }) => name === value.slice(OWN.length)) : undefined;
  const isElsewhere = value.startsWith(OWN) && !present;
  return (
    <TextField
      select
      size="small"
      label={label}
      value={value}
      helperText={(present && shortOf(present.count, needed)) || undefined}
      onChange={({ target }) => edit((design) => fitted(design, slot, target.value, parts))}
    >
      {Object.entries(CATALOGUE[kind]).map(([key, entry]) => (
        <MenuItem key={key} value={key} disabled={key in misfits && key !== value}>
          {entry.label}
          {key in misfits && ` · ${misfits[key]}`}
        </MenuItem>
      ))}
      {slot === 'band' && <MenuItem value={OWN_SIZES}>own sizes</MenuItem>}
      {slot === 'band' && <MenuItem value={TUBING}>latex tubing</MenuItem>}
      {(parts.length > 0 || isElsewhere) && <ListSubheader>My parts</ListSubheader>}
      {isElsewhere && <MenuItem value={value}>{value.slice(OWN.length)} (from this car’s file)</MenuItem>}
      {parts.map(({ name, evidence, count }) => (
        <MenuItem key={name} value={fieldValue('', name)}>
          {name} · {evidence} · {count} in stock
        </MenuItem>
      ))}
    </TextField>
  );
});
