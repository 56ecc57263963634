import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import type { Goal } from '../../../core/brief/goal.ts';
import { goalRecord } from '../../../core/brief/goals.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { describeChanges, differences } from '../../../core/car/difference.ts';
import { atTheMark } from '../../../core/trials/at-the-mark.ts';
import { describeCause } from '../../../core/trials/cause-descriptions.ts';
import type { RunOfCar } from '../../../core/trials/compared-runs.ts';
import { didItHelp } from '../../../core/trials/did-it-help.ts';
import { areInTurn, scored } from '../../../core/trials/scored-runs.ts';
import { permutationP, superiority, welch } from '../../../core/trials/two-sample-tests.ts';
import { ownScatter } from '../../../core/trials/own-scatter.ts';
import type { TunedGroup, Tuning } from '../../../core/trials/tuning.ts';
import { ChoiceSelect } from '../../brief-fields/choice-select.tsx';
import { Explained } from '../../ui/explained.tsx';
import type { Explanation } from '../../ui/explanation.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './tune.module.css';
import { describeScoring, describeRunGroup, describeNextRuns, percent, describeDifferences, describeVerdict } from './describe-tuning.ts';

interface CompareProps extends Pick<Tuning, 'groups'> {
  /** All runs that the groups are made of. */
  readonly runs: readonly RunOfCar[];
  readonly nameOf: (design: CarDesign) => string;
  /** What the brief asks. */
  readonly goal: Goal;
  readonly explain: (figure: string) => Explanation;
}

const distances = (group: TunedGroup): number[] => group.distances.filter(({ isWall }) => !isWall).map(({ distance }) => distance);

/** Two of the groups compared by the goal; null where there are no two. */
function comparedGroups(groups: readonly TunedGroup[], runs: readonly RunOfCar[], goal: Goal, first: number, second: number) {
  const [a, b] = [groups[first], groups[second]];
  if (groups.length < 2 || !a || !b) return null;
  const runsOf = (group: TunedGroup): RunOfCar[] =>
    group.distances.flatMap((one) => runs.find(({ id }) => id !== undefined && id === one.id) ?? []);
  const pair = { before: runsOf(a), after: runsOf(b) };
  const { scoring, runs: compared } = scored(goal, [pair]);
  // Prior of the scatter before: by the groups that are not compared.
  const scatter = ownScatter(groups.filter((group) => group !== a && group !== b).map(distances));
  const isDistance = goalRecord(goal).quantity === 'distance' || scoring.by === 'distance';
  return {
    a,
    b,
    comparison: didItHelp(compared, { scoring, scatter, isInTurn: areInTurn(pair) }),
    mark: atTheMark(compared[0]!, scoring, isDistance && 'distance' in goal ? goal.distance : null, scatter),
  };
}

/** Any two groups of runs: the difference with its interval, the verdict, and what was changed between them. */
export function Compare({ groups, runs, nameOf, goal, explain }: CompareProps) {
  const units = useUnits();
  const [first, setFirst] = useState('0');
  const [second, setSecond] = useState(String(Math.min(1, groups.length - 1)));
  const [isOpen, setOpen] = useState(false);
  const compared = useMemo(() => comparedGroups(groups, runs, goal, Number(first), Number(second)), [groups, runs, goal, first, second]);
  const options = Object.fromEntries(groups.map((group, i) => [String(i), `${i + 1}. ${describeRunGroup(group, nameOf)}`]));
  if (!compared) return <p className={`${plain.caption} ${plain.muted}`}>Two groups of runs are needed to compare.</p>;
  const { a, b, comparison, mark } = compared;
  const changed = differences(a.design, b.design, units);
  const mended = [...a.faults.filter((fault) => !b.faults.includes(fault)), ...b.faults.filter((fault) => !a.faults.includes(fault))];
  const unlike = describeDifferences(a, b);
  // The tests of the books know nothing of walls: they are reported for runs that stopped.
  const [before, after] = [distances(a), distances(b)];
  const test = comparison && before.length > 1 && after.length > 1 ? welch(before, after) : null;
  const permuted = test && permutationP(before, after);
  return (
    <>
      <div className={styles.row}>
        <ChoiceSelect label="From" value={first} options={options} onChange={setFirst} />
        <ChoiceSelect label="To" value={second} options={options} onChange={setSecond} />
      </div>
      {comparison ? (
        <>
          <p className={plain.strong}>
            <Explained explain={explain} figure="verdict">
              {describeVerdict(comparison, units)}
            </Explained>
          </p>
          {mark && (
            <p className={plain.text}>
              <Explained explain={explain} figure="mark">
                {describeNextRuns(mark, comparison, goal, units)}
              </Explained>
            </p>
          )}
          <p className={plain.text}>
            {describeScoring(comparison, goal)} On average the second is better:{' '}
            {percent(Math.min(Math.max(comparison.chance, 0.01), 0.99))} likely.{' '}
            {changed.length > 0 ? `Changed: ${describeChanges(a.design, b.design, units)}.` : 'The design is the same.'}
            {mended.map((fault) => ` “${describeCause(fault, b.design.motor.kind).name}” was repaired between them.`)}
            {unlike !== '' && ` ${unlike}`}
            {changed.length + mended.length > 1 && ' More than one thing was changed. Their effects cannot be separated.'}
          </p>
          <Button size="small" onClick={() => setOpen(!isOpen)} aria-expanded={isOpen} sx={{ justifySelf: 'start' }}>
            {isOpen ? 'less' : 'classical tests'}
          </Button>
          {isOpen && test && (
            <p className={plain.text}>
              Welch: t = {test.t.toFixed(2)} with {test.freedom.toFixed(1)} degrees of freedom, p = {test.p.toFixed(3)}.
              {permuted !== null && ` Exact permutation: p = ${permuted.toFixed(3)}.`} A run of the second beats one of the first in{' '}
              {percent(superiority(before, after))} of pairs.
            </p>
          )}
        </>
      ) : (
        <p className={plain.text}>Two runs of each are needed.</p>
      )}
    </>
  );
}
