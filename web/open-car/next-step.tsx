import { useDeferredValue, useMemo } from 'react';
import { Link } from 'react-router';
import type { CarDesign } from '../../core/car/car-design.ts';
import { capitalized } from '../../core/capitalized.ts';
import { needsOutlook, nextThing } from '../../core/trials/next-thing.ts';
import { useListCarsQuery } from '../app/api/cars-api.ts';
import plain from '../ui/plain.module.css';
import { useUnits } from '../ui/use-units.ts';
import { useBriefOf } from './design-with-brief.ts';
import { knownOfCar } from './known-of-car.ts';
import { useAim } from './use-aim.ts';
import { useIsBuilt } from './use-is-built.ts';
import { useOutlook } from './use-outlook.ts';
import styles from './next-step.module.css';

interface NextStepProps {
  readonly carId: string;
  /** The car as its brief asks. */
  readonly design: CarDesign;
  /** As the largest thing on a card, its reason below it. */
  readonly isLarge?: boolean;
}

/** The next thing to do for a car, with its reason; pressed, it leads there. */
export default function NextStep({ carId, design: present, isLarge = false }: NextStepProps) {
  // While a size is dragged this gives way to what is drawn.
  const design = useDeferredValue(present);
  const { data: cars } = useListCarsQuery();
  const runs = cars?.readable.find(({ id }) => id === carId)?.runCount ?? 0;
  const brief = useBriefOf(design)?.brief ?? null;
  const isBuilt = useIsBuilt(carId) || runs > 0;
  const units = useUnits();
  const known = useMemo(() => ({ ...knownOfCar(design, brief, runs), isBuilt }), [brief, design, runs, isBuilt]);
  const isWanted = needsOutlook(known);
  // As Design ranks it: by all rounds of its brief where it is judged by them.
  const { aimed, field, isOfAll } = useAim(carId, design, isWanted);
  const isAimed = !isOfAll || field !== null;
  const outlook = useOutlook(aimed, units, isWanted && isAimed);
  if (isWanted && outlook === undefined) return <p className={`${plain.text} ${plain.muted}`}>Next: …</p>;
  const next = nextThing({ ...known, outlook: outlook ?? null });
  if (isLarge)
    return (
      <div>
        <Link to={`/cars/${carId}/${next.station}`} className={styles.large}>
          {capitalized(next.words)} <span aria-hidden>→</span>
        </Link>
        <p className={`${plain.caption} ${plain.muted}`}>{next.reason}</p>
      </div>
    );
  return (
    <p className={plain.text}>
      Next: <Link to={`/cars/${carId}/${next.station}`}>{next.words}</Link> <span className={plain.muted}>({next.reason})</span>
    </p>
  );
}
