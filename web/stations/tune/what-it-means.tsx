import Button from '@mui/material/Button';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { Tuning } from '../../../core/trials/tuning.ts';
import { formatNumber, formatQuantity } from '../../../core/units/quantity.ts';
import { Explained } from '../../ui/explained.tsx';
import type { Explanation } from '../../ui/explanation.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './tune.module.css';
import { FURTHER, type PosteriorChange } from '../../../core/trials/posterior-change.ts';
import type { TuneFigure } from './explain-tuning.ts';
import { PLAUSIBILITY_SUFFIX, describeRunGroup, formatInterval, describePosteriorChange, percent } from './describe-tuning.ts';

interface WhatItMeansProps {
  readonly tuning: Tuning;
  readonly nameOf: (design: CarDesign) => string;
  readonly explain: (figure: string) => Explanation;
  readonly onPut: () => void;
}

/** Groups told one by one. */
const TOLD = 8;

/** What the runs tell of the car itself, and how well the model now says what it was not fitted to. */
export function WhatItMeans({ tuning, nameOf, explain, onPut }: WhatItMeansProps) {
  const units = useUnits();
  const { full, learnt, groups, further, scatter, room, earlier, unwound, isSettled } = tuning;
  const metres = (value: number): string => formatQuantity(value, 'distance', units);
  // Only the newest are reported one by one, and older ones that do not fit.
  const held = groups.filter(
    ({ heldOut, spread, check }, i) =>
      heldOut !== null && spread !== null && check !== null && (i >= groups.length - TOLD || check.verdict !== 'as-expected'),
  );
  const [best] = further;
  const figure = (name: TuneFigure, words: string): React.ReactNode => (
    <Explained explain={explain} figure={name}>
      {words}
    </Explained>
  );
  const learntLine = (of: 'resistance' | 'energy', change: PosteriorChange): React.ReactNode => {
    const { words, range, remark } = describePosteriorChange(change, of);
    return (
      <p className={plain.text}>
        {words} ({figure(of, range)}){remark}
      </p>
    );
  };
  return (
    <>
      {full && (
        <p className={plain.strong}>
          Fully wound on a long floor{full.direction ? `, ${full.direction === 'out' ? 'on the way out' : 'on the way back'}` : ''}:{' '}
          {figure('mean', formatInterval(full.mean, units))} on average (9 in 10); its next run{' '}
          {figure('next run', formatInterval(full.next, units))}.
        </p>
      )}
      {full?.fork && (
        <p className={plain.text}>
          ■ Its launch is within 15 % of spinning: about {figure('fork', metres(full.fork.holds))} where its tyres hold, about{' '}
          {figure('fork', metres(full.fork.spins))} if they spin.
        </p>
      )}
      {learnt && (
        <>
          {learntLine('resistance', learnt.resistance)}
          {learntLine('energy', learnt.energy)}
        </>
      )}
      <p className={plain.text}>One run differs from the next by about {figure('scatter', percent(scatter))} of its distance.</p>
      {held.map((group, i) => (
        <p key={i} className={plain.text}>
          Fitted without the runs {describeRunGroup(group, nameOf)}, the model predicts{' '}
          {figure('held out', formatInterval(group.heldOut!, units))}; their mean was {metres(group.spread!.mean)}
          {PLAUSIBILITY_SUFFIX[group.check!.verdict]}
        </p>
      ))}
      {earlier.groups > 0 && (
        <p className={plain.text}>
          Its {earlier.runs} oldest runs, of {earlier.groups} {earlier.groups === 1 ? 'version or winding' : 'versions or windings'}, are
          not in this fit.
        </p>
      )}
      {unwound > 0 && (
        <p className={plain.text}>
          {unwound === 1 ? 'One run was' : `${unwound} runs were`} entered as not wound at all, and {unwound === 1 ? 'is' : 'are'} not in
          this fit: correct the turns in Track if that is wrong.
        </p>
      )}
      {!isSettled && (
        <p className={plain.text}>
          ■ The search for the car that explains these runs best did not come to its end: the figures are of the best it found, and may
          change with the next run.
        </p>
      )}
      {best && best.fraction > 0.02 && (
        <p className={plain.text}>
          The most useful run for the full wind: {FURTHER[best.id]} (cuts the uncertainty by about{' '}
          {figure('further', percent(best.fraction))}
          ).
        </p>
      )}
      {room && (
        <p className={plain.text}>
          The room is {metres(room.room)}.{' '}
          {room.turns === 0 ? (
            <>{figure('room', 'Not even half a turn')} stops inside for 9 in 10 of its next runs. Find more room.</>
          ) : (
            <>
              9 in 10 of its next runs stop inside with up to {figure('room', `${formatNumber(room.turns, 'count', units)} turns`)}, at{' '}
              {formatInterval(room.distance, units)}. Try these turns next. A wall hit still counts as “at least”.
            </>
          )}
        </p>
      )}
      {Object.keys(tuning.values).length > 0 && (
        <div className={styles.row}>
          <Button size="small" variant="outlined" onClick={onPut}>
            Apply the fitted values to the car
          </Button>
          <span className={`${plain.caption} ${plain.muted}`}>as a version, marked as fitted; what you measured does not change</span>
        </div>
      )}
    </>
  );
}
