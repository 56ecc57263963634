import type { Fault } from '../fault.ts';
import { describeProblem } from '../fault-words.ts';
import type { Quantity } from '../units/quantity.ts';
import { VALUE_NAMES, type ValueKey } from './value-table.ts';

/** What the keys of a design are measured in, where their faults have a bound. */
const QUANTITIES: readonly (readonly [key: RegExp, quantity: Quantity])[] = [
  [/mass$/i, 'weight'],
  [/(turns|parallel|series|stretch)$/i, 'count'],
  [/(angle|toe|slope)$/i, 'angle'],
  [/share$/i, 'share'],
  [/(roomLength|laneWidth|aim\.distance)$/, 'distance'],
  [/(diameter|width|length|position|axle|base|gap|play|radius|anchor\w*|hookToHook|limits\.\w+|sleeve|band)$/i, 'size'],
];

/** A key of a design as a builder reads it: `motor.bandWidth` → "band width", a measured value by its name. */
export function describeKey(path: string): string {
  const [first, key = ''] = path.split('.');
  if (first === 'measured' && Object.hasOwn(VALUE_NAMES, key)) return VALUE_NAMES[key as ValueKey];
  return path
    .replace('motor.', '')
    .replace(/([A-Z])/g, ' $1')
    .toLowerCase();
}

/** What is wrong with a key of a design, its bound in the builder's units: `must be at least 24 g, what …`. */
export function describeFault(fault: Fault, format: (value: number, quantity: Quantity) => string): string {
  const quantity = QUANTITIES.find(([key]) => key.test(fault.path))?.[1];
  return describeProblem(fault, quantity && ((value) => format(value, quantity)), describeKey);
}
