import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { IDEAS, type Idea } from '../../../core/learn/idea.ts';
import type { CrewClass } from '../../../core/schema/generated/crew-class.ts';
import type { StoredClass } from '../../../core/schema/stored.ts';
import { useListCarsQuery } from '../../app/api/cars-api.ts';
import { useSendCarMutation } from '../../app/api/classes-api.ts';
import { problemLine } from '../../app/api/problem.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { ChoiceSelect } from '../../brief-fields/choice-select.tsx';
import { TOPICS, type Topic } from '../../crew-space/describe-lesson.ts';
import plain from '../../ui/plain.module.css';
import styles from './class.module.css';
import type { ChangeClass } from './use-class.ts';

interface ClassViewProps {
  readonly stored: StoredClass;
  readonly change: ChangeClass;
}

const OPENED: Readonly<Record<keyof CrewClass['opened'], string>> = {
  cars: 'All cars: each crew sees the cars of the others',
  results: 'Results: each crew follows the meet of the class',
  forecasts: 'Forecasts: each crew sees what is expected of the others',
};

/** What is given to all crews at once, and what is opened to them. */
export function SendView({ stored, change }: ClassViewProps) {
  return (
    <div className={styles.cards}>
      <Message stored={stored} change={change} />
      <Lesson change={change} />
      <SendCar classId={stored.id} />
      <section aria-labelledby="open-title" className={styles.card}>
        <h2 id="open-title" className={plain.heading}>
          Open to all crews
        </h2>
        {(Object.keys(OPENED) as (keyof CrewClass['opened'])[]).map((key) => (
          <FormControlLabel
            key={key}
            control={
              <Checkbox
                checked={stored.class.opened[key]}
                onChange={({ target }) => void change((present) => ({ ...present, opened: { ...present.opened, [key]: target.checked } }))}
              />
            }
            label={OPENED[key]}
          />
        ))}
      </section>
    </div>
  );
}

function Message({ stored, change }: ClassViewProps) {
  const dispatch = useAppDispatch();
  const [text, setText] = useState('');
  const send = async (): Promise<void> => {
    const message = { text: text.trim(), at: new Date().toISOString() };
    if (!(await change((present) => ({ ...present, message })))) return;
    setText('');
    dispatch(toasted('The message is on every crew’s screen'));
  };
  return (
    <section aria-labelledby="message-title" className={styles.card}>
      <h2 id="message-title" className={plain.heading}>
        Message
      </h2>
      {stored.class.message && <p className={`${plain.text} ${plain.muted}`}>Last: {stored.class.message.text}</p>}
      <TextField
        size="small"
        multiline
        minRows={2}
        label="Message to all crews"
        value={text}
        onChange={({ target }) => setText(target.value)}
        slotProps={{ htmlInput: { maxLength: 500 } }}
      />
      <div>
        <Button variant="outlined" disabled={text.trim() === ''} onClick={() => void send()}>
          Send message
        </Button>
      </div>
    </section>
  );
}

const ALL_IDEAS = 'all';

function Lesson({ change }: Pick<ClassViewProps, 'change'>) {
  const dispatch = useAppDispatch();
  const [topic, setTopic] = useState<Topic>('first');
  const [idea, setIdea] = useState<Idea | typeof ALL_IDEAS>(ALL_IDEAS);
  const send = async (): Promise<void> => {
    const lesson = { topic, ...(topic === 'ideas' && idea !== ALL_IDEAS && { idea }), at: new Date().toISOString() };
    if (await change((present) => ({ ...present, lesson }))) dispatch(toasted('The lesson is on every crew’s screen'));
  };
  return (
    <section aria-labelledby="lesson-title" className={styles.card}>
      <h2 id="lesson-title" className={plain.heading}>
        Lesson
      </h2>
      <ChoiceSelect label="Topic of Learn" value={topic} options={TOPICS} onChange={setTopic} />
      {topic === 'ideas' && (
        <ChoiceSelect
          label="Idea"
          value={idea}
          options={{ [ALL_IDEAS]: 'all ten', ...IDEAS } as Record<Idea | 'all', string>}
          onChange={setIdea}
        />
      )}
      <div>
        <Button variant="outlined" onClick={() => void send()}>
          Send lesson
        </Button>
      </div>
    </section>
  );
}

function SendCar({ classId }: { readonly classId: string }) {
  const dispatch = useAppDispatch();
  const { data: cars } = useListCarsQuery();
  const [sendCar, { isLoading }] = useSendCarMutation();
  const [carId, setCarId] = useState('');
  const car = cars?.readable.find(({ id }) => id === carId) ?? cars?.readable[0];
  const send = async (): Promise<void> => {
    if (!car) return;
    const { data, error } = await sendCar({ classId, design: car.design });
    dispatch(data ? toasted(`${car.design.name} is in the Garage of ${data.sent} crews`) : toasted(problemLine(error), { tone: 'stop' }));
  };
  return (
    <section aria-labelledby="send-car-title" className={styles.card}>
      <h2 id="send-car-title" className={plain.heading}>
        Car
      </h2>
      {car ? (
        <>
          <ChoiceSelect
            label="Car from your Garage"
            value={car.id}
            options={Object.fromEntries(cars!.readable.map(({ id, design }) => [id, design.name]))}
            onChange={setCarId}
          />
          <p className={`${plain.text} ${plain.muted}`}>Each crew gets a copy beside its own cars.</p>
          <div>
            <Button variant="outlined" disabled={isLoading} onClick={() => void send()}>
              Send car
            </Button>
          </div>
        </>
      ) : (
        <p className={plain.text}>Your Garage has no car to send.</p>
      )}
    </section>
  );
}
