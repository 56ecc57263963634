import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { designForBrief, limitsOf, type Brief, type Round } from '../../../core/brief/brief.ts';
import { describeRound, summarizeRound, type JudgedRound } from '../../../core/brief/judge.ts';
import { judgeMaking } from '../../../core/build/judge-making.ts';
import { judgeRules, type JudgedRule } from '../../../core/brief/rules.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { formatIn } from '../../../core/units/quantity.ts';
import { useListCarsQuery } from '../../app/api/cars-api.ts';
import { useBriefForecast } from '../../open-car/use-brief-forecast.ts';
import { useBriefScores, type ScoredCar } from '../../open-car/use-brief-scores.ts';
import plain from '../../ui/plain.module.css';
import { useRoving } from '../../ui/use-roving.ts';
import { useUnits } from '../../ui/use-units.ts';
import styles from './brief.module.css';
import { EveningOutlook } from './evening-outlook.tsx';
import { StateNote } from '../../ui/state-note.tsx';

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
  const cars = useMemo(() => (data?.readable ?? []).filter(({ design }) => design.brief?.id === briefId), [data, briefId]);
  const forecast = useBriefForecast(brief, cars);
  return (
    <section aria-labelledby="standing-title" className={styles.standing}>
      <h2 id="standing-title" className={plain.heading}>
        {contenders.length === 1 ? 'The car that uses this brief' : 'Cars that use this brief'}
      </h2>
      {contenders.length === 0 && (
        <StateNote kind="empty">No car uses this brief yet. Open a car’s Brief station and choose it there.</StateNote>
      )}
      {forecast && <EveningOutlook brief={brief} cars={cars} forecast={forecast} />}
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
  // What opens is one stop for Tab.
  const group = useRoving('summary');
  const rules = judgeRules(designForBrief(design, brief), limitsOf(brief.rules));
  const making = useMemo(() => judgeMaking(design, brief.rules, formatIn(units)), [design, brief, units]);
  const broken = [...rules, ...making].filter(({ verdict }) => verdict === 'broken');
  const lines = [
    ...rules.map((rule) => ({ ...rule, line: rule.words(formatIn(units)) })),
    ...making.map((rule) => ({ ...rule, line: rule.words })),
  ];
  const met = lines.filter(({ verdict }) => verdict === 'met');
  const line = ({ key, name, verdict, line: words }: (typeof lines)[number]): React.ReactNode => (
    <li key={`${key} ${name}`} className={`${plain.text} ${verdict === 'broken' ? styles.broken : ''}`}>
      {verdict === 'by-hand' ? '○ check by hand' : SIGNS[verdict]} · {name}: {words}
    </li>
  );
  return (
    <section ref={group} aria-label={design.name} className={styles.car}>
      <h3 className={plain.strong}>{design.name}</h3>
      <ul>{lines.filter(({ verdict }) => verdict !== 'met').map(line)}</ul>
      {met.length > 0 && (
        <details>
          <summary className={plain.text}>✓ {met.length === 1 ? '1 rule met' : `${met.length} rules met`}</summary>
          <ul>{met.map(line)}</ul>
        </details>
      )}
      {brief.rounds.map((round, i) => (
        <RoundLine key={i} round={round} judged={rounds?.[i] ?? null} />
      ))}
      <div className={styles.buttons}>
        <Button size="small" variant="contained" component={Link} to={`/cars/${carId}/design`}>
          {broken.length > 0 ? `Fix in Design: ${broken[0]!.name}` : 'To its design'}
        </Button>
      </div>
    </section>
  );
}

/** One round of a car: how likely it is met as a bar, or what it comes to; opened, all that is known of it. */
function RoundLine({ round, judged }: { readonly round: Round; readonly judged: JudgedRound | null }) {
  const units = useUnits();
  const chance = judged && 'chance' in judged ? judged.chance : null;
  return (
    <details className={styles.round}>
      <summary className={plain.text}>
        <span>
          <span aria-hidden>▸ </span>
          {round.name}
        </span>
        <span className={styles.chance} aria-hidden>
          {chance !== null && <span style={{ width: `${100 * chance}%` }} />}
        </span>
        <span className={plain.figures}>{judged ? summarizeRound(round, judged, units) : '…'}</span>
      </summary>
      {judged && <p className={plain.text}>{describeRound(round, judged, units)}</p>}
    </details>
  );
}
