import Button from '@mui/material/Button';
import { useRef } from 'react';
import { problemLine, useListCarsQuery } from '../../app/api.ts';
import { Message } from '../../app/error-screen.tsx';
import { UnitSwitch } from '../../ui/unit-switch.tsx';
import { CarCard } from './car-card.tsx';
import styles from './garage.module.css';
import { NewCarButton } from './new-car-button.tsx';
import { useCars } from './use-cars.ts';

/** All cars, each drawn from its own sizes. */
export function GaragePage() {
  const { data: cars, error, refetch } = useListCarsQuery();
  const { addNew, duplicate, openFile, remove } = useCars();
  const fileInput = useRef<HTMLInputElement>(null);
  const newCarButton = <NewCarButton onChoose={(kind) => void addNew(kind)} />;
  return (
    <div className={styles.station}>
      <header className={styles.head}>
        <h1>Garage</h1>
        <UnitSwitch />
        <Button variant="outlined" onClick={() => fileInput.current?.click()}>
          Open car file
        </Button>
        <input
          ref={fileInput}
          type="file"
          accept=".json,application/json"
          hidden
          aria-label="Car file"
          onChange={({ target }) => {
            const file = target.files?.[0];
            if (file) void openFile(file);
            target.value = '';
          }}
        />
        {newCarButton}
      </header>
      {cars ? (
        cars.length > 0 ? (
          <ul className={styles.cars}>
            {cars.map((car) => (
              <CarCard key={car.id} car={car} onDuplicate={() => void duplicate(car)} onRemove={() => void remove(car)} />
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
    </div>
  );
}
