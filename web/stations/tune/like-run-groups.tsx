import { Link } from 'react-router';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { RunOfCar } from '../../../core/trials/compared-runs.ts';
import { timedRun } from '../../../core/explore/race.ts';
import type { Tuning } from '../../../core/trials/tuning.ts';
import { formatAbout, formatQuantity } from '../../../core/units/quantity.ts';
import { raceAddress } from '../../app/race-address.ts';
import { Explained } from '../../ui/explained.tsx';
import type { Explanation } from '../../ui/explanation.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { Wide } from '../../ui/wide.tsx';
import { WordTable } from '../../ui/word-table.tsx';
import { describeMean, describeRunGroup, describeSigns, describeSurvival } from './describe-tuning.ts';
import { OutlierRuns } from './outlier-runs.tsx';

/** How many of a group did not start: `, 2 of them did not start`. */
function didNotStartWords({ distances }: Tuning['groups'][number]): string {
  const count = distances.filter(({ hasStarted }) => !hasStarted).length;
  return count === 0 ? '' : `, ${count} of ${distances.length === count ? 'them' : 'these'} did not start`;
}

interface LikeRunGroupsProps {
  readonly carId: string;
  readonly tuning: Tuning;
  /** What a car as it ran is called. */
  readonly nameOf: (design: CarDesign) => string;
  readonly explain: (figure: string) => Explanation;
  readonly runs: readonly RunOfCar[];
  readonly onLeaveOut: (run: RunOfCar, isLeftOut: boolean) => void;
}

/** Groups of like runs with mean and scatter, what hides in their order, and runs that do not go with their like. */
export function LikeRunGroups({ carId, tuning, nameOf, explain, runs, onLeaveOut }: LikeRunGroupsProps) {
  const units = useUnits();
  const { groups } = tuning;
  const ids = new Set(groups.flatMap(({ distances }) => distances.filter(({ isOdd }) => isOdd).map(({ id }) => id)));
  const odd = runs.filter(({ id }) => id !== undefined && ids.has(id));
  const leftOut = runs.filter(({ record }) => record.leftOut);
  return (
    <>
      <Wide label="Groups of like runs">
        <WordTable
          head={['groups of like runs', 'expected', 'mean (95 %)', 'scatter']}
          rows={groups.map((group, i) => [
            `${i + 1}. ${describeRunGroup(group, nameOf)}, ${group.distances.length} ${group.distances.length === 1 ? 'run' : 'runs'}${didNotStartWords(group)}`,
            group.predicted === null ? '–' : formatAbout(group.predicted, 'distance', units),
            group.spread ? describeMean(group.spread, units) : '–',
            group.spread && group.spread.mean > 0 ? `${((100 * group.spread.deviation) / group.spread.mean).toFixed(0)} %` : '–',
          ])}
        />
      </Wide>
      <p className={plain.caption}>
        <Explained explain={explain} figure="like runs">
          how mean and scatter are calculated
        </Explained>
      </p>
      {groups.map(
        (group, i) =>
          group.beyond && (
            <p key={`beyond-${i}`} className={plain.text}>
              {i + 1}. {describeRunGroup(group, nameOf)}: {describeSurvival(group.beyond, units)}
            </p>
          ),
      )}
      {describeSigns(tuning.signs).map((words) => (
        <p key={words} className={plain.text}>
          {words}
        </p>
      ))}
      {tuning.signs.drift !== 'cannot-tell' && (
        <p className={plain.caption}>
          <Explained explain={explain} figure="signs">
            how drift, outliers and growing scatter are found
          </Explained>
        </p>
      )}
      <TimedRuns carId={carId} runs={runs} />
      {odd.length + leftOut.length > 0 && <OutlierRuns odd={odd} leftOut={leftOut} onLeaveOut={onLeaveOut} />}
    </>
  );
}

/** Runs that are told, the newest first. */
const TIMED = 5;
const day = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', hour: 'numeric', minute: '2-digit' });

/** Runs that were timed, each with a race against its model. */
function TimedRuns({ carId, runs }: Pick<LikeRunGroupsProps, 'carId' | 'runs'>) {
  const units = useUnits();
  const timed = runs
    .filter(
      ({ id, record: { outcome, time, splits } }) =>
        id && timedRun(outcome.distance, outcome.kind === 'stopped' ? time : undefined, splits),
    )
    .toSorted((a, b) => b.record.ranAt.localeCompare(a.record.ranAt))
    .slice(0, TIMED);
  if (timed.length === 0) return null;
  return (
    <section aria-labelledby="timed-title">
      <h3 id="timed-title" className={plain.strong}>
        Timed runs
      </h3>
      <ul className={plain.text}>
        {timed.map(({ id, record: { ranAt, outcome } }) => (
          <li key={id}>
            {day.format(new Date(ranAt))}, {formatQuantity(outcome.distance, 'distance', units)}:{' '}
            <Link
              to={raceAddress([
                { kind: 'run', carId, id: id! },
                { kind: 'model', carId, id: id! },
              ])}
            >
              race it against its model
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
