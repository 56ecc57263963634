import { memo } from 'react';
import { Link } from 'react-router';
import type { Brief } from '../../../../core/brief/brief.ts';
import { goalRecord } from '../../../../core/brief/goals.ts';
import { judgeRules, describeCompliance } from '../../../../core/brief/rules.ts';
import { summarizeRound, describeWall } from '../../../../core/brief/judge.ts';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { type Format, formatIn } from '../../../../core/units/quantity.ts';
import type { Edit } from '../../../open-car/design-slice.ts';
import { useRounds } from '../../../open-car/use-rounds.ts';
import plain from '../../../ui/plain.module.css';
import { useRoving } from '../../../ui/use-roving.ts';
import { useUnits } from '../../../ui/use-units.ts';
import styles from './verdict-panel.module.css';

interface RoundsProps {
  readonly carId: string;
  readonly design: CarDesign;
  readonly brief: Brief;
  readonly edit: Edit;
}

/** The car in every round of its brief; a press brings a round's floor, load and aim under the car. */
export const Rounds = memo(function Rounds({ carId, design, brief, edit }: RoundsProps) {
  const units = useUnits();
  const judged = useRounds(design, brief);
  const group = useRoving('button');
  const format: Format = formatIn(units);
  const { verdict, words } = describeCompliance(judgeRules(design, design.limits), format);
  const seen = Math.min(design.brief?.round ?? 0, brief.rounds.length - 1);
  return (
    <section ref={group} aria-labelledby="rounds-title" className={styles.rounds}>
      <h2 id="rounds-title" className={plain.heading}>
        <Link to={`/cars/${carId}/brief`}>{brief.name}</Link>
      </h2>
      <p className={`${plain.caption} ${verdict === 'broken' ? styles.breaks : plain.muted}`}>{words}</p>
      {brief.rounds.map((round, i) => (
        <button
          key={i}
          type="button"
          aria-pressed={i === seen}
          className={styles.round}
          onClick={() => edit((car) => (car.brief ? { ...car, brief: { ...car.brief, round: i } } : car))}
        >
          <span className={plain.strong}>
            {i === seen ? '▸ ' : ''}
            {round.name}
          </span>
          <span className={plain.figures}>{judged?.[i] ? summarizeRound(round, judged[i], units) : '…'}</span>
          {i === seen && (
            <span className={`${plain.caption} ${plain.muted} ${styles.whole}`}>
              {[
                goalRecord(round.goal).label(round.goal, format),
                ...(round.points.length > 0 ? [`points by place: ${round.points.join(', ')}`] : []),
                ...(judged?.[i] ? describeWall(round.goal, judged[i], units) : []),
              ].join(' · ')}
            </span>
          )}
        </button>
      ))}
    </section>
  );
});
