import plain from '../ui/plain.module.css';
import { QuantityField } from '../ui/quantity-field.tsx';
import styles from './film.module.css';
import type { MarksStepProps } from './marks-step.tsx';
import { TargetButtons } from './target-buttons.tsx';
import type { FilmPurpose } from './use-film-work.ts';

interface DotStepProps extends MarksStepProps {
  readonly purpose: FilmPurpose;
}

/** The dot on the car, and how high it is; a dot of a drive wheel if there is one. */
export const DotStep = ({ setup, change, work, active, setActive, purpose }: DotStepProps) => (
  <section className={styles.step} aria-labelledby="film-dot">
    <h2 id="film-dot" className={plain.heading}>
      2. Dot
    </h2>
    <p className={plain.text}>
      {purpose === 'run'
        ? 'Go to a frame just before the release and click the middle of the dot.'
        : 'Go to a frame after the push, where the car rolls freely, and click the middle of the dot.'}
    </p>
    <TargetButtons
      targets={[
        ['dot', 'Dot of the car'],
        ['wheel', 'Dot of a drive wheel (if there is one)'],
      ]}
      {...{ work, active, setActive }}
    />
    {setup.layout !== 'line' && (
      <QuantityField
        label="Height of the dot’s middle"
        quantity="size"
        size="small"
        value={setup.height}
        onChange={(height) => change({ height })}
        check={(height) => (height >= 0 && height <= 1 ? null : 'From the floor to the middle of the dot: 0 to 1 m.')}
      />
    )}
  </section>
);
