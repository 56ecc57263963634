import { useEffect, useMemo, useState } from 'react';
import type { Brief } from '../../core/brief/brief.ts';
import type { CarOfBrief, PointsToGain } from '../../core/meet/brief-forecast.ts';
import type { EveningForecast } from '../../core/meet/evening.ts';
import type { StoredCar } from '../../core/schema/stored.ts';
import { comparedRunsOf } from '../app/all-runs.ts';
import { useAppDispatch, type AppDispatch } from '../app/store.ts';
import { runTask } from '../workers/explore.ts';

/** Cars of a brief at most of which an evening is forecast here: a larger field is one of a meet. */
export const MOST_CARS = 12;

/** ms after which the forecast is begun: every fit takes a moment of the machine. */
const LATER = 2500;

/** Cars with their own runs, as the field of a brief. */
export const withRuns = (dispatch: AppDispatch, cars: readonly StoredCar[]): Promise<readonly CarOfBrief[]> =>
  Promise.all(cars.map(async ({ id, design }) => ({ id, name: design.name, design, runs: await comparedRunsOf(dispatch, id) })));

/** How an evening by a brief may end, and what would bring each car the most points. */
export interface BriefForecast {
  readonly forecast: EveningForecast;
  /** By car; those that are not worked out yet are missing. */
  readonly toGain: ReadonlyMap<string, PointsToGain | null>;
}

interface Shared {
  readonly key: string;
  readonly field: Promise<readonly CarOfBrief[]>;
  readonly forecast: Promise<EveningForecast>;
}
/** One forecast serves every card of a Garage. */
const shared = new WeakMap<Brief, Shared>();

function sharedForecast(dispatch: AppDispatch, brief: Brief, cars: readonly StoredCar[], key: string): Shared {
  const present = shared.get(brief);
  if (present?.key === key) return present;
  const field = withRuns(dispatch, cars);
  const forecast = field.then((known) => runTask('field', (work) => work.forecastOfBrief(brief, known)));
  const made = { key, field, forecast };
  shared.set(brief, made);
  // One that failed is asked for again.
  forecast.catch(() => shared.delete(brief));
  return made;
}

/**
 * The forecast of a brief for the cars that work to it, worked out beside the page; null until it is known, and for less than two cars.
 * @param wantsGains whether it is worked out too what would bring each car most
 */
export function useBriefForecast(brief: Brief, cars: readonly StoredCar[], wantsGains = true): BriefForecast | null {
  const dispatch = useAppDispatch();
  const [known, setKnown] = useState<(BriefForecast & { readonly brief: Brief; readonly key: string }) | null>(null);
  const key = useMemo(() => JSON.stringify(cars.map(({ id, version }) => [id, version])), [cars]);
  useEffect(() => {
    if (cars.length < 2 || cars.length > MOST_CARS) return;
    let isLeft = false;
    const work = async (): Promise<void> => {
      const asked = sharedForecast(dispatch, brief, cars, key);
      const [field, forecast] = await Promise.all([asked.field, asked.forecast]);
      const toGain = new Map<string, PointsToGain | null>();
      const tell = (): void => {
        if (!isLeft) setKnown({ brief, key, forecast, toGain: new Map(toGain) });
      };
      tell();
      for (const { id } of wantsGains ? field : []) {
        if (isLeft) return;
        toGain.set(id, await runTask('field', (errand) => errand.pointsToGain(brief, field, id, forecast)));
        tell();
      }
    };
    // Whatever else the page does at first comes first.
    const timer = setTimeout(() => void work().catch((reason: unknown) => console.error(reason)), LATER);
    return () => {
      isLeft = true;
      clearTimeout(timer);
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the cars are known by their versions
  }, [dispatch, brief, key, wantsGains]);
  return known && known.brief === brief && known.key === key ? known : null;
}
