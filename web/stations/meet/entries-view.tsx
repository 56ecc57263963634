import Button from '@mui/material/Button';
import { useState } from 'react';
import { limitsOf } from '../../../core/brief/brief.ts';
import { judgeRules } from '../../../core/brief/rules.ts';
import type { Entry } from '../../../core/meet/meet.ts';
import { newEntry } from '../../../core/meet/new-meet.ts';
import { shuffled } from '../../../core/numerics/shuffled.ts';
import { measuresOf } from '../../../core/geometry/measures.ts';
import { predictRun } from '../../../core/predict/predict-run.ts';
import { faultLine } from '../../../core/fault-words.ts';
import { parseQuantity, printQuantity, type Quantity } from '../../../core/units/quantity.ts';
import { useListCarsQuery } from '../../app/api.ts';
import { newId } from '../../app/new-id.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { ChoiceSelect } from '../../asked/choice-select.tsx';
import { FileButton } from '../../ui/file-button.tsx';
import plain from '../../ui/plain.module.css';
import { TextEntry } from '../../ui/text-entry.tsx';
import { useUnits } from '../../ui/use-units.ts';
import styles from './meet.module.css';
import type { OpenMeet } from './use-meet.ts';

/** What an inspection measures, where a rule asks for it. */
const MEASURED: readonly (readonly [key: keyof Entry['measured'], label: string, quantity: Quantity])[] = [
  ['length', 'length', 'size'],
  ['width', 'width', 'size'],
  ['height', 'height', 'size'],
  ['mass', 'weight', 'weight'],
  ['bands', 'bands', 'count'],
];

/** Crews and their cars, and whether each keeps the rules as it was measured. */
export function EntriesView({ open }: { readonly open: OpenMeet }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const { data } = useListCarsQuery();
  const [crew, setCrew] = useState('');
  const [car, setCar] = useState('');
  const { change } = open;
  const meet = open.meet!;
  const cars = data?.readable ?? [];
  const limits = limitsOf(meet.brief.rules);
  const add = (entry: Partial<Entry> & Pick<Entry, 'crew' | 'car'>): void =>
    void change((before) => ({
      ...before,
      entries: [...before.entries, newEntry({ id: newId(), ...entry })],
    }));
  const alter = (id: string, made: (entry: Entry) => Entry): void =>
    void change((before) => ({ ...before, entries: before.entries.map((entry) => (entry.id === id ? made(entry) : entry)) }));
  const openFile = async (file: File): Promise<void> => {
    const { readCarDesign, readJson } = await import('../../../core/files/read.ts');
    const read = readJson(await file.text(), readCarDesign);
    if (read.kind === 'faulty')
      return void dispatch(toasted(`${file.name} is not a car file: ${faultLine(read.faults[0]!)}`, { tone: 'stop' }));
    const { length, width, height, mass, bands } = measuresOf(read.value);
    add({ crew: crew || 'no crew yet', car: read.value.name, measured: { length, width, height, mass, bands } });
  };
  const asked = MEASURED.filter(([key]) => limits[key] !== null);
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
                const prediction = predictRun(found.design);
                add({
                  crew: crew || `crew of ${found.design.name}`,
                  car: found.design.name,
                  carId: id,
                  ...(prediction.kind === 'ran' && { predicted: Number(prediction.result.distance.toPrecision(2)) }),
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
        {meet.entries.map((entry) => {
          const design = cars.find(({ id }) => id === entry.carId)?.design;
          const drawnRules = design ? judgeRules(design, limits).filter(({ verdict }) => verdict === 'broken') : [];
          const over = asked.filter(([key]) => entry.measured[key] !== null && entry.measured[key] > (limits[key] as number) * (1 + 1e-9));
          return (
            <section key={entry.id} aria-label={`${entry.crew}, ${entry.car}`} className={styles.card}>
              <p className={plain.strong}>
                {entry.car} <span className={plain.muted}>· {entry.crew}</span>
              </p>
              {asked.length > 0 && (
                <div className={styles.fields}>
                  {asked.map(([key, label, quantity]) => (
                    <TextEntry
                      key={key}
                      label={label}
                      named={`${label} of ${entry.car}, measured`}
                      value={entry.measured[key] === null ? '' : printQuantity(entry.measured[key], quantity, units)}
                      check={(typed) => {
                        if (typed === '') return null;
                        const parsed = parseQuantity(typed, quantity, units);
                        return parsed.kind === 'unclear' ? parsed.message : null;
                      }}
                      onChange={(typed) => {
                        const parsed = typed === '' ? null : parseQuantity(typed, quantity, units);
                        alter(entry.id, (before) => ({
                          ...before,
                          measured: { ...before.measured, [key]: parsed?.kind === 'value' ? parsed.value : null },
                        }));
                      }}
                    />
                  ))}
                </div>
              )}
              {over.map(([key, label, quantity]) => (
                <p key={key} className={plain.text}>
                  ✕ {label}: at most {printQuantity(limits[key] as number, quantity, units)} would pass.
                </p>
              ))}
              {drawnRules.length > 0 && (
                <p className={plain.text}>! As drawn it breaks: {drawnRules.map(({ name }) => name).join(', ')}.</p>
              )}
              {asked.length > 0 && over.length === 0 && asked.every(([key]) => entry.measured[key] !== null) && (
                <p className={plain.text}>✓ It keeps every rule that was measured.</p>
              )}
              {meet.style > 0 && (
                <TextEntry
                  label="Style"
                  named={`Style of ${entry.car}, up to ${meet.style}`}
                  value={entry.style === null ? '' : String(entry.style)}
                  check={(typed) =>
                    typed === '' || (Number(typed) >= 0 && Number(typed) <= meet.style) ? null : `A number from 0 to ${meet.style}.`
                  }
                  onChange={(typed) => alter(entry.id, (before) => ({ ...before, style: typed === '' ? null : Number(typed) }))}
                />
              )}
              <TextEntry
                label="It expects to come"
                named={`It expects to come: ${entry.car}`}
                value={entry.predicted === undefined ? '' : printQuantity(entry.predicted, 'distance', units)}
                check={(typed) => {
                  if (typed === '') return null;
                  const parsed = parseQuantity(typed, 'distance', units);
                  return parsed.kind === 'unclear' ? parsed.message : null;
                }}
                onChange={(typed) => {
                  const parsed = typed === '' ? null : parseQuantity(typed, 'distance', units);
                  alter(entry.id, ({ predicted: _before, ...rest }) => ({
                    ...rest,
                    ...(parsed?.kind === 'value' && { predicted: parsed.value }),
                  }));
                }}
              />
              <div className={styles.row}>
                <label className={plain.text}>
                  <input
                    type="checkbox"
                    checked={entry.showsPrediction}
                    onChange={({ target }) => alter(entry.id, (before) => ({ ...before, showsPrediction: target.checked }))}
                  />{' '}
                  the board may show it
                </label>
                <Button
                  size="small"
                  onClick={() => alter(entry.id, (before) => ({ ...before, isOut: !before.isOut }))}
                  aria-label={`${entry.isOut ? 'Let it run' : 'Take it out'}: ${entry.car}`}
                >
                  {entry.isOut ? 'Let it run' : 'Take it out'}
                </Button>
                {entry.isOut && <span className={plain.text}>– out</span>}
              </div>
            </section>
          );
        })}
      </div>
    </div>
  );
}
