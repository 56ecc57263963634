import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { formatWatched } from '../../../core/learn/measured-car.ts';
import { hasAllIdeas, nextQuestion, progressed, type Progress } from '../../../core/learn/progress.ts';
import { IDEAS, MISCONCEPTIONS, type Answer } from '../../../core/learn/idea.ts';
import { questionsFor, describeQuestion, answerForFactor, type Question } from '../../../core/learn/questions.ts';
import { shuffled } from '../../../core/numerics/shuffled.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { predictRun, type Prediction } from '../../../core/predict/predict-run.ts';
import type { Ghost } from '../../charts/pull-curve/ghost.ts';
import { PullCurve } from '../../charts/pull-curve/pull-curve.tsx';
import plain from '../../ui/plain.module.css';
import { useLocalStorage } from '../../ui/use-local-storage.ts';
import { useUnits } from '../../ui/use-units.ts';
import styles from './learn.module.css';
import { LuckStrip } from './luck-strip.tsx';
import { ChangeDrawing } from './change-drawing.tsx';
import { IdeaTiles } from './idea-tiles.tsx';
import { traceAt } from '../../../core/run/trace.ts';
import { formatAbout } from '../../../core/units/quantity.ts';
import { Race, type Runner } from '../../ui/race.tsx';
import { AS_IT_IS, SketchCurve, type Sketch } from './sketch-curve.tsx';
import { StateNote } from '../../ui/state-note.tsx';

const ANSWERS: Readonly<Record<Answer, string>> = { more: 'more', less: 'less', alike: 'hardly any change' };

interface Kept {
  readonly progress: Progress;
  readonly count: number;
}
const NOTHING: Kept = { progress: {}, count: 0 };

/** Say first what a change would do, and why; then see it on this car. */
export function PredictFirst({ design }: { readonly design: CarDesign }) {
  const [{ progress, count }, setKept] = useLocalStorage('learn-progress', NOTHING);
  const questions = useMemo(() => questionsFor(design), [design]);
  const question = useMemo(() => nextQuestion(questions, progress, count), [questions, progress, count]);
  if (!question)
    return (
      <StateNote kind="refused">
        There are no questions about this car, because it cannot run as it is designed. Fix it in Design first.
      </StateNote>
    );
  const onAnswered = (isRight: boolean): void => {
    setKept({ progress: progressed(progress, question, isRight, count), count: count + 1 });
  };
  return (
    <div className={styles.columns}>
      <Asking key={`${question.id} ${count}`} design={design} question={question} count={count} onAnswered={onAnswered} />
      <section aria-labelledby="progress-title" className={styles.part}>
        <div className={styles.row}>
          <h2 id="progress-title" className={plain.heading}>
            Ten ideas
          </h2>
          {count > 0 && (
            <Button size="small" onClick={() => setKept(NOTHING)}>
              Start over
            </Button>
          )}
        </div>
        {hasAllIdeas(progress) && (
          <StateNote kind="finished">
            ✓ You were right about all ten ideas. Questions come back later, so that they stay with you.
          </StateNote>
        )}
        <IdeaTiles design={design} progress={progress} present={question.idea} />
      </section>
    </div>
  );
}

/** Which end of a sketch tells the answer of a question; of others nothing can be drawn. */
const DRAWN: Partial<Readonly<Record<Question['asked'], 'far' | 'strong'>>> = { distance: 'far', pull: 'strong' };

interface AskingProps {
  readonly design: CarDesign;
  readonly question: Question;
  readonly count: number;
  readonly onAnswered: (isRight: boolean) => void;
}

