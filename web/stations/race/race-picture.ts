import type { Racer } from '../../../core/explore/race.ts';

/** What every picture of a race is of. */
export interface RacePictureProps {
  readonly racers: readonly Racer[];
  /** s, when the last stands, and now. */
  readonly end: number;
  readonly time: number;
  /** px across. */
  readonly width: number;
}

/** Each car’s line by its dashes, in the graph and from above. */
export const DASHES = ['', '8 4', '2 4', '12 4 2 4', '4 2', '16 6'] as const;
