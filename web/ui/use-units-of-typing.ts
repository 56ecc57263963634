import { useEffect } from 'react';
import { type Quantity, type UnitSystem, withOwnUnit } from '../../core/units/quantity.ts';
import { useUnits } from './use-units.ts';

/** Reads a text that was typed before as it must read now: a bare number keeps its unit. */
export type Reread = (text: string, quantity: Quantity) => string;

/**
 * Sees to it that what was typed keeps its unit: told once other units are shown than those it was typed in (`typedIn`; undefined where nothing
 * was typed), with a way to reread each text.
 */
export function useUnitsOfTyping(typedIn: UnitSystem | undefined, onOther: (reread: Reread) => void): void {
  const units = useUnits();
  useEffect(() => {
    if (typedIn !== undefined && typedIn !== units) onOther((text, quantity) => withOwnUnit(text, quantity, typedIn, units));
  });
}
