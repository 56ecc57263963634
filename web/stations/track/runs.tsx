import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { predictRun } from '../../../core/predict/predict-run.ts';
import { isSameDesign, isSameCar } from '../../../core/car/same-design.ts';
import { likeRuns, type LikeRuns } from '../../../core/trials/like-runs.ts';
import { spreadOf } from '../../../core/trials/spread.ts';
import { printAbout, printQuantity } from '../../../core/units/quantity.ts';
import { useListVersionsQuery, useTallyRunsQuery, type RunFilter } from '../../app/api.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { RunList } from './run-list.tsx';
import styles from './run-list.module.css';
import { outcomeWords, windWords } from './run-words.ts';

interface RunsProps {
  readonly carId: string;
  readonly design: CarDesign;
}

/** Groups shown before more are asked for. */
const SHOWN = 4;

const filterOf = ({ designIds, wind }: LikeRuns): RunFilter => ({ designs: designIds, wind: wind.kind === 'full' ? 'full' : wind.turns });
const isOf = (filter: RunFilter | null, group: LikeRuns): boolean =>
  filter !== null && filter.wind === filterOf(group).wind && group.designIds.some((id) => filter.designs.includes(id));

/** All runs of a car: those wound alike together, predicted, mean and spread; below them the list, of all or of one group. */
export function Runs({ carId, design }: RunsProps) {
  const { data } = useTallyRunsQuery(carId);
  const groups = useMemo(() => (data ? likeRuns(data) : []), [data]);
  const [filter, setFilter] = useState<RunFilter | null>(null);
  const [all, setAll] = useState(false);
  const chosen = groups.find((group) => isOf(filter, group));
  const shown = groups.slice(0, all ? undefined : SHOWN);
  if (!data) return null;
  return (
    <section aria-labelledby="runs-title" className={styles.groups}>
      <Typography id="runs-title" variant="h2">
        Runs
      </Typography>
      {groups.length === 0 && (
        <Typography color="text.secondary">
          No run yet. Wind it, place the nose at the line, release, measure from line to nose, and log it here: three runs wound alike show
          how much luck is in it.
        </Typography>
      )}
      {shown.map((group) => (
        <RunGroup
          key={`${group.designIds[0]!} ${windWords(group.wind)}`}
          carId={carId}
          group={group}
          isPresentCar={isSameCar(group.design, design)}
          isChosen={group === chosen}
          isOnly={groups.length === 1}
          onChoose={() => setFilter(group === chosen ? null : filterOf(group))}
        />
      ))}
      {groups.length > SHOWN && (
        <Button size="small" onClick={() => setAll(!all)} aria-expanded={all} sx={{ justifySelf: 'start' }}>
          {all ? 'fewer' : `${groups.length - SHOWN} more ${data.total > groups.length ? `of ${data.total}` : ''}`}
        </Button>
      )}
      {/* Also where no group can be told: what cannot be read is in the list. */}
      <RunList
        carId={carId}
        filter={chosen ? filter : null}
        filterWords={chosen ? windWords(chosen.wind) : ''}
        onAll={() => setFilter(null)}
      />
    </section>
  );
}

interface RunGroupProps {
  readonly carId: string;
  readonly group: LikeRuns;
  readonly isPresentCar: boolean;
  readonly isChosen: boolean;
  readonly isOnly: boolean;
  readonly onChoose: () => void;
}

function RunGroup({ carId, group, isPresentCar, isChosen, isOnly, onChoose }: RunGroupProps) {
  const units = useUnits();
  const { data: versions } = useListVersionsQuery(carId);
  const prediction = useMemo(() => predictRun(group.design, group.wind), [group]);
  const { sums } = group;
  const { mean, deviation } = spreadOf(sums);
  const version = versions?.readable.find(({ record }) => isSameDesign(record.design, group.design))?.record.name;
  const distance = (value: number | null): string => (value === null ? '–' : printQuantity(value, 'distance', units));
  const count = sums.stopped + sums.walls;
  const facts: readonly (readonly [string, string])[] = [
    ['runs', `${count}${sums.walls > 0 ? `, ${sums.walls} into the wall` : ''}`],
    ['predicted', prediction.kind === 'ran' ? printAbout(prediction.result.distance, 'distance', units) : '–'],
    [sums.walls > 0 && sums.stopped > 0 ? 'mean of those that stopped' : 'mean', distance(mean)],
    ['spread (standard deviation)', deviation === null ? 'needs two runs that stopped' : `± ${distance(deviation)}`],
    ['best', outcomeWords(sums.best, units)],
  ];
  return (
    <div role="group" aria-label={windWords(group.wind)} className={styles.group}>
      <div className={styles.head}>
        <h3 className={plain.heading}>
          {windWords(group.wind)}
          {(!isPresentCar || version) && (
            <span className={`${plain.text} ${plain.muted}`}> · {version ? `“${version}”` : 'the car as it was then'}</span>
          )}
        </h3>
        {!isOnly && (
          <Button size="small" aria-pressed={isChosen} onClick={onChoose}>
            {isChosen ? 'show all runs' : 'show only these'}
          </Button>
        )}
      </div>
      <dl>
        {facts.map(([name, value]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
    </div>
  );
}
