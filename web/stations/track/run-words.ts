import type { Outcome, Wind } from '../../../core/car/car-design.ts';
import { printNumber, printQuantity, type UnitSystem } from '../../../core/units/quantity.ts';
import type { SeenThing } from './track-slice.ts';

export const SEEN_WORDS: Readonly<Record<SeenThing, string>> = {
  spun: 'wheels spun',
  rubbed: 'something rubbed',
  'drifted-left': 'drifted left',
  'drifted-right': 'drifted right',
  'string-stayed': 'string or band stayed on',
  broke: 'something broke',
};

export const windWords = (wind: Wind): string =>
  wind.kind === 'full' ? 'fully wound' : `${printNumber(wind.turns, 'count', 'metric')} turns`;

/** A run that hit the wall is "at least", never "equal". */
export const outcomeWords = ({ kind, distance }: Outcome, units: UnitSystem): string =>
  `${kind === 'hit-wall' ? 'at least ' : ''}${printQuantity(distance, 'distance', units)}`;
