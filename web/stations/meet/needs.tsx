import { formatPlace, formatRunValue } from '../../../core/meet/describe-results.ts';
import type { Entry, Meet, StandingResult } from '../../../core/meet/meet.ts';
import { neededFor } from '../../../core/meet/needed.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './meet.module.css';

interface NeedsProps {
  readonly meet: Meet;
  readonly results: readonly StandingResult[];
  /** The cars that are told of. */
  readonly of: readonly Entry[];
}

/** Places that are told of each car. */
const TOLD = 2;

/** What each car needs in the round that is being run. */
export function Needs({ meet, results, of }: NeedsProps) {
  const units = useUnits();
  const open = meet.brief.rounds
    .map((round, index) => ({
      round,
      needs: of.flatMap(({ id, car }) =>
        neededFor(meet, results, id, index)
          .slice(-TOLD)
          .map((need) => ({ car, ...need })),
      ),
    }))
    .find(({ needs }) => needs.length > 0);
  if (!open) return null;
  const { name, goal } = open.round;
  const lines = open.needs.map(({ car, place, value, isLess }) => {
    const figure = formatRunValue(goal, { value, atLeast: false }, units);
    return `${car} needs ${figure} or ${isLess ? 'less' : 'more'} to take ${formatPlace(place)}.`;
  });
  return (
    <section aria-labelledby="needs-title" className={styles.part}>
      <h2 id="needs-title" className={plain.heading}>
        {name}: what the next run has to come to
      </h2>
      <ul className={plain.text}>
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </section>
  );
}
