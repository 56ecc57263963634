import { startTransition, Suspense, useMemo, useState } from 'react';
import { useListCarsQuery } from '../../app/api/cars-api.ts';
import { ReadFailure } from '../../app/read-failure.tsx';
import { useOpening } from '../../app/use-opening.ts';
import { lazyWithPreload } from '../../ui/lazy-with-preload.ts';
import { UnitSwitch } from '../../app/unit-switch.tsx';
import { CarCard } from './car-card.tsx';
import { GarageActions } from './garage-actions.tsx';
import styles from './garage.module.css';
import { NewCarButton } from './new-car-button.tsx';
import { UnreadableCard } from './unreadable-card.tsx';
import { briefOf, useBriefs } from '../../open-car/design-with-brief.ts';
import { useBriefScores, type ScoredCar } from '../../open-car/use-brief-scores.ts';
import { useCars } from '../../app/use-cars.ts';
import { useOrderedCars } from './use-ordered-cars.ts';

const FirstMinute = lazyWithPreload(() => import('./first-minute.tsx'));
const RemovedDrawer = lazyWithPreload(() => import('./removed-drawer.tsx'));

/** Cards that are drawn at once; further ones when they come into view. */
const FIRST_CARDS = 9;

/** All cars, each drawn from its own sizes. */
export function GaragePage() {
  const { data: cars, error, refetch } = useListCarsQuery();
  const { addNew, duplicate, remove } = useCars();
  const { openFile } = useOpening();
  const [isListing, setListing] = useState(false);
  const briefs = useBriefs();
  const contenders = useMemo(
    () =>
      (cars?.readable ?? []).flatMap(({ id, design }): ScoredCar[] => {
        const worksTo = briefOf(design, briefs);
        return worksTo ? [{ id, design, brief: worksTo.brief }] : [];
      }),
    [cars, briefs],
  );
  const standings = useBriefScores(contenders);
  const ordered = useOrderedCars(cars?.readable, briefs);
  const newCarButton = <NewCarButton onChoose={(kind) => void addNew(kind)} />;
  return (
    <div className={styles.station}>
      <header className={styles.head}>
        <h1>Garage</h1>
        <UnitSwitch />
        <GarageActions onFile={openFile} onRemoved={() => startTransition(() => setListing(true))} />
        {newCarButton}
      </header>
      {cars && ordered ? (
        cars.readable.length + cars.unreadable.length > 0 ? (
          <ul className={styles.cars}>
            {ordered.map((car, i) => (
              <CarCard
                key={car.id}
                isFirst={i < FIRST_CARDS}
                car={car}
                rounds={standings.get(car.id) ?? null}
                onDuplicate={() => void duplicate(car)}
                onRemove={() => void remove(car.id, car.design.name)}
              />
            ))}
            {cars.unreadable.map((car) => (
              <UnreadableCard key={car.id} car={car} onRemove={() => void remove(car.id, 'A car that cannot be read')} />
            ))}
          </ul>
        ) : (
          <Suspense fallback={null}>
            <FirstMinute skip={<NewCarButton label="Skip: a plain car" onChoose={(kind) => void addNew(kind)} />} />
          </Suspense>
        )
      ) : error ? (
        <ReadFailure title="The cars cannot be read" error={error} onAgain={() => void refetch()} />
      ) : (
        <div className={styles.cars} aria-busy aria-label="Reading the cars" role="status">
          <div className={styles.awaited} />
          <div className={styles.awaited} />
        </div>
      )}
      {isListing && (
        <Suspense fallback={null}>
          <RemovedDrawer onClose={() => setListing(false)} />
        </Suspense>
      )}
    </div>
  );
}
