import type { CarDesign } from '../../../core/car/car-design.ts';
import { describeResult } from '../../../core/meet/describe-results.ts';
import type { Entry, Meet, StandingResult } from '../../../core/meet/meet.ts';
import { formatAbout } from '../../../core/units/quantity.ts';
import { CarPortrait } from '../../drawing/car-portrait.tsx';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './run-view.module.css';

interface RunningCarProps {
  readonly meet: Meet;
  readonly entry: Entry;
  /** The lane that it runs in, from 0. */
  readonly lane: number;
  readonly round: number;
  /** All results of the meet. */
  readonly results: readonly StandingResult[];
  /** Where its car is in the Garage. */
  readonly design: CarDesign | null;
}

/** Which car is at the line: its lane, name, crew and picture, what it did in this round, and what its crew predicts. */
export function RunningCar({ meet, entry, lane, round, results, design }: RunningCarProps) {
  const units = useUnits();
  const { goal } = meet.brief.rounds[round]!;
  const ran = results
    .filter(({ result }) => result.entry === entry.id && result.round === round)
    .toSorted((a, b) => a.result.run - b.result.run)
    .map(({ result }) => describeResult(meet, result, units));
  return (
    <div className={styles.car}>
      {meet.lanes > 1 && <p className={styles.lane}>lane {lane + 1}</p>}
      <div>
        <p className={styles.name}>{entry.car}</p>
        <p className={`${plain.text} ${plain.muted}`}>{entry.crew}</p>
        <p className={plain.text}>
          {ran.length > 0 ? `This round: ${ran.join(', ')}` : 'First run of this round'}
          {goal.kind === 'furthest' &&
            entry.predicted !== undefined &&
            entry.showsPrediction &&
            ` · predicted: ${formatAbout(entry.predicted, 'distance', units)}`}
        </p>
      </div>
      {design && (
        <div className={styles.portrait}>
          <CarPortrait design={design} />
        </div>
      )}
    </div>
  );
}
