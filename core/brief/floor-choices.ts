import type { Floor } from '../car/car-design.ts';
import { FLOORS } from '../car/catalogue.ts';
import type { Brief } from './brief.ts';

/** A floor that a car may be run on. */
export interface FloorChoice {
  readonly key: string;
  readonly label: string;
  readonly floor: Floor;
}

/** The floors that a day may have: those of a brief by their names, and every kind, as long and as level as the car’s own and the same all along. */
export const floorChoices = (own: Floor, brief: Pick<Brief, 'floors'> | null): readonly FloorChoice[] => [
  ...(brief?.floors ?? []).map(({ name, floor }) => ({ key: `brief ${name}`, label: name, floor })),
  ...(Object.keys(FLOORS) as Floor['kind'][]).map((kind) => ({
    key: kind,
    label: FLOORS[kind].label,
    floor: { ...own, kind, stretches: [], edges: [] },
  })),
];
