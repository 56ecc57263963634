import type { CarDesign } from '../../../../core/car/car-design.ts';
import { goalOf } from '../../../../core/brief/goal.ts';
import { goalRecord, measuredInRoom } from '../../../../core/brief/goals.ts';
import { formatChance, goalFigures } from '../../../../core/brief/judge.ts';
import type { Assessment } from '../../../../core/explore/assess.ts';
import { nextRun, runScatter } from '../../../../core/predict/next-run.ts';
import { curvatureOf, likelyCurvature } from '../../../../core/predict/straightness.ts';
import type { RunResult } from '../../../../core/run/simulate.ts';
import { type Format, formatIn, formatKnown, formatPredictedRange, unitOf } from '../../../../core/units/quantity.ts';
import { Explained } from '../../../ui/explained.tsx';
import type { Explanation } from '../../../ui/explanation.ts';
import plain from '../../../ui/plain.module.css';
import { useUnits } from '../../../ui/use-units.ts';
import { RangeBar } from './range-bar.tsx';
import styles from './verdict-panel.module.css';

interface LeadProps {
  readonly design: CarDesign;
  /** Its run, with what has to be timed for its aim. */
  readonly result: RunResult;
  readonly assessment: Assessment | null;
  /** m, half of what 8 in 10 such cars lie within: no figure is reported finer than that allows. */
  readonly halfWidth: number;
  readonly explain: (figure: string) => Explanation;
}

/** The goal comes first: its figure, its range and how likely it is met; then how far the car goes. */
export function VerdictHeadline(props: LeadProps) {
  const { design, result, assessment, halfWidth, explain } = props;
  const units = useUnits();
  const format: Format = formatIn(units);
  const goal = goalOf(design.aim);
  const { label } = goalRecord(goal);
  const asked = assessment?.asked;
  const chance = asked?.kind === 'ran' ? asked.chance : null;
  const isOfDistance = goal.kind === 'furthest' || goal.kind === 'at-least';
  const likely = formatKnown(result.distance, halfWidth, 'distance', units);
  const next = nextRun(result.distance, runScatter(design));
  const known = (distance: number): string => formatKnown(distance, halfWidth, 'distance', units);
  const more = `${result.rollsBack ? ' · then rolls back' : ''}${result.wheelie ? ' · lifts its front at launch' : ''}`;
  return (
    <>
      {chance !== null && (
        <p className={plain.strong} data-testid="chance">
          {label(goal, format)}: {formatChance(chance, units, SAMPLE)} likely
        </p>
      )}
      {asked?.kind === 'unknown' && (
        <p className={plain.strong}>{label(goal, format)}: cannot tell, nothing is known about how straight a roller runs</p>
      )}
      {isOfDistance ? (
        <>
          <p className={styles.distance} data-testid="predicted-distance" data-metres={result.distance.toFixed(2)}>
            <span className={styles.unit}>about </span>
            {likely}
            <span className={styles.unit}>{` ${unitOf('distance', units)}`}</span>
          </p>
          <p className={`${plain.text} ${plain.muted} ${styles.onPaper}`}>
            <Explained figure="distance" explain={explain}>
              predicted distance, fully wound
            </Explained>
            {more}
          </p>
          <RangeBar
            bounds={assessment?.distance ?? null}
            likely={result.distance}
            figure={known}
            unit={unitOf('distance', units)}
            mark={design.aim.distance}
            next={`This car’s next run: ${formatPredictedRange(next, 'distance', units, halfWidth)} (8 in 10)`}
            explain={explain}
          />
        </>
      ) : (
        <>
          {asked?.kind !== 'unknown' && <AskedFigure {...props} />}
          <p className={`${plain.text} ${plain.muted}`} data-testid="predicted-distance" data-metres={result.distance.toFixed(2)}>
            <Explained figure="distance" explain={explain}>
              {`Predicted distance: about ${likely} ${unitOf('distance', units)}, fully wound`}
            </Explained>
            {more}
          </p>
        </>
      )}
    </>
  );
}

/** Cars behind the fraction of an assessment. */
const SAMPLE = 128;

/** The figure that is asked of the most likely car, and what 8 in 10 come to. */
function AskedFigure({ design, result, assessment, explain }: LeadProps) {
  const units = useUnits();
  const format: Format = formatIn(units);
  const goal = goalOf(design.aim);
  const { of, measure } = goalRecord(goal);
  const curvature = Math.abs(curvatureOf(design)) + likelyCurvature(design);
  const value = measure(goal, measuredInRoom(goal, { design, result, curvature }));
  const bounds = assessment?.asked.kind === 'ran' && Number.isFinite(assessment.asked.bounds.middle) ? assessment.asked.bounds : null;
  const { figure, unit } = goalFigures(goal, bounds ? (bounds.high - bounds.low) / 2 : 0, units);
  const { roomLength: wall } = design.floor;
  if (value === null)
    return (
      <p className={styles.short}>
        {wall !== null && 'distance' in goal && wall < goal.distance && result.distance > wall
          ? `The wall is at ${format(wall, 'distance')}, before the goal. No run on this floor can reach it.`
          : 'It stops short.'}
      </p>
    );
  return (
    <>
      <p className={styles.distance} data-testid="asked-figure">
        <span className={styles.unit}>about </span>
        {figure(value)}
        <span className={styles.unit}>{` ${unit}`}</span>
      </p>
      <p className={plain.text}>{of(goal, format)}</p>
      <RangeBar bounds={bounds} likely={value} figure={figure} unit={unit} mark={null} next={null} explain={explain} />
    </>
  );
}
