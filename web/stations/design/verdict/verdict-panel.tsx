import Button from '@mui/material/Button';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { asksForFlickTest } from '../../../../core/car/flick-test.ts';
import { describeFault, describeKey } from '../../../../core/car/fault-words.ts';
import { isWoundByFeel } from '../../../../core/car/motors/motors.ts';
import type { Prediction } from '../../../../core/predict/predict-run.ts';
import { NOTICEABLE_SLIP } from '../../../../core/predict/verdict.ts';
import { formatFault } from '../../../../core/fault-words.ts';
import type { RunResult } from '../../../../core/run/simulate.ts';
import { formatIn, formatNumber, USUAL_HALF_WIDTH } from '../../../../core/units/quantity.ts';
import type { Explanation } from '../../../ui/explanation.ts';
import { Facts } from '../../../ui/facts.tsx';
import plain from '../../../ui/plain.module.css';
import { useUnits } from '../../../ui/use-units.ts';
import { Checks } from './checks.tsx';
import type { Edit } from '../../../open-car/design-slice.ts';
import { EnergyBar } from './energy-bar.tsx';
import { describeLimit } from './describe-limit.ts';
import { VerdictHeadline } from './verdict-headline.tsx';
import { explanationOf } from './explanations.ts';
import { Rounds } from './rounds.tsx';
import { Remedies } from './remedies.tsx';
import { Spark } from './spark.tsx';
import { FlickTest } from '../../../open-car/flick-test.tsx';
import NextStep from '../../../open-car/next-step.tsx';
import { useBriefOf } from '../../../open-car/design-with-brief.ts';
import type { AimOfCar } from '../../../open-car/use-aim.ts';
import { useAssessment } from '../../../open-car/use-assessment.ts';
import styles from './verdict-panel.module.css';
import { StatePicture } from '../../../ui/state-picture.tsx';

interface VerdictPanelProps extends AimOfCar {
  readonly carId: string;
  readonly design: CarDesign;
  readonly prediction: Prediction;
  readonly edit: Edit;
  readonly onPreview: React.ComponentProps<typeof Remedies>['onPreview'];
}

/** How far it goes, how fast, why no further, and what would help. */
export function VerdictPanel({ prediction, ...rest }: VerdictPanelProps) {
  return (
    <section aria-label="Verdict" className={`${plain.panel} ${styles.panel}`}>
      {prediction.kind === 'ran' ? <Verdict result={prediction.result} {...rest} /> : <Refused prediction={prediction} />}
    </section>
  );
}

interface VerdictProps extends Omit<VerdictPanelProps, 'prediction'> {
  readonly result: RunResult;
}
function Verdict({ carId, design, aimed, field, isOfAll, result, edit, onPreview }: VerdictProps) {
  const units = useUnits();
  const { assessment, isBroken, again } = useAssessment(aimed, units);
  const worksTo = useBriefOf(design);
  const format = formatIn(units);
  const present = useRef({ design, result, format });
  useEffect(() => {
    present.current = { design, result, format };
  });
  // Asked for only when a figure is pressed: it stays the same function, so that the figures need not be drawn again.
  const explain = useCallback((figure: string): Explanation => {
    const { design: shown, result: ran, format: printed } = present.current;
    return explanationOf(figure, shown, ran, printed);
  }, []);
  // Its share stays while a size is moved: the figure stands still in its digits.
  const fraction =
    assessment && assessment.likely > 0 ? (assessment.distance.high - assessment.distance.low) / 2 / assessment.likely : USUAL_HALF_WIDTH;
  const halfWidth = fraction * result.distance;
  const { title, text, isBad } = describeLimit(result, units);
  const spins = result.slipDistance > NOTICEABLE_SLIP;
  const figures: readonly (readonly [string, string])[] = [
    ['time', format.predicted(result.time, 'time')],
    ['top speed', format.predicted(result.topSpeed, 'speed')],
    ['under power', format.predicted(result.powerEndDistance ?? result.distance, 'distance')],
    ['turns wound', isWoundByFeel(design) ? `about ${Math.round(result.turns)}` : formatNumber(result.turns, 'count', units)],
    ['launch grip', result.launchGripNeeded > 0 ? `${result.launchGripRatio.toFixed(1)} × what it needs` : 'needs none'],
    ['wheelspin', spins ? format.predicted(result.slipDistance, 'distance') : 'none'],
  ];
  return (
    <>
      <div className={styles.answer}>
        <Spark result={result} />
        <div>
          <VerdictHeadline design={design} result={result} assessment={assessment} halfWidth={halfWidth} explain={explain} />
          {asksForFlickTest(design) && <TruenessAsked edit={edit} />}
          {isBroken && (
            <p role="alert" className={plain.text}>
              ✕ Range and checks could not be worked out for this car.{' '}
              <Button size="small" onClick={again}>
                Try again
              </Button>
            </p>
          )}
        </div>
        <div className={`${styles.limit} ${isBad ? styles.bad : ''}`}>
          <p className={plain.strong}>{isBad ? `✕ ${title}` : title}</p>
          <p className={`${plain.text} ${styles.onPaper}`}>{text}</p>
        </div>
      </div>
      {worksTo && (
        <Rounds
          {...{ carId, design, isOfAll, edit }}
          brief={worksTo.brief}
          made={assessment?.inAllRounds ?? null}
          rivals={field?.rivals ?? null}
        />
      )}
      <Remedies assessment={assessment} halfWidth={halfWidth} aim={aimed.aim} edit={edit} onPreview={onPreview} />
      <Facts facts={figures} explain={explain} />
      <EnergyBar name={design.name} result={result} explain={explain} />
      <Checks assessment={assessment} />
      <NextStep carId={carId} design={design} />
    </>
  );
}

/** Says that the range spans careful builds and rough ones, and takes the flick test that tells which it is. */
function TruenessAsked({ edit }: { readonly edit: Edit }) {
  const [isOpen, setIsOpen] = useState(false);
  return isOpen ? (
    <FlickTest care="not-known" onFound={(care) => edit((car) => ({ ...car, care }))} />
  ) : (
    <p className={`${plain.text} ${styles.onPaper}`}>
      The build quality is not known. The range goes from rough to careful.{' '}
      <Button size="small" onClick={() => setIsOpen(true)}>
        Do a flick test
      </Button>
    </p>
  );
}

function Refused({ prediction }: { readonly prediction: Extract<Prediction, { kind: 'refused' }> }) {
  const units = useUnits();
  return (
    <div className={styles.answer}>
      <StatePicture kind="refused" />
      <div className={`${styles.limit} ${styles.bad}`}>
        <p className={plain.strong}>✕ It cannot run like this.</p>
        {prediction.faults.map((fault) => (
          <p key={formatFault(fault)} className={plain.text}>
            {describeKey(fault.path)} {describeFault(fault, formatIn(units))}
          </p>
        ))}
      </div>
    </div>
  );
}
