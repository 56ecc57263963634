import type { CarDesign } from '../../../core/car/car-design.ts';
import type { RunOfCar } from '../../../core/trials/compared-runs.ts';
import type { Tuning } from '../../../core/trials/tuning.ts';
import { formatAbout } from '../../../core/units/quantity.ts';
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
  readonly tuning: Tuning;
  /** What a car as it ran is called. */
  readonly nameOf: (design: CarDesign) => string;
  readonly explain: (figure: string) => Explanation;
  readonly runs: readonly RunOfCar[];
  readonly onLeaveOut: (run: RunOfCar, isLeftOut: boolean) => void;
}

/** Groups of like runs with mean and scatter, what hides in their order, and runs that do not go with their like. */
export function LikeRunGroups({ tuning, nameOf, explain, runs, onLeaveOut }: LikeRunGroupsProps) {
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
      {odd.length + leftOut.length > 0 && <OutlierRuns odd={odd} leftOut={leftOut} onLeaveOut={onLeaveOut} />}
    </>
  );
}
