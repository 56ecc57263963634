import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { ASKED } from '../../../core/learn/measured-car.ts';
import { nextQuestion, progressed, standOf, type Progress } from '../../../core/learn/progress.ts';
import {
  IDEAS,
  MISCONCEPTIONS,
  questionsFor,
  questionWords,
  type Answer,
  type Idea,
  type Question,
} from '../../../core/learn/questions.ts';
import { shuffled } from '../../../core/numerics/shuffled.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { predictRun } from '../../../core/predict/predict-run.ts';
import { printQuantity } from '../../../core/units/quantity.ts';
import { PullCurve } from '../../charts/pull-curve/pull-curve.tsx';
import plain from '../../ui/plain.module.css';
import { useKeptHere } from '../../ui/use-kept-here.ts';
import { useUnits } from '../../ui/use-units.ts';
import styles from './learn.module.css';

const ANSWERS: Readonly<Record<Answer, string>> = { more: 'more', less: 'less', alike: 'hardly any change' };

interface Kept {
  readonly progress: Progress;
  readonly count: number;
}
const NOTHING: Kept = { progress: {}, count: 0 };

/** Say first what a change would do, and why; then see it on this car. */
export function SayFirst({ design }: { readonly design: CarDesign }) {
  const [{ progress, count }, setKept] = useKeptHere('learn-progress', NOTHING);
  const questions = useMemo(() => questionsFor(design), [design]);
  const question = useMemo(() => nextQuestion(questions, progress, count), [questions, progress, count]);
  if (!question)
    return (
      <p className={plain.text}>Nothing can be asked of this car: it does not run as it is designed. Put that right in Design first.</p>
    );
  const onAnswered = (isRight: boolean): void => {
    setKept({ progress: progressed(progress, question, isRight, count), count: count + 1 });
  };
  return (
    <div className={styles.columns}>
      <Asking key={`${question.id} ${count}`} design={design} question={question} count={count} onAnswered={onAnswered} />
      <section aria-labelledby="progress-title" className={styles.part}>
        <h2 id="progress-title" className={plain.heading}>
          How it stands
        </h2>
        <ul className={`${plain.text} ${styles.list}`}>
          {(Object.entries(IDEAS) as [Idea, string][]).map(([idea, words]) => {
            const { right, asked } = standOf(progress, idea);
            return (
              <li key={idea}>
                {words}: {asked === 0 ? 'not asked yet' : `${right} of ${asked} right`}
              </li>
            );
          })}
        </ul>
        {count > 0 && (
          <Button size="small" onClick={() => setKept(NOTHING)}>
            Begin anew
          </Button>
        )}
      </section>
    </div>
  );
}

interface AskingProps {
  readonly design: CarDesign;
  readonly question: Question;
  readonly count: number;
  readonly onAnswered: (isRight: boolean) => void;
}

function Asking({ design, question, count, onAnswered }: AskingProps) {
  const units = useUnits();
  const [answer, setAnswer] = useState<Answer | null>(null);
  const [reason, setReason] = useState<string | null>(null);
  const [isShown, setShown] = useState(false);
  const reasons = useMemo(() => shuffled(question.reasons, count), [question, count]);
  const changed = useMemo(() => predictRun(question.changed, { kind: 'full' }, { trace: true }), [question]);
  const { quantity } = ASKED[question.asked];
  const chosen = question.reasons.find(({ words }) => words === reason);
  const isRight = answer === question.answer && chosen?.isRight === true;
  const right = question.reasons.find((one) => one.isRight)!;
  return (
    <section aria-labelledby="question-title" className={styles.part}>
      <p className={`${plain.caption} ${plain.muted}`}>{IDEAS[question.idea]}</p>
      <h2 id="question-title" className={plain.heading}>
        {questionWords(question)}
      </h2>
      <fieldset className={styles.choices} disabled={isShown}>
        <legend className={plain.text}>Say first: what would it do?</legend>
        {(Object.entries(ANSWERS) as [Answer, string][]).map(([key, words]) => (
          <label key={key} className={plain.text}>
            <input type="radio" name="answer" checked={answer === key} onChange={() => setAnswer(key)} /> {words}
          </label>
        ))}
      </fieldset>
      <fieldset className={styles.choices} disabled={isShown}>
        <legend className={plain.text}>And why?</legend>
        {reasons.map(({ words }) => (
          <label key={words} className={plain.text}>
            <input type="radio" name="reason" checked={reason === words} onChange={() => setReason(words)} /> {words}
          </label>
        ))}
      </fieldset>
      {!isShown ? (
        <div>
          <Button variant="contained" disabled={answer === null || reason === null} onClick={() => setShown(true)}>
            Then see
          </Button>
        </div>
      ) : (
        <div role="status" className={styles.part}>
          <p className={plain.strong}>
            {isRight
              ? '✓ Right, and for the right reason.'
              : answer === question.answer
                ? '✓ Right; but look at the reason.'
                : `✕ It is ${ANSWERS[question.answer]}.`}
          </p>
          <p className={plain.text}>
            On this car: {printQuantity(question.before, quantity, units)} → {printQuantity(question.after, quantity, units)}. {right.words}
          </p>
          {chosen?.misconception && (
            <p className={plain.text}>
              ! “{MISCONCEPTIONS[chosen.misconception]}” is a rule of thumb: look at the figures of this car before you go by it.
            </p>
          )}
          <div className={styles.curve}>
            <PullCurve
              design={question.changed}
              prediction={changed}
              ghosts={[{ id: 'before', name: 'before', design }]}
              played={null}
              onScrub={() => {}}
            />
          </div>
          <div>
            <Button variant="contained" onClick={() => onAnswered(isRight)}>
              Next question
            </Button>
          </div>
        </div>
      )}
    </section>
  );
}
