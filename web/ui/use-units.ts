import type { UnitSystem } from '../../core/units/quantity.ts';
import { useAppSelector } from '../app/store.ts';

/** The unit system now shown. */
export const useUnits = (): UnitSystem => useAppSelector((state) => state.preferences.units);
