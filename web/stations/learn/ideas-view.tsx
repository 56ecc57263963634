import { useMemo } from 'react';
import { glossary, ideaPages } from '../../../core/learn/ideas.ts';
import { IDEAS } from '../../../core/learn/questions.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { predictRun } from '../../../core/predict/predict-run.ts';
import type { Ghost } from '../../charts/pull-curve/ghost.ts';
import { PullCurve } from '../../charts/pull-curve/pull-curve.tsx';
import plain from '../../ui/plain.module.css';
import { Wide } from '../../ui/wide.tsx';
import { WordTable } from '../../ui/word-table.tsx';
import { useUnits } from '../../ui/use-units.ts';
import styles from './learn.module.css';

const NONE: readonly Ghost[] = [];
const nothing = (): void => {};

/** Ten ideas in plain words, each with what it is on this car; a formula on demand. */
export function IdeasView({ design }: { readonly design: CarDesign }) {
  const units = useUnits();
  const pages = useMemo(() => ideaPages(design, units), [design, units]);
  const prediction = useMemo(() => predictRun(design, { kind: 'full' }, { trace: true }), [design]);
  return (
    <div className={styles.view}>
      {pages.map(({ idea, words, formula, source, onCar }, i) => (
        <section key={idea} aria-labelledby={`idea-${idea}`} className={styles.part} style={{ maxWidth: 760 }}>
          <h2 id={`idea-${idea}`} className={plain.heading}>
            {i + 1}. {IDEAS[idea]}
          </h2>
          {words.map((paragraph) => (
            <p key={paragraph} className={plain.text}>
              {paragraph}
            </p>
          ))}
          <p className={plain.strong}>{onCar}</p>
          {idea === 'pull' && (
            <div className={styles.curve}>
              <PullCurve design={design} prediction={prediction} ghosts={NONE} played={null} onScrub={nothing} />
            </div>
          )}
          <details>
            <summary className={plain.caption}>The formula</summary>
            <p className={plain.text}>
              {formula} <span className={plain.muted}>({source})</span>
            </p>
          </details>
        </section>
      ))}
    </div>
  );
}

/** Words of the field, each with its number on this car. */
export function WordsView({ design }: { readonly design: CarDesign }) {
  const units = useUnits();
  const words = useMemo(() => glossary(design, units), [design, units]);
  return (
    <div className={styles.view}>
      <Wide label="Words">
        <WordTable head={['word', 'what it is', 'on this car']} rows={words.map(({ word, means, onCar }) => [word, means, onCar])} />
      </Wide>
    </div>
  );
}
