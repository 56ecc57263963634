import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { stepPictures } from '../../../core/build/step-picture.ts';
import { cuttingFormat } from '../../../core/build/size-format.ts';
import { buildSteps, minutesLeft } from '../../../core/build/steps.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { sheetSvg } from '../../../core/files/drawing-svg.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './build.module.css';
import { markBuilt, useIsBuilt } from '../../open-car/use-is-built.ts';
import { useLocalStorage } from '../../ui/use-local-storage.ts';
import { StateNote } from '../../ui/state-note.tsx';
import { Link } from 'react-router';

const NONE: readonly string[] = [];
const timeWords = (minutes: number): string => (minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`);

/** The making, step by step in the order that works for this car; ticked off at the table. */
export function StepsView({ carId, design }: { readonly carId: string; readonly design: CarDesign }) {
  const units = useUnits();
  const [ticked, setTicked] = useLocalStorage(`build-steps-${carId}`, NONE);
  const steps = useMemo(() => buildSteps(design, cuttingFormat(units)), [design, units]);
  const pictures = useMemo(() => stepPictures(design, steps).map(sheetSvg), [design, steps]);
  const done = new Set(ticked);
  const left = minutesLeft(steps, done);
  const count = steps.filter(({ id }) => done.has(id)).length;
  const isBuilt = useIsBuilt(carId);
  const tick = (id: string, isDone: boolean): void => {
    const next = isDone ? [...ticked, id] : ticked.filter((one) => one !== id);
    setTicked(next);
    if (steps.every((step) => next.includes(step.id))) markBuilt(carId, true);
  };
  return (
    <div className={styles.view}>
      {count === steps.length && (
        <StateNote kind="finished">
          ✓ All steps are done. <Link to={`/cars/${carId}/build?view=inspection`}>Inspect the car</Link> next.
        </StateNote>
      )}
      <div className={styles.tools}>
        <p role="status" className={plain.strong}>
          {count < steps.length &&
            `${count} of ${steps.length} done; about ${timeWords(left.work)} of work left${left.wait > 0 ? `, and up to ${timeWords(left.wait)} for glue to set` : ''}.`}
        </p>
        {count > 0 && (
          <Button
            onClick={() => {
              setTicked(NONE);
              markBuilt(carId, false);
            }}
          >
            Start over
          </Button>
        )}
        {isBuilt ? (
          <span className={plain.text}>✓ built</span>
        ) : (
          <Button variant="outlined" onClick={() => markBuilt(carId, true)}>
            Mark as built
          </Button>
        )}
        <Button variant="outlined" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <p className={`${plain.text} ${plain.muted}`}>
        School, club and local safety rules come first. An adult stands beside young builders.
      </p>
      <ol className={styles.steps}>
        {steps.map((step, i) => (
          <li key={step.id} className={`${styles.step} ${done.has(step.id) ? styles.done : ''}`}>
            <div className={styles.words}>
              <div className={styles.head}>
                <label className={plain.strong}>
                  <input type="checkbox" checked={done.has(step.id)} onChange={({ target }) => tick(step.id, target.checked)} />
                  {i + 1}. {step.title}
                </label>
              </div>
              <p className={plain.text}>{step.text}</p>
              <p className={`${plain.caption} ${plain.muted}`}>
                {step.tool} · {step.minutes} min{step.dries > 0 && ` · sets in ${step.dries} min`}
                {step.tolerance && ` · ${step.tolerance}`}
              </p>
              {step.trick && <p className={plain.text}>☞ {step.trick}</p>}
              {(step.caution || step.adult) && (
                <p className={`${plain.text} ${styles.caution}`}>
                  ■ {step.caution} {step.adult && 'An adult stands beside young builders.'}
                </p>
              )}
              <p className={plain.text}>
                <strong>Check:</strong> {step.check}
              </p>
            </div>
            <div
              role="img"
              aria-label={`Step ${i + 1}, drawn`}
              className={styles.stepPicture}
              dangerouslySetInnerHTML={{ __html: pictures[i]! }}
            />
          </li>
        ))}
      </ol>
    </div>
  );
}
