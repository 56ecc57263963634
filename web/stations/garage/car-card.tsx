import MoreIcon from '@mui/icons-material/MoreHoriz';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import { Suspense, useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { Prediction } from '../../../core/predict/predict-run.ts';
import { goalOf } from '../../../core/brief/goal.ts';
import { goalRecord } from '../../../core/brief/goals.ts';
import { formatAbout, formatIn, formatQuantity } from '../../../core/units/quantity.ts';
import { hasOwnAim } from '../../open-car/known-of-car.ts';
import { useDesignWithBrief, useBriefOf } from '../../open-car/design-with-brief.ts';
import { lazyWithPreload } from '../../ui/lazy-with-preload.ts';
import type { JudgedRound } from '../../../core/brief/judge.ts';
import type { ListedCar } from '../../../core/schema/stored.ts';
import { CarPortrait } from '../../drawing/car-portrait.tsx';
import { Bars } from '../../ui/bars.tsx';
import { downloadJson, fileName } from '../../ui/file-exchange.ts';
import { MenuButton } from '../../ui/menu-button.tsx';
import plain from '../../ui/plain.module.css';
import { useInView } from '../../ui/use-in-view.ts';
import { useUnits } from '../../ui/use-units.ts';
import styles from './garage.module.css';

const CarBrief = lazyWithPreload(() => import('./car-brief.tsx'));
const NextStep = lazyWithPreload(() => import('../../open-car/next-step.tsx'));

/** px of a card that was not seen yet. */
const CARD_HEIGHT = 480;
/** px that the names of bars may take. */
const NAMES = 72;

interface CarCardProps {
  /** Among those that are drawn before anybody scrolls. */
  readonly isFirst: boolean;
  readonly car: ListedCar;
  /** In each round of its brief; null until they were run. */
  readonly rounds: readonly JudgedRound[] | null;
  readonly onDuplicate: () => void;
  readonly onRemove: () => void;
}

/** The prediction of a design, computed once the page has been painted: the first screen waits for neither it nor its program. */
function usePredictionSoon(design: CarDesign): Prediction | null {
  const [known, setKnown] = useState<{ readonly design: CarDesign; readonly prediction: Prediction } | null>(null);
  useEffect(() => {
    let isWanted = true;
    const frame = requestAnimationFrame(() =>
      setTimeout(async () => {
        const { predictRun } = await import('../../../core/predict/predict-run.ts');
        if (isWanted) setKnown({ design, prediction: predictRun(design) });
      }),
    );
    return () => {
      isWanted = false;
      cancelAnimationFrame(frame);
    };
  }, [design]);
  return known?.design === design ? known.prediction : null;
}

/** One car: its card where it is in view, its name elsewhere: a Garage of hundreds is as quick as one of five. */
export function CarCard({ isFirst, ...card }: CarCardProps) {
  const { ref, isInView, height } = useInView<HTMLLIElement>(isFirst);
  const { id, design } = card.car;
  return (
    <li ref={ref} aria-label={design.name} className={styles.card} style={isInView ? undefined : { minHeight: height || CARD_HEIGHT }}>
      {isInView ? (
        <Card {...card} />
      ) : (
        <Link to={`/cars/${id}/design`} className={styles.picture}>
          <h2 className={styles.name}>{design.name}</h2>
        </Link>
      )}
    </li>
  );
}

/** The picture to scale, what is predicted and the best that was measured. */
function Card({ car, rounds, onDuplicate, onRemove }: Omit<CarCardProps, 'isFirst'>) {
  const { best, runCount } = car;
  const worksTo = useBriefOf(car.design);
  const design = useDesignWithBrief(car.design);
  const units = useUnits();
  const prediction = usePredictionSoon(design);
  const predicted =
    prediction === null ? '…' : prediction.kind === 'ran' ? formatAbout(prediction.result.distance, 'distance', units) : 'cannot run yet';
  const measured = best && `${best.kind === 'hit-wall' ? 'at least ' : ''}${formatQuantity(best.distance, 'distance', units)}`;
  return (
    <>
      <Link to={`/cars/${car.id}/design`} className={styles.picture}>
        <CarPortrait design={design} className={runCount === 0 ? styles.onPaper : undefined} />
        <h2 className={styles.name}>
          {design.name}
          {runCount === 0 && <span className={styles.neverRun}>never run</span>}
        </h2>
      </Link>
      <Suspense fallback={<div className={styles.nextAwaited} />}>
        <NextStep carId={car.id} design={design} isLarge />
      </Suspense>
      {prediction?.kind === 'ran' || best ? (
        <Bars
          names={NAMES}
          bars={[
            ...(prediction?.kind === 'ran'
              ? [{ name: 'expected', kind: 'expected', to: prediction.result.distance, words: predicted } as const]
              : []),
            ...(best ? [{ name: `best of ${runCount}`, kind: 'found', to: best.distance, words: measured! } as const] : []),
          ]}
        />
      ) : (
        <p className={plain.text}>{predicted}</p>
      )}
      {worksTo ? (
        <Suspense fallback={<div className={styles.briefAwaited} />}>
          <CarBrief carId={car.id} design={design} brief={worksTo.brief} rounds={rounds} />
        </Suspense>
      ) : (
        <p className={plain.text}>
          <Link to={`/cars/${car.id}/brief`} className={styles.plainLink}>
            {hasOwnAim(design)
              ? `${goalRecord(goalOf(design.aim)).label(goalOf(design.aim), formatIn(units))}, no brief`
              : 'no brief yet: choose its goal'}
          </Link>
        </p>
      )}
      <div className={styles.actions}>
        <Button size="small" variant="outlined" component={Link} to={`/cars/${car.id}/design`}>
          Design
        </Button>
        <Button size="small" variant="outlined" component={Link} to={`/cars/${car.id}/track`}>
          Track
        </Button>
        <Button size="small" variant="outlined" component={Link} to={`/cars/${car.id}/tune`}>
          Tune
        </Button>
        <MenuButton
          actions={[
            ['Make a copy', onDuplicate],
            ['Save as a file', () => downloadJson(`${fileName(design.name)}.car.json`, design)],
            ['Remove', onRemove],
          ]}
          button={(open) => (
            <IconButton size="small" sx={{ ml: 'auto' }} aria-label={`More for ${design.name}`} aria-haspopup="menu" onClick={open}>
              <MoreIcon />
            </IconButton>
          )}
        />
      </div>
    </>
  );
}
