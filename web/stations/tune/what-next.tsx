import Button from '@mui/material/Button';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { isRoller } from '../../../core/car/motors/motors.ts';
import type { NextChanges, SuggestedChange } from '../../../core/trials/next-change.ts';
import type { Straightening } from '../../../core/trials/straight.ts';
import { formatAbout } from '../../../core/units/quantity.ts';
import { FlickTest } from '../../open-car/flick-test.tsx';
import { Explained } from '../../ui/explained.tsx';
import type { Explanation } from '../../ui/explanation.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { Wide } from '../../ui/wide.tsx';
import { WordTable } from '../../ui/word-table.tsx';
import styles from './tune.module.css';
import { formatGain, describeAlignment } from './describe-tuning.ts';

interface WhatNextProps {
  readonly design: CarDesign;
  readonly next: NextChanges | null;
  readonly straight: Straightening | null;
  readonly explain: (figure: string) => Explanation;
  readonly onTake: (change: SuggestedChange) => void;
  readonly onFlicked: (care: CarDesign['care']) => void;
}

/** Changes ranked by what they gain for the brief, both schools with their numbers, and how to make it run straight. */
export function WhatNext({ design, next, straight, explain, onTake, onFlicked }: WhatNextProps) {
  const units = useUnits();
  const about = (value: number): string => formatAbout(value, 'distance', units);
  return (
    <>
      {!isRoller(design) && <FlickTest care={design.care} onFound={onFlicked} />}
      {next?.stoppedBy && (
        <p className={plain.strong}>
          ✕ First: “{next.stoppedBy}” stops the car.{' '}
          {next.changes.length > 0 ? 'Each of these changes fixes that.' : 'No single change fixes that. See Design and its brief.'}
        </p>
      )}
      {next && !next.stoppedBy && next.changes.length === 0 && (
        <p className={plain.text}>
          No change is surely worth trying: none gains more than the scatter hides in four of five cars that fit these runs
          {next.unsure > 0 ? `; ${next.unsure} may help, and more runs would tell` : ''}. Measure a part, or get another kind of tyre, band
          or trap.
        </p>
      )}
      {next && next.changes.length > 0 && (
        <ol className={`${plain.list} ${styles.list}`}>
          {next.changes.map((change) => (
            <li key={change.words} className={styles.change}>
              <span className={plain.strong}>{change.words}</span>
              <span className={plain.text}>
                <Explained explain={explain} figure="gain">
                  {formatGain(change, design, units)}
                </Explained>
              </span>
              <span className={`${plain.caption} ${plain.muted}`}>
                <Explained explain={explain} figure="effort">
                  about {change.minutes} minutes
                </Explained>
                {change.parts.map(({ name, isAtHand }) => ` · ${name}${isAtHand ? ' (in My parts)' : ''}`).join('')}; then{' '}
                {about(change.distance)}
                {change.rules !== null && ` · ${change.rules}`}
              </span>
              <div className={styles.row}>
                <Button size="small" variant="outlined" aria-label={`Apply: ${change.words}`} onClick={() => onTake(change)}>
                  Apply
                </Button>
              </div>
            </li>
          ))}
        </ol>
      )}
      {next && next.tradeOffs.length > 0 && (
        <>
          <Wide label="Design trade-offs">
            <WordTable
              head={['design trade-offs', 'less', 'now', 'more']}
              rows={next.tradeOffs.map(({ name, less, more, now }) => [
                name,
                `${less.words}: ${about(less.distance)}`,
                about(now),
                `${more.words}: ${about(more.distance)}`,
              ])}
            />
          </Wide>
          <p className={plain.caption}>
            <Explained explain={explain} figure="schools">
              how these are calculated
            </Explained>
          </p>
        </>
      )}
      {straight ? (
        <>
          {describeAlignment(straight, units).map((line) => (
            <p key={line} className={plain.text}>
              {line}
            </p>
          ))}
          <p className={plain.caption}>
            <Explained explain={explain} figure="straight">
              how this is calculated
            </Explained>
          </p>
        </>
      ) : isRoller(design) ? null : (
        <p className={`${plain.caption} ${plain.muted}`}>
          In Track, under “More about this run”, enter how far off the line it stops. Then this list tells which end of which axle to move.
        </p>
      )}
    </>
  );
}
