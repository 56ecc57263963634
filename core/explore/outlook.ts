import { MEASUREMENTS } from '../bench/measurements.ts';
import { whatToMeasure } from '../bench/what-to-measure.ts';
import type { CarDesign } from '../car/car-design.ts';
import type { UnitSystem } from '../units/quantity.ts';
import { assess } from './assess.ts';

/** What is to be expected of a car before it ever ran. */
export interface Outlook {
  /** How likely it meets its goal; null where that is no matter of chance, or cannot be determined. */
  readonly chance: number | null;
  /** The remedy that helps most; null for none. */
  readonly help: string | null;
  /** The measurement that would take away most of what is not known, and what fraction of it. */
  readonly toMeasure: { readonly name: string; readonly fraction: number } | null;
}

/** What is to be expected of a car, by cars built like this; null where it cannot run. */
export function outlookOf(design: CarDesign, units: UnitSystem): Outlook | null {
  const assessment = assess(design, units);
  if (!assessment) return null;
  const [most] = whatToMeasure(design).measurements;
  return {
    chance: assessment.asked.kind === 'ran' ? assessment.asked.chance : null,
    help: assessment.remedies[0]?.remedy.label ?? null,
    toMeasure: most ? { name: MEASUREMENTS[most.kind].name, fraction: most.fraction } : null,
  };
}
