import type { CarDesign } from './car-design.ts';

/** How true a car is built, once that is known. */
export type KnownCare = Exclude<CarDesign['care'], 'not-known'>;

/** One answer to the flick test: how long a flicked drive wheel turns on, and the care of building that it tells. */
export interface FlickAnswer {
  readonly care: KnownCare;
  readonly label: string;
}

/**
 * The flick test: lift the car, unwound, and flick a drive wheel as fast as a finger can. How long it turns on tells whether hubs, spacers and
 * bearings rub. Source: common practice, from memory; the seconds are our estimate.
 */
export const FLICK_TEST: readonly FlickAnswer[] = [
  { care: 'rough', label: 'Less than 2 seconds, or it scrapes' },
  { care: 'ordinary', label: '2 to 5 seconds' },
  { care: 'careful', label: 'More than 5 seconds, silently' },
];

/** What makes a car of more care: in the order of the hand. */
export const FREEING = 'Free the bearings, square the axles';

/** Degrees of care, the least first. */
const DEGREES = FLICK_TEST.map(({ care }) => care);
/** The degrees of care above that of a car; of one that is not known, the most. */
export const moreCare = ({ care }: CarDesign): readonly KnownCare[] =>
  care === 'not-known' ? DEGREES.slice(-1) : DEGREES.slice(DEGREES.indexOf(care) + 1);

/** Whether a flick test would tell more of a car: a roller has no hubs, and a rub that was measured is known. */
export const asksForFlickTest = ({ care, otherWheels, measured }: CarDesign): boolean =>
  care === 'not-known' && otherWheels !== null && measured.rub === undefined;
