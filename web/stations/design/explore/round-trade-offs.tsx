import type { CarDesign } from '../../../../core/car/car-design.ts';
import { formatFigure, formatPoints } from '../../../../core/brief/aim-words.ts';
import type { RoundOutcome } from '../../../../core/explore/all-rounds.ts';
import { useUnits } from '../../../ui/use-units.ts';
import styles from './rounds-table.module.css';

interface RoundTradeOffsProps {
  readonly design: CarDesign;
  /** What the present car and the offered one come to in each round. */
  readonly now: readonly RoundOutcome[];
  readonly then: readonly RoundOutcome[];
  readonly name: string;
}

/** Round by round what a car comes to now and then, and what it gains or gives up in points. */
export function RoundTradeOffs({ design, now, then, name }: RoundTradeOffsProps) {
  const units = useUnits();
  return (
    <table className={styles.rounds} aria-label={name}>
      <thead>
        <tr>
          <th scope="col">round</th>
          <th scope="col">now</th>
          <th scope="col">then</th>
          <th scope="col">points</th>
        </tr>
      </thead>
      <tbody>
        {design.aim.contest!.rounds.map(({ name: round, goal }, i) => (
          <tr key={i}>
            <th scope="row">{round}</th>
            <td>{formatFigure(goal, now[i]!.figure, units)}</td>
            <td>{formatFigure(goal, then[i]!.figure, units)}</td>
            <td>
              {formatPoints(now[i]!.points)} → {formatPoints(then[i]!.points)} {sign(then[i]!.points - now[i]!.points)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Points below which a round is as it was. */
const ALIKE = 0.05;
/** Whether a round gains or loses, not by colour alone. */
const sign = (by: number): string => (by > ALIKE ? '▲' : by < -ALIKE ? '▼' : '=');
