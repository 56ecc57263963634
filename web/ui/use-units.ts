import { useSelector } from 'react-redux';
import type { UnitSystem } from '../../core/units/quantity.ts';

/** What the store must hold for anything to be printed: the units chosen. */
interface WithUnits {
  readonly preferences: { readonly units: UnitSystem };
}

/** The unit system now shown. */
export const useUnits = (): UnitSystem => useSelector((state: WithUnits) => state.preferences.units);
