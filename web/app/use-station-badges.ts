import { useEffect, useState } from 'react';
import { limitsOf, designForBrief } from '../../core/brief/brief.ts';
import type { CarDesign } from '../../core/car/car-design.ts';
import { briefOf } from '../open-car/design-with-brief.ts';
import { useListCarsQuery } from './api/cars-api.ts';
import { useListBriefsQuery } from './api/documents-api.ts';

/** What waits at a station of a car, in a few words. */
export interface StationBadges {
  readonly brief?: string;
  readonly design?: string;
  readonly track?: string;
}
const NOTHING: StationBadges = {};

/** What waits for a car as it is stored, worked out when the page is idle. */
export function useStationBadges(carId: string | null): StationBadges {
  const { data: cars } = useListCarsQuery();
  const car = cars?.readable.find(({ id }) => id === carId);
  const { data: briefs } = useListBriefsQuery();
  const brief = car && briefs ? briefOf(car.design, briefs.readable)?.brief : undefined;
  const [known, setKnown] = useState<{ readonly design: CarDesign; readonly waiting: StationBadges } | null>(null);
  useEffect(() => {
    if (!car || !briefs) return;
    let isWanted = true;
    const { design, runCount } = car;
    const work = async (): Promise<void> => {
      const [{ judgeRules }, { prepareRun }] = await Promise.all([
        import('../../core/brief/rules.ts'),
        import('../../core/predict/derive-run-setup.ts'),
      ]);
      const asked = brief ? designForBrief(design, brief) : design;
      const broken = brief && judgeRules(asked, limitsOf(brief.rules)).find(({ verdict }) => verdict === 'broken');
      const waiting: StationBadges = {
        ...(brief ? broken && { brief: 'rule broken' } : { brief: 'none yet' }),
        ...(prepareRun(asked).kind === 'refused' && { design: 'cannot run' }),
        ...(runCount === 0 && { track: 'no run yet' }),
      };
      if (isWanted) setKnown({ design, waiting });
    };
    // Where the program is gone before its parts were fetched, nothing is marked.
    const idle = requestIdleCallback(() => void work().catch(() => {}));
    return () => {
      isWanted = false;
      cancelIdleCallback(idle);
    };
  }, [car, brief, briefs]);
  return known && known.design === car?.design ? known.waiting : NOTHING;
}
