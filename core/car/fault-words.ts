import { limitWords, type Fault } from '../fault.ts';
import type { Quantity } from '../units/quantity.ts';

/** What the keys of a design are measured in, where their faults have a bound. */
const QUANTITIES: readonly (readonly [key: RegExp, quantity: Quantity])[] = [
  [/mass$/i, 'weight'],
  [/(turns|parallel|series|stretch)$/i, 'count'],
  [/(angle|toe|slope)$/i, 'angle'],
  [/share$/i, 'share'],
  [/(roomLength|laneWidth|aim\.distance)$/, 'distance'],
  [/(diameter|width|length|position|axle|base|gap|radius|anchor\w*|hookToHook|limits\.\w+|sleeve|band)$/i, 'size'],
];

/** What is wrong with a key of a design, its bound in the builder's units: `must be at least 24 g, what …`. */
export function faultWords({ path, message, limit }: Fault, print: (value: number, quantity: Quantity) => string): string {
  const quantity = limit && QUANTITIES.find(([key]) => key.test(path))?.[1];
  return quantity ? limitWords(limit, (value) => print(value, quantity)) : message;
}
