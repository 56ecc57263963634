import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Skeleton from '@mui/material/Skeleton';
import Typography from '@mui/material/Typography';
import { useRef } from 'react';
import { problemLine, useListCarsQuery } from '../../app/api.ts';
import { Message } from '../../app/error-screen.tsx';
import { UnitSwitch } from '../../ui/unit-switch.tsx';
import { CarCard } from './car-card.tsx';
import { NewCarButton } from './new-car-button.tsx';
import { useCars } from './use-cars.ts';

const grid = { display: 'grid', gap: 6, gridTemplateColumns: 'repeat(auto-fill, minmax(300px, 1fr))' } as const;

/** All cars, each drawn from its own sizes. */
export function GaragePage() {
  const { data: cars, error, refetch } = useListCarsQuery();
  const { addNew, duplicate, openFile, remove } = useCars();
  const fileInput = useRef<HTMLInputElement>(null);
  const newCarButton = <NewCarButton onChoose={(kind) => void addNew(kind)} />;
  return (
    <Box sx={{ p: { xs: 4, md: 8 } }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 3, alignItems: 'center', mb: 6 }}>
        <Typography variant="h1" sx={{ mr: 'auto' }}>
          Garage
        </Typography>
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
      </Box>
      {cars ? (
        cars.length > 0 ? (
          <Box component="ul" sx={{ ...grid, p: 0, m: 0, listStyle: 'none' }}>
            {cars.map((car) => (
              <CarCard key={car.id} car={car} onDuplicate={() => void duplicate(car)} onRemove={() => void remove(car)} />
            ))}
          </Box>
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
        <Box sx={grid} aria-busy aria-label="Reading the cars">
          <Skeleton variant="rounded" height={292} />
          <Skeleton variant="rounded" height={292} />
        </Box>
      )}
    </Box>
  );
}
