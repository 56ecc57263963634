import { expose } from 'comlink';
import { assess } from '../../core/explore/assess.ts';
import { findBestCar, type SearchOptions } from '../../core/explore/best-car.ts';
import { mapRows } from '../../core/explore/map.ts';
import { sizesThatMatter, valuesThatMatter } from '../../core/explore/sensitivity.ts';
import { boundedSweep } from '../../core/explore/sweep.ts';
import { bestWinding } from '../../core/explore/winding-profile.ts';
import type { CarDesign } from '../../core/design/car-design.ts';

const work = {
  assess,
  mapRows,
  boundedSweep,
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
