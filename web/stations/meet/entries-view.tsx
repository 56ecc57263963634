import Button from '@mui/material/Button';
import { useState } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { Entry } from '../../../core/meet/meet.ts';
import { runningOrder } from '../../../core/meet/order.ts';
import { predictRun } from '../../../core/predict/predict-run.ts';
import { formatFault } from '../../../core/fault-words.ts';
import { useListCarsQuery } from '../../app/api/cars-api.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { ChoiceSelect } from '../../brief-fields/choice-select.tsx';
import { FileButton } from '../../ui/file-button.tsx';
import plain from '../../ui/plain.module.css';
import { TextEntry } from '../../ui/text-entry.tsx';
import { SideDrawer } from '../../ui/side-drawer.tsx';
import { EntriesTable } from './entries-table.tsx';
import { EntryCard } from './entry-card.tsx';
import styles from './meet.module.css';
import type { OpenMeet } from './use-meet.ts';

/** What a car expects to come by its design, as near as that is known. */
function expectedOf(design: CarDesign): Pick<Entry, 'predicted'> {
  const prediction = predictRun(design);
  return prediction.kind === 'ran' ? { predicted: Number(prediction.result.distance.toPrecision(2)) } : {};
}

/** Crews and their cars, and whether each keeps the rules as it was measured. */
export function EntriesView({ open, isHost }: { readonly open: OpenMeet; readonly isHost: boolean }) {
  const dispatch = useAppDispatch();
  const { data } = useListCarsQuery();
  const [crew, setCrew] = useState('');
  const [car, setCar] = useState('');
  const [isEntering, setEntering] = useState(false);
  const { change, changeEntry } = open;
  const meet = open.meet!;
  const hasBegun = open.results.length > 0;
  const cars = data?.readable ?? [];
  const [opened, setOpened] = useState<string | null>(null);
  const at = meet.entries.findIndex(({ id }) => id === opened);
  const [entry, following] = at === -1 ? [] : meet.entries.slice(at, at + 2);
  const designOf = ({ carId }: Entry): CarDesign | null => cars.find(({ id }) => id === carId)?.design ?? null;
  /** Enters a car; what was typed stands until that is saved. */
  const add = async (entry: Partial<Entry> & Pick<Entry, 'crew' | 'car'>): Promise<void> => {
    setEntering(true);
    const isEntered = await open.enter(entry);
    setEntering(false);
    if (!isEntered) return;
    // Whoever typed on meanwhile keeps that.
    setCrew((now) => (now === crew ? '' : now));
    setCar((now) => (now === car ? '' : now));
  };
  const openFile = async (file: File): Promise<void> => {
    const { readCarDesign, readJson } = await import('../../../core/files/read.ts');
    const read = readJson(await file.text(), readCarDesign);
    if (read.kind === 'faulty')
      return void dispatch(toasted(`${file.name} is not a car file: ${formatFault(read.faults[0]!)}`, { tone: 'stop' }));
    await add({ crew: crew || 'no crew yet', car: read.value.name, ...expectedOf(read.value) });
  };
  return (
    <div className={styles.view}>
      <section aria-labelledby="enter-title" className={styles.card}>
        <h2 id="enter-title" className={plain.heading}>
          Enter a car
        </h2>
        <div className={styles.fields}>
          <TextEntry label="Crew" value={crew} maxLength={80} onChange={setCrew} />
          <TextEntry label="Its car" value={car} maxLength={80} onChange={setCar} />
          {cars.length > 0 && (
            <ChoiceSelect
              label="Or from the Garage"
              value=""
              options={{ '': 'choose a car', ...Object.fromEntries(cars.map(({ id, design }) => [id, design.name])) }}
              onChange={(id) => {
                const found = cars.find((one) => one.id === id);
                if (!found) return;
                void add({
                  crew: crew || `crew of ${found.design.name}`,
                  car: found.design.name,
                  carId: id,
                  ...expectedOf(found.design),
                });
              }}
            />
          )}
        </div>
        <div className={styles.row}>
          <Button
            variant="contained"
            disabled={isEntering || crew.trim() === '' || car.trim() === ''}
            onClick={() => void add({ crew, car })}
          >
            Enter the car
          </Button>
          <FileButton label="Car file to enter" accept=".json,application/json" onFile={(file) => void openFile(file)}>
            Enter a car file
          </FileButton>
          {isHost && !hasBegun && (
            <Button onClick={() => void change((before) => ({ ...before, seed: Math.floor(Math.random() * 1_000_000) }))}>
              Draw a new order
            </Button>
          )}
        </div>
        <p className={`${plain.caption} ${plain.muted}`}>
          A crew’s name is enough; names of persons are not needed. Random seed {meet.seed}:{' '}
          {runningOrder(meet)
            .filter(({ isOut }) => !isOut)
            .map((entry) => entry.car)
            .join(', ') || 'no entries yet'}
          .{hasBegun && ' The meet has begun. The order is fixed, and late entries run last.'}
        </p>
      </section>
      {meet.entries.length > 0 && <EntriesTable meet={meet} designOf={designOf} onOpen={setOpened} />}
      {entry && (
        <SideDrawer title={entry.car} onClose={() => setOpened(null)}>
          <EntryCard
            key={entry.id}
            meet={meet}
            hasBegun={hasBegun}
            entry={entry}
            design={designOf(entry)}
            onChange={(change) => void changeEntry(entry.id, change)}
          />
          {following && (
            <Button variant="outlined" onClick={() => setOpened(following.id)}>
              Next car: {following.car}
            </Button>
          )}
        </SideDrawer>
      )}
    </div>
  );
}
