import Button from '@mui/material/Button';
import { useState } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { Entry } from '../../../core/meet/meet.ts';
import { newEntry } from '../../../core/meet/new-meet.ts';
import { shuffled } from '../../../core/numerics/shuffled.ts';
import { predictRun } from '../../../core/predict/predict-run.ts';
import { faultLine } from '../../../core/fault-words.ts';
import { useListCarsQuery } from '../../app/api.ts';
import { newId } from '../../app/new-id.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { ChoiceSelect } from '../../asked/choice-select.tsx';
import { FileButton } from '../../ui/file-button.tsx';
import plain from '../../ui/plain.module.css';
import { TextEntry } from '../../ui/text-entry.tsx';
import { EntryCard } from './entry-card.tsx';
import styles from './meet.module.css';
import type { OpenMeet } from './use-meet.ts';

/** What a car expects to come by its design, as near as that is known. */
function expectedOf(design: CarDesign): Pick<Entry, 'predicted'> {
  const prediction = predictRun(design);
  return prediction.kind === 'ran' ? { predicted: Number(prediction.result.distance.toPrecision(2)) } : {};
}

/** Crews and their cars, and whether each keeps the rules as it was measured. */
export function EntriesView({ open }: { readonly open: OpenMeet }) {
  const dispatch = useAppDispatch();
  const { data } = useListCarsQuery();
  const [crew, setCrew] = useState('');
  const [car, setCar] = useState('');
  const { change } = open;
  const meet = open.meet!;
  const cars = data?.readable ?? [];
  const add = (entry: Partial<Entry> & Pick<Entry, 'crew' | 'car'>): void =>
    void change((before) => ({
      ...before,
      entries: [...before.entries, newEntry({ id: newId(), ...entry })],
    }));
  const openFile = async (file: File): Promise<void> => {
    const { readCarDesign, readJson } = await import('../../../core/files/read.ts');
    const read = readJson(await file.text(), readCarDesign);
    if (read.kind === 'faulty')
      return void dispatch(toasted(`${file.name} is not a car file: ${faultLine(read.faults[0]!)}`, { tone: 'stop' }));
    add({ crew: crew || 'no crew yet', car: read.value.name, ...expectedOf(read.value) });
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
                add({
                  crew: crew || `crew of ${found.design.name}`,
                  car: found.design.name,
                  carId: id,
                  ...expectedOf(found.design),
                });
                setCrew('');
              }}
            />
          )}
        </div>
        <div className={styles.row}>
          <Button
            variant="contained"
            disabled={crew.trim() === '' || car.trim() === ''}
            onClick={() => {
              add({ crew, car });
              setCrew('');
              setCar('');
            }}
          >
            Enter it
          </Button>
          <FileButton label="Car file to enter" accept=".json,application/json" onFile={(file) => void openFile(file)}>
            Enter a car file
          </FileButton>
          <Button onClick={() => void change((before) => ({ ...before, seed: Math.floor(Math.random() * 1_000_000) }))}>
            Draw the order anew
          </Button>
        </div>
        <p className={`${plain.caption} ${plain.muted}`}>
          A crew’s name is enough: no names of persons. Drawn by the number {meet.seed}:{' '}
          {shuffled(
            meet.entries.filter(({ isOut }) => !isOut),
            meet.seed,
          )
            .map((entry) => entry.car)
            .join(', ') || 'nobody yet'}
          .
        </p>
      </section>
      <div className={styles.cards}>
        {meet.entries.map((entry) => (
          <EntryCard
            key={entry.id}
            meet={meet}
            entry={entry}
            design={cars.find(({ id }) => id === entry.carId)?.design ?? null}
            onChange={(made) =>
              void change((before) => ({ ...before, entries: before.entries.map((one) => (one.id === entry.id ? made(one) : one)) }))
            }
          />
        ))}
      </div>
    </div>
  );
}
