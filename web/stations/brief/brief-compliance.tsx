import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { designForBrief, limitsOf, type Brief } from '../../../core/brief/brief.ts';
import { describeRound, type JudgedRound } from '../../../core/brief/judge.ts';
import { judgeMaking } from '../../../core/build/judge-making.ts';
import { judgeRules, type JudgedRule } from '../../../core/brief/rules.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { formatIn } from '../../../core/units/quantity.ts';
import { useListCarsQuery } from '../../app/api/cars-api.ts';
import { useBriefScores, type ScoredCar } from '../../open-car/use-brief-scores.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './brief.module.css';

const SIGNS: Readonly<Record<JudgedRule['verdict'], string>> = { met: '✓ met', close: '! close to the limit', broken: '✕ broken' };

interface StandingProps {
  readonly briefId: string;
  readonly brief: Brief;
  /** The car that the page was opened for, told first. */
  readonly carId: string | null;
}

/** Every car that works to the brief: each rule, and what each round would come to. */
export function BriefCompliance({ briefId, brief, carId }: StandingProps) {
  const { data } = useListCarsQuery();
  const contenders = useMemo(
    () =>
      (data?.readable ?? [])
        .filter(({ design }) => design.brief?.id === briefId)
        .map(({ id, design }): ScoredCar => ({ id, design, brief }))
        .toSorted((a, b) => Number(b.id === carId) - Number(a.id === carId)),
    [data, briefId, brief, carId],
  );
  const standings = useBriefScores(contenders);
  return (
    <section aria-labelledby="standing-title" className={styles.standing}>
      <h2 id="standing-title" className={plain.heading}>
        {contenders.length === 1 ? 'The car that uses this brief' : 'Cars that use this brief'}
      </h2>
      {contenders.length === 0 && <p className={plain.text}>No car uses this brief yet. Open a car’s Brief station and choose it there.</p>}
      {contenders.map(({ id, design }) => (
        <CarStanding key={id} carId={id} design={design} brief={brief} rounds={standings.get(id) ?? null} />
      ))}
    </section>
  );
}

interface CarStandingProps {
  readonly carId: string;
  readonly design: CarDesign;
  readonly brief: Brief;
  readonly rounds: readonly JudgedRound[] | null;
}

/** One car against the brief, and where to go on. */
function CarStanding({ carId, design, brief, rounds }: CarStandingProps) {
  const units = useUnits();
  const rules = judgeRules(designForBrief(design, brief), limitsOf(brief.rules));
  const making = useMemo(() => judgeMaking(design, brief.rules, formatIn(units)), [design, brief, units]);
  const broken = [...rules, ...making].filter(({ verdict }) => verdict === 'broken');
  return (
    <section aria-label={design.name} className={styles.car}>
      <h3 className={plain.strong}>{design.name}</h3>
      <ul>
        {rules.map(({ key, name, verdict, words }) => (
          <li key={`${key} ${name}`} className={`${plain.text} ${verdict === 'broken' ? styles.broken : ''}`}>
            {SIGNS[verdict]} · {name}: {words(formatIn(units))}
          </li>
        ))}
        {making.map(({ key, name, verdict, words }) => (
          <li key={key} className={`${plain.text} ${verdict === 'broken' ? styles.broken : ''}`}>
            {verdict === 'by-hand' ? '○ check by hand' : SIGNS[verdict]} · {name}: {words}
          </li>
        ))}
        {brief.rounds.map((round, i) => (
          <li key={`round ${i}`} className={plain.text}>
            <strong>{round.name}</strong>: {rounds ? describeRound(round, rounds[i]!, units) : '…'}
          </li>
        ))}
      </ul>
      <div className={styles.buttons}>
        <Button size="small" variant="contained" component={Link} to={`/cars/${carId}/design`}>
          {broken.length > 0 ? `Fix in Design: ${broken[0]!.name}` : 'To its design'}
        </Button>
      </div>
    </section>
  );
}
