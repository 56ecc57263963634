import type { CarGroup } from '../../core/car/car-groups.ts';

/** Marks what is drawn with what of the car it belongs to. */
export const ofGroup = (group: CarGroup) => ({ 'data-of': group });

/** What of the car a thing on the drawing belongs to; undefined for none. */
export const groupOf = (thing: Element): CarGroup | undefined => thing.closest<SVGElement>('[data-of]')?.dataset.of as CarGroup | undefined;
