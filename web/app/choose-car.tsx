import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useLocation } from 'react-router';
import type { CrewChoice } from '../../core/schema/sharing.ts';
import plain from '../ui/plain.module.css';
import { useListCarsQuery } from './api/cars-api.ts';
import { useListEntriesQuery } from './api/meets-api.ts';
import { problemLine } from './api/problem.ts';
import { useChooseCarMutation } from './api/sharing-api.ts';

interface Choosable {
  readonly name: string;
  readonly choice: CrewChoice;
}

/** A crew's phone says once which car it is for: an entry of the meet that it came to, or a car of the Garage. */
export default function ChooseCar() {
  const { pathname } = useLocation();
  const meet = /^\/meets\/([^/]+)/.exec(pathname)?.[1];
  const { data: cars } = useListCarsQuery(undefined, { skip: meet !== undefined });
  const { data: entries } = useListEntriesQuery(meet ?? '', { skip: meet === undefined });
  const [choose, { error, isLoading }] = useChooseCarMutation();
  const choosable: readonly Choosable[] = meet
    ? (entries?.readable ?? []).map(({ id, entry: { entry } }) => ({ name: `${entry.car}, ${entry.crew}`, choice: { meet, entry: id } }))
    : (cars?.readable ?? []).map(({ id, design }) => ({ name: design.name, choice: { carId: id } }));
  const [chosen, setChosen] = useState<string | null>(null);
  const found = choosable.find(({ name }) => name === chosen);
  return (
    <form
      style={{ padding: 24, display: 'grid', gap: 16, maxWidth: 420 }}
      onSubmit={(event) => {
        event.preventDefault();
        if (found) void choose(found.choice);
      }}
    >
      <Typography variant="h1">Which car is this phone for?</Typography>
      <Typography>The phone logs runs of that car only. To choose another car later, join again with the crew’s code.</Typography>
      {choosable.length === 0 && <p className={plain.text}>There is no car yet. Ask whoever runs the program to add yours.</p>}
      <div role="radiogroup" aria-label="Car of this phone" style={{ display: 'grid', gap: 8 }}>
        {choosable.map(({ name }) => (
          <label key={name} className={plain.text} style={{ minHeight: 44, display: 'flex', alignItems: 'center', gap: 12 }}>
            <input type="radio" name="car" checked={name === chosen} onChange={() => setChosen(name)} style={{ width: 22, height: 22 }} />
            {name}
          </label>
        ))}
      </div>
      {error && <Typography role="alert">✕ {problemLine(error)}</Typography>}
      <Button type="submit" variant="contained" disabled={isLoading || !found} sx={{ minHeight: 52 }}>
        Use this car
      </Button>
    </form>
  );
}
