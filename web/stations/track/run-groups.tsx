import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { describeCount } from '../../../core/trials/describe-count.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { distinguish } from '../../../core/car/distinguish.ts';
import { describeFloor } from '../../../core/car/floors.ts';
import { isSameBuild } from '../../../core/car/same-design.ts';
import { predictRun } from '../../../core/predict/predict-run.ts';
import { isReadable, type ListedRun, type RunSums } from '../../../core/schema/stored.ts';
import { groupedRuns, type GroupedBy, type LikeRuns } from '../../../core/trials/like-runs.ts';
import { didNotStart } from '../../../core/car/did-not-start.ts';
import { floorSlopeFromRuns } from '../../../core/trials/floor-slope.ts';
import { spreadOf } from '../../../core/trials/spread.ts';
import { formatAbout, formatIn, formatQuantity } from '../../../core/units/quantity.ts';
import { useListSessionsQuery } from '../../app/api/documents-api.ts';
import { type RunFilter, useListRunsQuery, useSumSessionsQuery, useTallyRunsQuery } from '../../app/api/runs-api.ts';
import { useListVersionsQuery } from '../../app/api/versions-api.ts';
import { ChoiceSelect } from '../../brief-fields/choice-select.tsx';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './run-list.module.css';
import { formatOutcome, formatWinding } from './describe-run.ts';
import { StateNote } from '../../ui/state-note.tsx';

/** The group whose runs are shown alone, and what they have in common. */
export interface ChosenGroup {
  readonly key: string;
  readonly words: string;
  readonly filter: RunFilter;
}

interface ShownGroup extends ChosenGroup {
  /** What else is said of it. */
  readonly remark: string;
  readonly sums: RunSums;
  /** Runs of one car, with the same winding: they have one prediction, and pairs out and back. */
  readonly alike: LikeRuns | null;
}

const BY: Readonly<Record<GroupedBy | 'session', string>> = {
  like: 'car and winding',
  version: 'version',
  floor: 'floor',
  winding: 'winding',
  session: 'session',
};
type By = keyof typeof BY;

/** Groups shown before more are asked for. */
const SHOWN = 4;

/** The groups of a car’s runs, put together as is asked. */
function useGroups(carId: string, design: CarDesign, by: By): { readonly groups: readonly ShownGroup[]; readonly total: number } | null {
  const units = useUnits();
  const { data } = useTallyRunsQuery(carId);
  const { data: versions } = useListVersionsQuery(carId);
  const { data: sessions } = useListSessionsQuery();
  const { data: ofSessions } = useSumSessionsQuery(carId, { skip: by !== 'session' });
  return useMemo(() => {
    if (!data) return null;
    if (by === 'session') {
      const groups = (ofSessions ?? []).map(({ session, ...sums }): ShownGroup => ({
        key: session,
        words: sessions?.readable.find(({ id }) => id === session)?.session.name ?? 'a session that was removed',
        remark: '',
        filter: { session },
        sums,
        alike: null,
      }));
      return { groups, total: groups.length };
    }
    const versionOf = (group: LikeRuns): string => {
      const version = versions?.readable.find(({ record }) => isSameBuild(record.design, group.design));
      if (version) return `“${version.record.name}”`;
      if (isSameBuild(design, group.design)) return 'the car as it is';
      return distinguish([design, group.design], units)[1] || 'the car as it was then';
    };
    const groups = groupedRuns(data, by).map((group): ShownGroup => {
      const { wind, designIds: designs } = group;
      const turns = wind.kind === 'full' ? 'full' : wind.turns;
      const version = versionOf(group);
      const words = {
        like: formatWinding(wind),
        winding: formatWinding(wind),
        version,
        floor: describeFloor(group.design.floor, formatIn(units)),
      }[by];
      return {
        key: `${by} ${designs[0]} ${turns}`,
        words,
        remark: by === 'like' && version !== 'the car as it is' ? version : '',
        filter: { ...(by !== 'winding' && { designs }), ...((by === 'like' || by === 'winding') && { wind: turns }) },
        sums: group.sums,
        alike: by === 'like' ? group : null,
      };
    });
    return { groups, total: by === 'like' ? Math.max(data.total, groups.length) : groups.length };
  }, [data, by, versions, sessions, ofSessions, design, units]);
}

interface RunGroupsProps {
  readonly carId: string;
  readonly design: CarDesign;
  readonly chosen: ChosenGroup | null;
  readonly onChoose: (group: ChosenGroup | null) => void;
}

