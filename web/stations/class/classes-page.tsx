import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { CrewClass } from '../../../core/schema/generated/crew-class.ts';
import { useListCarsQuery } from '../../app/api/cars-api.ts';
import { useListClassesQuery, useRemoveClassMutation, useSaveClassMutation } from '../../app/api/documents-api.ts';
import { problemLine } from '../../app/api/problem.ts';
import { newId } from '../../app/new-id.ts';
import { RemoveButton } from '../../app/remove-button.tsx';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { ChoiceSelect } from '../../brief-fields/choice-select.tsx';
import { useBriefs } from '../../open-car/design-with-brief.ts';
import plain from '../../ui/plain.module.css';
import { StateNote } from '../../ui/state-note.tsx';
import { TextEntry } from '../../ui/text-entry.tsx';
import { UnreadableItem } from '../../ui/unreadable-item.tsx';
import styles from './class.module.css';
import { ClearedClasses } from './cleared-classes.tsx';
import { MOST_CREWS, namesIn } from './crew-names.ts';

const NO_CAR = 'none';

/** All classes, and how a new one begins: from a brief, with its crews. */
export function ClassesPage() {
  // One that was cleared is gone from the list without a word to the page that it had.
  const { data } = useListClassesQuery(undefined, { refetchOnMountOrArgChange: true });
  const [remove] = useRemoveClassMutation();
  return (
    <div className={plain.page}>
      <header className={styles.head}>
        <h1>Classes</h1>
      </header>
      <div className={styles.view}>
        <NewClass />
        <section aria-labelledby="classes-here" className={styles.part}>
          <h2 id="classes-here" className={plain.heading}>
            Your classes
          </h2>
          {data?.readable.length === 0 && <StateNote kind="empty">No class yet. Create one from a brief.</StateNote>}
          <div className={styles.cards}>
            {data?.readable.map(({ id, class: { name, crews, brief, handedInAt } }) => (
              <div key={id} className={styles.card}>
                <p className={plain.strong}>
                  <Link to={`/classes/${id}`}>{name}</Link>
                </p>
                <p className={`${plain.text} ${plain.muted}`}>
                  {crews.length} {crews.length === 1 ? 'crew' : 'crews'}, {brief.name}
                  {handedInAt && ', handed in'}
                </p>
                <div>
                  <RemoveButton name={name} undoing={{ kind: 'class', id }} remove={() => remove(id)} />
                </div>
              </div>
            ))}
          </div>
          {data?.unreadable.map((broken) => (
            <UnreadableItem key={broken.id} what="class" item={broken} onRemove={() => void remove(broken.id)} />
          ))}
        </section>
        <ClearedClasses />
      </div>
    </div>
  );
}

function NewClass() {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const briefs = useBriefs();
  const { data: cars } = useListCarsQuery();
  const [save, { isLoading }] = useSaveClassMutation();
  const [name, setName] = useState('');
  const [briefId, setBriefId] = useState('');
  const [carId, setCarId] = useState(NO_CAR);
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const chosen = briefs.find(({ id }) => id === briefId) ?? briefs[0];
  if (!chosen)
    return (
      <section aria-labelledby="new-class" className={styles.card}>
        <h2 id="new-class" className={plain.heading}>
          A new class
        </h2>
        <p className={plain.text}>
          A class works to a brief. <Link to="/briefs">Write one first.</Link>
        </p>
      </section>
    );
  const create = async (): Promise<void> => {
    const names = namesIn(typed);
    if ('problem' in names) return setProblem(names.problem);
    setProblem(null);
    const id = newId();
    const content: CrewClass = {
      format: 'nimble-axle/class',
      version: 1,
      name: name.trim() || chosen.brief.name,
      brief: chosen.brief,
      kit: [],
      startingCar: cars?.readable.find((car) => car.id === carId)?.design ?? null,
      closed: [],
      lessons: [],
      crews: names.names.map((crew) => ({ id: newId(), name: crew })),
      opened: { cars: false, results: false, forecasts: false },
    };
    const { error } = await save({ id, baseVersion: 0, content });
    if (error) dispatch(toasted(problemLine(error), { tone: 'stop' }));
    else await navigate(`/classes/${id}`);
  };
  return (
    <section aria-labelledby="new-class" className={styles.card}>
      <h2 id="new-class" className={plain.heading}>
        A new class
      </h2>
      <p className={`${plain.text} ${plain.muted}`}>
        Each crew works in its own space on any device in your network. A crew’s name is enough: no personal data, no passwords.
      </p>
      <div className={styles.fields}>
        <ChoiceSelect
          label="Brief"
          value={chosen.id}
          options={Object.fromEntries(briefs.map(({ id, brief }) => [id, brief.name]))}
          onChange={setBriefId}
        />
        <TextEntry label="Name of the class" value={name} placeholder={chosen.brief.name} maxLength={80} onChange={setName} />
        <ChoiceSelect
          label="Starting car"
          value={carId}
          options={{
            [NO_CAR]: 'none: an empty Garage',
            ...Object.fromEntries((cars?.readable ?? []).map(({ id, design }) => [id, design.name])),
          }}
          onChange={setCarId}
        />
      </div>
      <TextField
        multiline
        minRows={3}
        maxRows={10}
        size="small"
        label="Crews, one name a line"
        value={typed}
        onChange={({ target }) => setTyped(target.value)}
        error={problem !== null}
        helperText={problem ?? `Or a number, such as 12, for crews called Crew 1 to Crew 12. At most ${MOST_CREWS}.`}
      />
      <div>
        <Button variant="contained" disabled={isLoading} onClick={() => void create()}>
          Create class
        </Button>
      </div>
    </section>
  );
}
