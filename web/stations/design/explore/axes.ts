import type { Size } from '../../../../core/car/size.ts';
import { unitOf, type UnitSystem } from '../../../../core/units/quantity.ts';

/** A size with its unit, where it has one. */
export const sizeName = ({ label, quantity }: Size, units: UnitSystem): string =>
  [label, unitOf(quantity, units)].filter(Boolean).join(', ');

const SI_UNITS: Partial<Readonly<Record<Size['quantity'], string>>> = { size: 'm', distance: 'm', weight: 'kg', angle: 'rad' };
/** Heading of a size in a table of plain numbers, which are SI. */
export const sizeHead = ({ label, quantity }: Size): string => [label, SI_UNITS[quantity]].filter(Boolean).join(' ');
