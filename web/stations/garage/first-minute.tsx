import Button from '@mui/material/Button';
import { useState } from 'react';
import { goalOfKind } from '../../../core/brief/goal.ts';
import { briefOfAnswers, firstCar, type Answers } from '../../../core/brief/new-brief.ts';
import { useSaveBrief } from '../../app/use-briefs.ts';
import { useCars } from '../../app/use-cars.ts';
import { AnswerFields } from '../../brief-fields/answer-fields.tsx';
import plain from '../../ui/plain.module.css';
import styles from './garage.module.css';

/** An empty Garage asks three things, and gives a brief and a car that already runs and keeps its rules. `skip`: a way past it. */
export default function FirstMinute({ skip }: { readonly skip: React.ReactNode }) {
  const { keep } = useSaveBrief();
  const { add } = useCars();
  const [answers, setAnswers] = useState<Answers>({
    name: 'My first brief',
    setBy: '',
    goal: goalOfKind('at-least'),
    room: 8,
    drive: 'lever',
  });
  const begin = async (): Promise<void> => {
    const brief = briefOfAnswers(answers);
    const id = await keep(brief);
    if (id) await add(firstCar('My first car', answers.drive, { id, brief }));
  };
  return (
    <form
      className={styles.first}
      aria-labelledby="first-title"
      onSubmit={(event) => {
        event.preventDefault();
        void begin();
      }}
    >
      <h2 id="first-title" className={styles.name}>
        No car yet. Answer three questions, and your first one runs.
      </h2>
      <AnswerFields answers={answers} onChange={setAnswers} />
      <div className={styles.actions}>
        <Button type="submit" variant="contained">
          Create my brief and my car
        </Button>
        {skip}
      </div>
      <p className={`${plain.text} ${plain.muted}`}>
        You get a brief with these answers and a car that follows it and already runs. Change its sizes to yours and see how far it goes.
      </p>
    </form>
  );
}
