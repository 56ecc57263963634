import { useMemo, useState } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { ideaTrial, describeTrial, type IdeaTrial } from '../../../core/learn/idea-trials.ts';
import type { Idea } from '../../../core/learn/idea.ts';
import { WATCHED_FIGURES, formatWatched, type CarFigure } from '../../../core/learn/measured-car.ts';
import { predictRun } from '../../../core/predict/predict-run.ts';
import type { Ghost } from '../../charts/pull-curve/ghost.ts';
import { PullCurve } from '../../charts/pull-curve/pull-curve.tsx';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { Wide } from '../../ui/wide.tsx';
import { WordTable } from '../../ui/word-table.tsx';
import styles from './learn.module.css';

const SHOWN: readonly CarFigure[] = ['energy', 'pull', 'speed', 'wheelspin', 'distance', 'drift'];
const NOTHING: readonly Ghost[] = [];

interface TrialPanelProps {
  readonly idea: Exclude<Idea, 'luck'>;
  readonly design: CarDesign;
}

/** Something to try on this car: a slider, the figure it changes, all others beside it, and the curve that moves. */
export function TrialPanel({ idea, design }: TrialPanelProps) {
  const units = useUnits();
  const trial = useMemo(() => ideaTrial(idea, design, units), [idea, design, units]);
  const [chosen, setChosen] = useState<number | null>(null);
  const at = Math.min(chosen ?? trial.own, trial.steps.length - 1);
  const [step, own] = [trial.steps[at]!, trial.steps[trial.own]!];
  const prediction = useMemo(() => {
    const { design: tried, wind } = trial.steps[at]!;
    return predictRun(tried, wind, { trace: true });
  }, [trial, at]);
  const ghosts = useMemo(
    (): readonly Ghost[] => (at === trial.own ? NOTHING : [{ id: 'own', name: 'this car', design }]),
    [at, trial, design],
  );
  const formatFigure = (figures: typeof step.figures, key: CarFigure): string => (figures ? formatWatched(key, figures[key], units) : '–');
  return (
    <section aria-labelledby="try-title" className={styles.part}>
      <h3 id="try-title" className={plain.strong}>
        Try it: {trial.label}
      </h3>
      <div className={styles.part}>
        <label className={plain.text}>
          {step.words}
          {at === trial.own && ' (this car)'}
          <input
            type="range"
            className={styles.slider}
            min={0}
            max={trial.steps.length - 1}
            step={1}
            value={at}
            aria-label={`${step.words}${at === trial.own ? ' (this car)' : ''}: ${trial.label}`}
            aria-valuetext={step.words}
            onChange={({ target }) => setChosen(Number(target.value))}
          />
        </label>
      </div>
      <div className={styles.curve}>
        <PullCurve design={step.design} prediction={prediction} ghosts={ghosts} played={null} />
      </div>
      <TrialBars trial={trial} at={at} words={describeTrial(trial, units)} />
      {step.figures === null && <p className={plain.text}>! With this it does not start, or cannot be built.</p>}
      <Wide label="This car, and with the change">
        <WordTable
          areFigures
          head={['figure', 'this car', 'with the change']}
          rows={SHOWN.map((key) => [WATCHED_FIGURES[key].label, formatFigure(own.figures, key), formatFigure(step.figures, key)])}
        />
      </Wide>
    </section>
  );
}

/** The watched figure, a bar for each step. */
function TrialBars({
  trial: { steps, watched, own },
  at,
  words,
}: {
  readonly trial: IdeaTrial;
  readonly at: number;
  readonly words: string;
}) {
  const units = useUnits();
  const values = steps.map(({ figures }) => figures?.[watched] ?? 0);
  const most = Math.max(...values, 1e-12);
  return (
    <figure className={styles.bars}>
      <div role="img" aria-label={words} className={styles.barRow}>
        {steps.map((step, i) => (
          <span
            key={step.words}
            className={`${styles.bar} ${i === at ? styles.barNow : ''} ${i === own ? styles.barOwn : ''}`}
            style={{ height: `${Math.max(2, (100 * values[i]!) / most)}%` }}
          />
        ))}
      </div>
      <figcaption className={`${plain.caption} ${plain.muted}`}>
        {WATCHED_FIGURES[watched].label}: {steps[at]!.figures ? formatWatched(watched, values[at]!, units) : 'it does not start'}. Each bar
        is a step of the slider; the framed one is this car.
      </figcaption>
    </figure>
  );
}
