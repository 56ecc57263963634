import { expose } from 'comlink';
import { assess } from '../../core/explore/assess.ts';
import { findBestCar, type SearchOptions } from '../../core/explore/best-car.ts';
import { mapRows } from '../../core/explore/map.ts';
import { sizesThatMatter, valuesThatMatter } from '../../core/explore/sensitivity.ts';
import { boundedSweep, evenly } from '../../core/explore/sweep.ts';
import { bestWinding } from '../../core/explore/winding-profile.ts';
import { newCar, type CarDesign } from '../../core/design/car-design.ts';

const REHEARSED = { id: 'driveWheels', values: evenly(0.03, 0.2, 12) };
const REHEARSED_UP = { id: 'mass', values: evenly(0.03, 0.3, 8) };

const work = {
  assess,
  mapRows,
  boundedSweep,
  /** Runs some cars of each kind for nothing: code that has run is fast. */
  rehearse: (): void => {
    for (const kind of ['lever', 'band', 'twist'] as const)
      mapRows({ design: newCar('rehearsal', kind), across: REHEARSED, up: REHEARSED_UP }, 0, REHEARSED_UP.values.length);
  },
  influences: (design: CarDesign) => ({ sizes: sizesThatMatter(design), values: valuesThatMatter(design) }),
  bestWinding: (design: CarDesign, onProgress: (share: number) => void) =>
    bestWinding(design, (share) => {
      onProgress(share);
      return true;
    }),
  bestCar: (design: CarDesign, options: Pick<SearchOptions, 'own' | 'onlyOwn'>, onProgress: (share: number) => void) =>
    findBestCar(design, {
      ...options,
      onProgress: (share) => {
        onProgress(share);
        return true;
      },
    }),
};

export type ExploreWork = typeof work;
expose(work);
