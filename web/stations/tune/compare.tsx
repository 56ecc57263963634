import Button from '@mui/material/Button';
import { useState } from 'react';
import type { Goal } from '../../../core/brief/goal.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { changeWords, differences } from '../../../core/car/difference.ts';
import { atTheMark } from '../../../core/trials/at-the-mark.ts';
import { CAUSES } from '../../../core/trials/causes.ts';
import { didItHelp, permutationP, superiority, welch } from '../../../core/trials/did-it-help.ts';
import { ownScatter } from '../../../core/trials/own-scatter.ts';
import type { Tuning } from '../../../core/trials/tuning.ts';
import { ChoiceSelect } from '../../asked/choice-select.tsx';
import { Explained } from '../../ui/explained.tsx';
import type { Explanation } from '../../ui/explanation.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './tune.module.css';
import { groupWords, markWords, percent, verdictWords } from './tune-words.ts';

interface CompareProps extends Pick<Tuning, 'groups'> {
  readonly nameOf: (design: CarDesign) => string;
  /** What the brief asks. */
  readonly goal: Goal;
  readonly explain: (figure: string) => Explanation;
}

/** Any two groups of runs: the difference with its interval, the verdict, and what was changed between them. */
export function Compare({ groups, nameOf, goal, explain }: CompareProps) {
  const units = useUnits();
  const [first, setFirst] = useState('0');
  const [second, setSecond] = useState(String(Math.min(1, groups.length - 1)));
  const [isOpen, setOpen] = useState(false);
  const options = Object.fromEntries(groups.map((group, i) => [String(i), `${i + 1}. ${groupWords(group, nameOf)}`]));
  const [a, b] = [groups[Number(first)], groups[Number(second)]];
  if (groups.length < 2 || !a || !b) return <p className={`${plain.caption} ${plain.muted}`}>Two groups of runs are needed to compare.</p>;
  const distances = (group: typeof a): number[] => group.distances.filter(({ isWall }) => !isWall).map(({ distance }) => distance);
  const [before, after] = [distances(a), distances(b)];
  // What is thought of the scatter before: by the groups that are not compared.
  const scatter = ownScatter(groups.filter((group) => group !== a && group !== b).map(distances));
  const comparison = didItHelp(before, after, { scatter });
  const mark = atTheMark(before, after, goal, scatter);
  const changed = differences(a.design, b.design, units);
  const mended = [...a.faults.filter((fault) => !b.faults.includes(fault)), ...b.faults.filter((fault) => !a.faults.includes(fault))];
  const test = comparison && welch(before, after);
  const permuted = comparison && permutationP(before, after);
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
              {verdictWords(comparison)}
            </Explained>
          </p>
          {mark && (
            <p className={plain.text}>
              <Explained explain={explain} figure="mark">
                {markWords(mark, goal, units)}
              </Explained>
            </p>
          )}
          <p className={plain.text}>
            On average the second goes further: {percent(Math.min(Math.max(comparison.chance, 0.01), 0.99))} likely.{' '}
            {changed.length > 0 ? `Changed: ${changeWords(a.design, b.design, units)}.` : 'The design is the same.'}
            {mended.map((fault) => ` “${CAUSES[fault].name}” was put right between them.`)}
            {changed.length + mended.length > 1 && ' More than one thing was changed: their shares cannot be told apart.'}
          </p>
          <Button size="small" onClick={() => setOpen(!isOpen)} aria-expanded={isOpen} sx={{ justifySelf: 'start' }}>
            {isOpen ? 'less' : 'the tests of the books'}
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
        <p className={plain.text}>Two runs of each that stopped are needed.</p>
      )}
    </>
  );
}