/** One question: said or drawn first, with a reason; then seen. */
function Asking({ design, question, count, onAnswered }: AskingProps) {
  const [chosen, setChosen] = useState<Answer | null>(null);
  const [sketch, setSketch] = useState<Sketch | null>(null);
  const [reason, setReason] = useState<string | null>(null);
  const [isShown, setShown] = useState(false);
  const reasons = useMemo(() => shuffled(question.reasons, count), [question, count]);
  const changed = 'changed' in question.shows ? question.shows.changed : null;
  const before = useMemo(() => predictRun(design, { kind: 'full' }, { trace: true }), [design]);
  const after = useMemo(() => changed && predictRun(changed, { kind: 'full' }, { trace: true }), [changed]);
  const end = DRAWN[question.asked];
  // What was drawn or pressed last counts.
  const answer = end && sketch ? answerForFactor(sketch[end]) : chosen;
  const said = question.reasons.find(({ words }) => words === reason);
  return (
    <section aria-labelledby="question-title" className={styles.part}>
      <p className={`${plain.caption} ${plain.muted}`}>
        {IDEAS[question.idea]} · question {count + 1}
      </p>
      <h2 id="question-title" className={styles.question}>
        {describeQuestion(question)}
      </h2>
      <div className={styles.pictures}>
        <ChangeDrawing design={design} changed={changed} />
        {end && <SketchCurve before={before} after={isShown ? after : null} sketch={sketch ?? AS_IT_IS} onSketch={setSketch} />}
      </div>
      <fieldset className={styles.answers} disabled={isShown}>
        <legend className={plain.text}>Predict first: what would it do?{end && ' Press one, or drag the curve.'}</legend>
        {(Object.entries(ANSWERS) as [Answer, string][]).map(([key, words]) => (
          <Button
            key={key}
            variant={answer === key ? 'contained' : 'outlined'}
            aria-pressed={answer === key}
            disabled={isShown}
            onClick={() => {
              setChosen(key);
              setSketch(null);
            }}
          >
            {words}
          </Button>
        ))}
      </fieldset>
      {sketch && !isShown && (
        <p role="status" className={plain.text}>
          You drew: <strong>{ANSWERS[answer!]}</strong>.
        </p>
      )}
      <fieldset className={styles.choices} disabled={isShown}>
        <legend className={plain.strong}>Because</legend>
        {reasons.map(({ words }) => (
          <label key={words} className={plain.text}>
            <input type="radio" name="reason" checked={reason === words} onChange={() => setReason(words)} /> {words}
          </label>
        ))}
      </fieldset>
      {isShown && answer !== null ? (
        <>
          <Seen question={question} answer={answer} said={said} />
          {after && <BeforeAndAfter before={before} after={after} />}
          {!end && changed && after && <ChangedCurve design={design} changed={changed} after={after} />}
          {'runs' in question.shows && <LuckStrip design={design} runs={question.shows.runs[1]} />}
          <div>
            <Button variant="contained" onClick={() => onAnswered(answer === question.answer && said?.isRight === true)}>
              Next question
            </Button>
          </div>
        </>
      ) : (
        <div>
          <Button variant="contained" disabled={answer === null || reason === null} onClick={() => setShown(true)}>
            Check
          </Button>
        </div>
      )}
    </section>
  );
}

/** Both cars run together, each in its own time. */
function BeforeAndAfter({ before, after }: { readonly before: Prediction; readonly after: Prediction }) {
  const units = useUnits();
  if (before.kind === 'refused' || after.kind === 'refused') return null;
  const longest = Math.max(before.result.time, after.result.time);
  const runner = (name: string, { result }: typeof before): Runner => ({
    name,
    distanceAt: (part) => traceAt(result.trace!, part * longest).read('distance'),
    words: formatAbout(result.distance, 'distance', units),
  });
  return <Race runners={[{ ...runner('this car', before), isExpected: true }, runner('with the change', after)]} />;
}

interface SeenProps {
  readonly question: Question;
  readonly answer: Answer;
  readonly said: Question['reasons'][number] | undefined;
}
/** Whether it was right, in this car’s numbers, with the reason that is. */
function Seen({ question, answer, said }: SeenProps) {
  const units = useUnits();
  const right = question.reasons.find(({ isRight }) => isRight)!;
  const format = (value: number): string => formatWatched(question.asked, value, units);
  return (
    <div role="status" className={styles.part}>
      <p className={plain.strong}>
        {answer !== question.answer
          ? `✕ It is ${ANSWERS[question.answer]}.`
          : said?.isRight
            ? '✓ Right, and for the right reason.'
            : '✓ Right; but look at the reason.'}
      </p>
      <p className={plain.text}>
        On this car: {format(question.before)} → {format(question.after)}. {right.words}
      </p>
      {said?.misconception && (
        <p className={plain.text}>
          ! “{MISCONCEPTIONS[said.misconception]}” is a rule of thumb. Check the figures of this car before you rely on it.
        </p>
      )}
    </div>
  );
}

interface ChangedCurveProps {
  readonly design: CarDesign;
  readonly changed: CarDesign;
  readonly after: Prediction;
}
/** The curve of the changed car, the car as it is behind it. */
function ChangedCurve({ design, changed, after }: ChangedCurveProps) {
  const ghosts = useMemo((): readonly Ghost[] => [{ id: 'before', name: 'before', design }], [design]);
  return (
    <div className={styles.curve}>
      <PullCurve design={changed} prediction={after} ghosts={ghosts} played={null} />
    </div>
  );
}
