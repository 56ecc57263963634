import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { classData, type ClassRun } from '../../../core/learn/class-data.ts';
import { formatWatched } from '../../../core/learn/measured-car.ts';
import { questionsFor, describeQuestion } from '../../../core/learn/questions.ts';
import { shuffled } from '../../../core/numerics/shuffled.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { allRunsOf } from '../../app/all-runs.ts';
import { useListCarsQuery } from '../../app/api/cars-api.ts';
import { useAppDispatch } from '../../app/store.ts';
import { downloadCsv } from '../../ui/file-exchange.ts';
import { LabSheets } from './lab-sheets.tsx';
import plain from '../../ui/plain.module.css';
import sheet from '../../ui/sheet.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './learn.module.css';

/** Questions of a quiz. */
const ASKED_OF_CLASS = 10;
const LETTERS = ['a', 'b', 'c', 'd'];

/** A lesson of two hours, in minutes. */
const LESSON: readonly (readonly [minutes: number, words: string])[] = [
  [10, 'Show one car run. Before that, each student predicts its distance and writes it down.'],
  [20, 'Five questions of “Predict first”, each with a reason; then check. Talk about what surprised you.'],
  [30, 'In crews: choose one change, and write down what it should do and why (lab sheet). Then make the change.'],
  [30, 'Three runs before, three after, in turn; nobody changes anything else (fair test).'],
  [15, 'Plot all runs of the class (“Export CSV of the class’s runs”). Is the difference larger than luck?'],
  [15, 'The quiz; then its answers and surprises.'],
];

/** For a class: a quiz without its answers, the answers on a sheet of their own, a lab sheet, and a lesson of two hours; printed one a page. */
export function ClassView({ design }: { readonly design: CarDesign }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const { data } = useListCarsQuery();
  const quiz = useMemo(() => shuffled(questionsFor(design), 1).slice(0, ASKED_OF_CLASS), [design]);
  /** Every run of every car here, with the car as it ran. */
  const saveData = async (): Promise<void> => {
    const runs: ClassRun[] = [];
    for (const { id, design: of } of data?.readable ?? []) {
      const found = await allRunsOf(dispatch, id);
      if (!found) return;
      runs.push(...found.map((record) => ({ car: of.name, record })));
    }
    await downloadCsv('class-runs.csv', classData(runs));
  };
  const reasonsOf = (i: number) => shuffled(quiz[i]!.reasons, i + 1);
  return (
    <div className={styles.view}>
      <div className={sheet.tools}>
        <Button variant="contained" onClick={() => window.print()}>
          Print all sheets
        </Button>
        <Button variant="outlined" onClick={() => void saveData()}>
          Export CSV of the class’s runs
        </Button>
      </div>
      <section aria-labelledby="quiz-title" className={styles.sheet}>
        <h2 id="quiz-title" className={plain.heading}>
          Quiz: {design.name}
        </h2>
        <p className={plain.text}>Crew: ______________________ More, less, or hardly any change? And which reason?</p>
        <ol className={plain.text}>
          {quiz.map((question, i) => (
            <li key={question.id}>
              <strong>{describeQuestion(question)}</strong> ☐ more ☐ less ☐ hardly any change
              <ul className={styles.list}>
                {reasonsOf(i).map(({ words }, k) => (
                  <li key={words} style={{ listStyle: 'none' }}>
                    ☐ {LETTERS[k]}) {words}
                  </li>
                ))}
              </ul>
            </li>
          ))}
        </ol>
      </section>
      <section aria-labelledby="answers-title" className={styles.sheet}>
        <h2 id="answers-title" className={plain.heading}>
          Answers: {design.name}
        </h2>
        <ol className={plain.text}>
          {quiz.map((question, i) => (
            <li key={question.id}>
              {question.answer === 'alike' ? 'hardly any change' : question.answer},{' '}
              {LETTERS[reasonsOf(i).findIndex(({ isRight }) => isRight)]}: {formatWatched(question.asked, question.before, units)} →{' '}
              {formatWatched(question.asked, question.after, units)}
            </li>
          ))}
        </ol>
      </section>
      <LabSheets design={design} />
      <section aria-labelledby="lesson-title" className={styles.sheet}>
        <h2 id="lesson-title" className={plain.heading}>
          A lesson of two hours
        </h2>
        <p className={plain.text}>
          School rules come first. Wear glasses near stretched bands. Tie the arm of a trap while you work on it. Keep faces off the track.
        </p>
        <ol className={plain.text}>
          {LESSON.map(([minutes, words]) => (
            <li key={words}>
              {minutes} min: {words}
            </li>
          ))}
        </ol>
      </section>
    </div>
  );
}
