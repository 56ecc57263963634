import type { CarDesign } from '../car/car-design.ts';
import { isRoller, recordOf } from '../car/motors/motors.ts';
import { measuresOf } from '../geometry/measures.ts';
import type { Print, Quantity } from '../units/quantity.ts';
import type { Rules } from './brief.ts';

/** A rule against a car: broken, kept by less than a thirtieth of its limit, or met. */
export interface JudgedRule {
  readonly name: string;
  readonly verdict: 'met' | 'close' | 'broken';
  /** The car's number and the rule's. */
  readonly words: string;
}

/** Share of a limit within which a car may be over it once it is built and measured. Our estimate. */
const CLOSE = 1 / 30;

const atMost = (name: string, value: number, limit: number | null, words: (value: number) => string): JudgedRule[] =>
  limit === null
    ? []
    : [
        {
          name,
          verdict: value > limit * (1 + 1e-9) ? 'broken' : value > limit * (1 - CLOSE) && !Number.isInteger(limit) ? 'close' : 'met',
          words: `${words(value)} of ${words(limit)} allowed`,
        },
      ];

const wheelsOf = (design: CarDesign): number => (isRoller(design) ? 1 : 2 + (design.otherWheels ? design.layout.otherWheelCount : 0));

/** Every rule that a design can keep or break; what is settled by hand, as parts, cost and time, is told by the rule sheet. */
export function judgeRules(design: CarDesign, rules: Rules, print: Print): JudgedRule[] {
  const measures = measuresOf(design);
  const size = (key: 'length' | 'width' | 'height' | 'mass', quantity: Quantity): JudgedRule[] =>
    atMost(key === 'mass' ? 'weight' : key, measures[key], rules[key], (value) => print(value, quantity));
  const wheels = wheelsOf(design);
  return [
    ...(rules.drives.length === 0
      ? []
      : [
          {
            name: 'drive',
            verdict: rules.drives.includes(design.motor.kind) ? ('met' as const) : ('broken' as const),
            words: `${recordOf(design.motor).name} is ${rules.drives.includes(design.motor.kind) ? '' : 'not '}allowed`,
          },
        ]),
    ...atMost('bands', measures.bands, rules.bands, String),
    ...size('length', 'size'),
    ...size('width', 'size'),
    ...size('height', 'size'),
    ...size('mass', 'weight'),
    ...(rules.wheels
      ? [
          {
            name: 'wheels',
            verdict: wheels < rules.wheels.least || wheels > rules.wheels.most ? ('broken' as const) : ('met' as const),
            words: `${wheels}, from ${rules.wheels.least} to ${rules.wheels.most} allowed`,
          },
        ]
      : []),
  ];
}