/** Runs put together by car and winding, or by one thing they share: how many, mean and spread; one group may be shown alone. */
export function RunGroups({ carId, design, chosen, onChoose }: RunGroupsProps) {
  const [by, setBy] = useState<By>('like');
  const [all, setAll] = useState(false);
  const found = useGroups(carId, design, by);
  if (!found) return null;
  const { groups, total } = found;
  if (by === 'like' && groups.length === 0)
    return (
      <StateNote kind="empty">
        No run yet. Wind the car, place its nose at the line, release it, and measure from line to nose. Log the run here. Three like runs
        show how much runs differ by luck.
      </StateNote>
    );
  return (
    <>
      <div>
        <ChoiceSelect
          label="Group by"
          value={by}
          options={BY}
          onChange={(next) => {
            setBy(next);
            onChoose(null);
          }}
        />
      </div>
      {groups.length === 0 && <Typography color="text.secondary">No run belongs to a session yet.</Typography>}
      {groups.slice(0, all ? undefined : SHOWN).map((group) => (
        <RunGroup
          key={group.key}
          carId={carId}
          group={group}
          isChosen={group.key === chosen?.key}
          isOnly={groups.length === 1}
          onChoose={() => onChoose(group.key === chosen?.key ? null : group)}
        />
      ))}
      {groups.length > SHOWN && (
        <Button size="small" onClick={() => setAll(!all)} aria-expanded={all} sx={{ justifySelf: 'start' }}>
          {all ? 'fewer' : `${groups.length - SHOWN} more ${total > groups.length ? `of ${total}` : ''}`}
        </Button>
      )}
    </>
  );
}

interface RunGroupProps {
  readonly carId: string;
  readonly group: ShownGroup;
  readonly isChosen: boolean;
  readonly isOnly: boolean;
  readonly onChoose: () => void;
}

function RunGroup({ carId, group: { words, remark, sums, alike, filter }, isChosen, isOnly, onChoose }: RunGroupProps) {
  const units = useUnits();
  const prediction = useMemo(() => alike && predictRun(alike.design, alike.wind), [alike]);
  const { mean, deviation } = spreadOf(sums);
  const distance = (value: number | null): string => (value === null ? '–' : formatQuantity(value, 'distance', units));
  const facts: readonly (readonly [string, string])[] = [
    ['runs', describeCount({ ...sums, count: sums.stopped + sums.walls + sums.noStarts })],
    ...(prediction
      ? [['predicted', prediction.kind === 'ran' ? formatAbout(prediction.result.distance, 'distance', units) : '–'] as const]
      : []),
    [sums.walls + sums.noStarts > 0 && sums.stopped > 0 ? 'mean of those that stopped' : 'mean', distance(mean)],
    ['standard deviation', deviation === null ? 'needs two runs that stopped' : `± ${distance(deviation)}`],
    ['best', formatOutcome(sums.best, units)],
  ];
  return (
    <div role="group" aria-label={words} className={styles.group}>
      <div className={styles.head}>
        <h3 className={plain.heading}>
          {words}
          {remark && <span className={`${plain.text} ${plain.muted}`}> · {remark}</span>}
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
      {alike && sums.stopped >= PAIRS && <Pairs carId={carId} group={alike} filter={filter} />}
    </div>
  );
}

/** Runs that stopped, from which on there may be two each way. */
const PAIRS = 4;

/** What runs out and back tell of the floor, where there are two each way. */
function Pairs({ carId, group, filter }: { readonly carId: string; readonly group: LikeRuns; readonly filter: RunFilter }) {
  const units = useUnits();
  const { data } = useListRunsQuery({ carId, filter, page: 0 });
  const lean = useMemo(() => {
    const runs = (data?.runs ?? []).filter((run): run is ListedRun => isReadable<ListedRun>(run)).map(({ record }) => record);
    const distances = (direction: 'out' | 'back'): number[] =>
      runs
        .filter(({ outcome, ...run }) => run.direction === direction && outcome.kind === 'stopped' && !didNotStart(outcome))
        .map(({ outcome }) => outcome.distance);
    return floorSlopeFromRuns(group.design, group.wind, distances('out'), distances('back'));
  }, [data, group]);
  if (!lean) return null;
  const metres = (value: number): string => formatQuantity(value, 'distance', units);
  const [slope, deviation] = [lean.slope, lean.deviation].map((value) => (1000 * Math.abs(value)).toFixed(1));
  const isTold = Math.abs(lean.slope) > 2 * lean.deviation;
  return (
    <p className={plain.text}>
      Out {metres(lean.out)}, back {metres(lean.back)}: {metres(lean.level)} on the level.{' '}
      {isTold
        ? `The floor slopes by about ${slope} ± ${deviation} mm per metre, uphill ${lean.slope > 0 ? 'outward' : 'on the way back'}.`
        : 'These runs do not tell whether the floor slopes.'}
    </p>
  );
}
