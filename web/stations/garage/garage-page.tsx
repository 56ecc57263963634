import Button from '@mui/material/Button';
import { startTransition, Suspense, useRef, useState } from 'react';
import { problemLine, useListCarsQuery } from '../../app/api.ts';
import { Message } from '../../app/error-screen.tsx';
import { useOpening } from '../../app/use-opening.ts';
import { later } from '../../ui/later.ts';
import { UnitSwitch } from '../../app/unit-switch.tsx';
import { CarCard } from './car-card.tsx';
import styles from './garage.module.css';
import { NewCarButton } from './new-car-button.tsx';
import { UnreadableCard } from './unreadable-card.tsx';
import { useCars } from '../../app/use-cars.ts';

const RemovedDrawer = later(() => import('./removed-drawer.tsx'));

/** All cars, each drawn from its own sizes. */
export function GaragePage() {
  const { data: cars, error, refetch } = useListCarsQuery();
  const { addNew, duplicate, remove } = useCars();
  const { openFile } = useOpening();
  const [isListing, setListing] = useState(false);
  const fileInput = useRef<HTMLInputElement>(null);
  const newCarButton = <NewCarButton onChoose={(kind) => void addNew(kind)} />;
  return (
    <div className={styles.station}>
      <header className={styles.head}>
        <h1>Garage</h1>
        <UnitSwitch />
        <Button aria-haspopup="dialog" onClick={() => startTransition(() => setListing(true))}>
          Removed
        </Button>
        <Button component="a" href="/api/archive" download>
          Save everything
        </Button>
        <Button variant="outlined" onClick={() => fileInput.current?.click()}>
          Open a file
        </Button>
        <input
          ref={fileInput}
          type="file"
          accept=".json,application/json,.zip,application/zip"
          hidden
          aria-label="Car file or archive"
          onChange={({ target }) => {
            const file = target.files?.[0];
            if (file) openFile(file);
            target.value = '';
          }}
        />
        {newCarButton}
      </header>
      {cars ? (
        cars.readable.length + cars.unreadable.length > 0 ? (
          <ul className={styles.cars}>
            {cars.readable.map((car) => (
              <CarCard
                key={car.id}
                car={car}
                onDuplicate={() => void duplicate(car)}
                onRemove={() => void remove(car.id, car.design.name)}
              />
            ))}
            {cars.unreadable.map((car) => (
              <UnreadableCard key={car.id} car={car} onRemove={() => void remove(car.id, 'A car that cannot be read')} />
            ))}
          </ul>
        ) : (
          <Message
            title="No car yet"
            text="A new car already runs, with a snap trap, with bands or as a roller. Change its sizes to yours and see how far it goes."
            action={newCarButton}
          />
        )
      ) : error ? (
        <Message
          title="The cars cannot be read"
          text={problemLine(error)}
          action={
            <Button variant="outlined" onClick={() => void refetch()}>
              Try again
            </Button>
          }
        />
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
