import { useEffect, useMemo, useState } from 'react';
import { aimsAtAll, roundOf } from '../../core/brief/brief.ts';
import type { CarDesign } from '../../core/car/car-design.ts';
import { aimedAt, type Field } from '../../core/meet/field.ts';
import type { StoredBrief, StoredCar } from '../../core/schema/stored.ts';
import { useListCarsQuery } from '../app/api/cars-api.ts';
import { useAppDispatch, type AppDispatch } from '../app/store.ts';
import { runTask } from '../workers/explore.ts';
import { briefOf, useBriefs } from './design-with-brief.ts';
import { withRuns } from './use-brief-forecast.ts';

/** ms after which the runs of the others are read again. */
const FRESH = 300_000;

/** ms after which a field is begun. */
const LATER = 600;

/** The field that was asked for last for each car, and of what: one serves every station of a car. */
const latest = new Map<string, { readonly key: string; readonly at: number; readonly field: Promise<Field> }>();

const freshField = (carId: string, key: string): Promise<Field> | null => {
  const present = latest.get(carId);
  return present?.key === key && Date.now() - present.at < FRESH ? present.field : null;
};

const askField = async (dispatch: AppDispatch, design: CarDesign, { brief }: StoredBrief, rivals: readonly StoredCar[]): Promise<Field> => {
  const others = await withRuns(dispatch, rivals);
  return runTask('field', (work) => work.fieldOf(design, brief, others));
};

/** What a car is ranked by, beside its own design. */
export interface AimOfCar {
  /** The design with all rounds of its brief as the aim, where it is judged by all and the field is known; else the design. */
  readonly aimed: CarDesign;
  /** Against whom; null where one round is the aim, or the field is not known yet. */
  readonly field: Field | null;
  /** Whether all rounds are the aim. */
  readonly isOfAll: boolean;
}

/**
 * A car’s aim: the round that is shown, or all rounds of its brief against the other cars that work to it, which are looked up beside the page.
 * @param isWanted whether the field is looked up
 */
export function useAim(carId: string, design: CarDesign, isWanted = true): AimOfCar {
  const dispatch = useAppDispatch();
  const stored = briefOf(design, useBriefs());
  const { data: cars } = useListCarsQuery();
  const wantsAll = stored !== null && aimsAtAll(design, stored.brief);
  const briefId = wantsAll ? stored.id : null;
  const rivals = briefId && cars ? cars.readable.filter((car) => car.id !== carId && car.design.brief?.id === briefId) : null;
  const key = rivals && stored && JSON.stringify([carId, stored.id, stored.version, rivals.map(({ id, version }) => [id, version])]);
  const [known, setKnown] = useState<{ readonly key: string; readonly field: Field | null } | null>(null);
  useEffect(() => {
    if (!isWanted || !key || !rivals || !stored) return;
    let isLeft = false;
    // The page stands first: every fit of a rival takes a moment of the machine.
    const timer = setTimeout(
      () => {
        const asked = freshField(carId, key) ?? askField(dispatch, design, stored, rivals);
        if (latest.get(carId)?.field !== asked) latest.set(carId, { key, at: Date.now(), field: asked });
        asked.then(
          (field) => !isLeft && setKnown({ key, field }),
          () => {
            latest.delete(carId);
            if (!isLeft) setKnown({ key, field: null });
          },
        );
      },
      freshField(carId, key) ? 0 : LATER,
    );
    return () => {
      isLeft = true;
      clearTimeout(timer);
    };
    // The car itself is no rival: its own changes ask for no other field.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, dispatch, isWanted]);
  const isKnown = known !== null && known.key === key;
  // A field that could not be worked out leaves the round that is shown.
  const isOfAll = wantsAll && !(isKnown && known.field === null);
  const field = isOfAll && isKnown ? known.field : null;
  const aimed = useMemo(
    () =>
      field && stored ? aimedAt(design, { ...field.contest, shown: stored.brief.rounds.indexOf(roundOf(design, stored.brief)) }) : design,
    [design, field, stored],
  );
  return { aimed, field, isOfAll };
}
