import { memo } from 'react';
import { Link } from 'react-router';
import type { Brief } from '../../../../core/brief/brief.ts';
import { goalRecord } from '../../../../core/brief/goals.ts';
import { judgeRules, describeCompliance } from '../../../../core/brief/rules.ts';
import { summarizeRound, describeWall } from '../../../../core/brief/judge.ts';
import { formatPoints } from '../../../../core/brief/aim-words.ts';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import type { Assessment } from '../../../../core/explore/assess.ts';
import type { Field } from '../../../../core/meet/field.ts';
import { type Format, formatIn, formatRange } from '../../../../core/units/quantity.ts';
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
  /** Whether all rounds are the aim; what the car earns in them and against whom, once that is known. */
  readonly isOfAll: boolean;
  readonly made: Assessment['inAllRounds'];
  readonly rivals: Field['rivals'] | null;
}

/** The car in every round of its brief; a press brings a round's floor, load and aim under the car. */
export const Rounds = memo(function Rounds({ carId, design, brief, edit, isOfAll, made, rivals }: RoundsProps) {
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
      {isOfAll && <PointsLine made={made} rivals={rivals} />}
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
          {isOfAll && made?.rounds[i] && (
            <span className={`${plain.caption} ${plain.muted} ${styles.earned}`}>{formatPoints(made.rounds[i].points)} points</span>
          )}
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

/** What all rounds come to together, against whom, and how that is worked out. */
function PointsLine({ made, rivals }: Pick<RoundsProps, 'made' | 'rivals'>) {
  if (!made || !rivals) return <p className={`${plain.caption} ${plain.muted}`}>Working out the points of all rounds …</p>;
  const { low, middle, high } = made.points;
  const against = rivals.length === 0 ? 'typical cars of this brief and this car as it is now' : listed(rivals.map(({ name }) => name));
  return (
    <details className={styles.points}>
      <summary>
        <strong className={plain.figures}>about {formatPoints(middle)} points</strong>{' '}
        <span className={`${plain.caption} ${plain.muted}`}>
          in all rounds; cars built like this: {formatRange(formatPoints(low), formatPoints(high))} (8 in 10)
        </span>
      </summary>
      <p className={plain.caption}>
        Each round is run against {against}, {rivals.length === 0 ? '' : 'as far as each is known from its design and runs, '}over many
        evenings. Places give the points of the brief. Best car, sweep, map and changes are ranked by these points. Choose one round under
        Goal to rank by that.
      </p>
    </details>
  );
}

const listed = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
