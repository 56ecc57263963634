import { describeResult } from '../../../core/meet/describe-results.ts';
import type { MeetOutcome } from '../../../core/meet/meet.ts';
import { runOffsDue } from '../../../core/meet/run-offs.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './meet.module.css';
import laid from './run-view.module.css';
import { OutcomeFields } from './outcome-fields.tsx';
import { isResultOf, type OpenMeet, type RunPlace } from './use-meet.ts';

interface RunOffsProps {
  readonly meetId: string;
  readonly open: OpenMeet;
  readonly onSave: (place: RunPlace, outcome: MeetOutcome) => Promise<boolean>;
}

/** Cars that tie for a place and run once more for it. */
export function RunOffs({ meetId, open: { results, ...open }, onSave }: RunOffsProps) {
  const units = useUnits();
  const meet = open.meet!;
  const { rounds, rules } = meet.brief;
  return runOffsDue(meet, results).map(({ round, entries, run }) => (
    <section key={`${round} ${entries.join()}`} aria-label={`Run-off of ${rounds[round]!.name}`} className={styles.part}>
      <h2 className={plain.heading}>Run-off: {rounds[round]!.name}</h2>
      <div className={laid.lanes}>
        {entries.map((entry) => {
          const done = results.find((result) => isResultOf({ entry, round, run }, result));
          const car = meet.entries.find(({ id }) => id === entry)?.car ?? '';
          return (
            <div key={entry} className={styles.card}>
              <p className={plain.strong}>{car}</p>
              {done ? (
                <p className={plain.text}>✓ {describeResult(meet, done.result, units)}</p>
              ) : (
                <OutcomeFields
                  key={run}
                  storedAs={`${meetId} run-off ${round} ${run} ${entry}`}
                  round={rounds[round]!}
                  hasPenalty={rules.penalty !== undefined}
                  of={`${car}, run-off`}
                  onSave={(outcome) => onSave({ entry, round, run, lane: 0 }, outcome)}
                />
              )}
            </div>
          );
        })}
      </div>
    </section>
  ));
}
