import { useMemo } from 'react';
import { Link } from 'react-router';
import { formatPoints } from '../../../core/brief/aim-words.ts';
import { useListCarsQuery } from '../../app/api/cars-api.ts';
import { useBriefForecast } from '../../open-car/use-brief-forecast.ts';
import { inTen } from '../../ui/in-ten.ts';
import { limitsOf, type Brief } from '../../../core/brief/brief.ts';
import { summarizeRound, type JudgedRound } from '../../../core/brief/judge.ts';
import { judgeRules, describeCompliance } from '../../../core/brief/rules.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { type Format, formatIn } from '../../../core/units/quantity.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './garage.module.css';

interface CarBriefProps {
  readonly carId: string;
  readonly design: CarDesign;
  readonly brief: Brief;
  /** Null until they were run. */
  readonly rounds: readonly JudgedRound[] | null;
}

/** The brief a car works to, and how near it is: rules it breaks, and what each round would come to. */
export default function CarBrief({ carId, design, brief, rounds }: CarBriefProps) {
  const units = useUnits();
  const format: Format = formatIn(units);
  const { data } = useListCarsQuery();
  const cars = useMemo(() => (data?.readable ?? []).filter((car) => car.design.brief?.id === design.brief?.id), [data, design.brief?.id]);
  const own = useBriefForecast(brief, cars, false)?.forecast.entries.find(({ entry }) => entry === carId);
  const { verdict, words } = describeCompliance(judgeRules(design, limitsOf(brief.rules)), format);
  return (
    <div className={styles.brief}>
      <p className={plain.text}>
        <Link to={`/cars/${carId}/brief`}>{brief.name}</Link>
      </p>
      <p className={`${plain.caption} ${verdict === 'broken' ? styles.broken : ''}`}>{words}</p>
      <dl className={`${plain.list} ${styles.rounds}`}>
        {brief.rounds.map((round, i) => (
          <div key={i}>
            <dt>{round.name}</dt>
            <dd>{rounds ? summarizeRound(round, rounds[i]!, units) : '…'}</dd>
          </div>
        ))}
      </dl>
      {own && (
        <p className={plain.text}>
          If they ran it now: about {formatPoints(own.points)} points, first {inTen(own.places[0]!)}
        </p>
      )}
    </div>
  );
}
