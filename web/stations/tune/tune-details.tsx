import { goalOf } from '../../../core/brief/goal.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { CauseId } from '../../../core/trials/cause-descriptions.ts';
import type { Explanation as Causes } from '../../../core/trials/causes.ts';
import type { RunOfCar } from '../../../core/trials/compared-runs.ts';
import type { LogEntry } from '../../../core/trials/tuning-log.ts';
import type { Tuning } from '../../../core/trials/tuning.ts';
import { useEditCar } from '../../open-car/use-open-car.ts';
import type { Explanation } from '../../ui/explanation.ts';
import plain from '../../ui/plain.module.css';
import { Views } from '../../ui/views.tsx';
import { Compare } from './compare.tsx';
import { LikeRunGroups } from './like-run-groups.tsx';
import type { Checks } from './tune-checks.ts';
import styles from './tune.module.css';
import { TuningLog } from './tuning-log.tsx';
import type { useTuneActions } from './use-tune-actions.ts';
import { WhatItMeans } from './what-it-means.tsx';
import { WhatNext } from './what-next.tsx';
import { Why } from './why.tsx';

const VIEWS = [
  ['causes', 'Causes'],
  ['changes', 'Changes'],
  ['fit', 'Fit'],
  ['runs', 'Runs'],
  ['compare', 'Compare'],
  ['log', 'Changes so far'],
] as const;

interface TuneDetailsProps {
  readonly carId: string;
  readonly tuning: Tuning;
  /** Null where nothing can be said of causes. */
  readonly explanation: Causes | null;
  readonly design: CarDesign;
  readonly runs: readonly RunOfCar[];
  readonly log: readonly LogEntry[];
  readonly checks: Checks;
  /** What was confirmed and is computed with everywhere. */
  readonly given: readonly CauseId[];
  readonly nameOf: (design: CarDesign) => string;
  readonly explain: (figure: string) => Explanation;
  readonly actions: ReturnType<typeof useTuneActions>;
  readonly onFound: (id: CauseId, result: 'confirmed' | 'ruled-out') => void;
}

/** All that the runs tell in words and figures, one part at a time. */
export function TuneDetails(props: TuneDetailsProps) {
  const { carId, tuning, explanation, design, runs, log, checks, given, nameOf, explain, actions, onFound } = props;
  const edit = useEditCar();
  const awaited = (
    <p role="status" className={`${plain.text} ${plain.muted}`}>
      This is being worked out …
    </p>
  );
  const parts: Readonly<Record<(typeof VIEWS)[number][0], () => React.ReactNode>> = {
    causes: () =>
      tuning.pending.includes('causes') ? (
        awaited
      ) : explanation ? (
        <Why
          motor={design.motor.kind}
          causes={explanation}
          checks={checks}
          given={given}
          explain={explain}
          onFound={onFound}
          onPutRight={actions.markRepaired}
        />
      ) : (
        <p className={plain.text}>
          {tuning.putRight.length > 0
            ? 'The car was repaired and has not run since. The next runs show what that changed.'
            : 'The model cannot run the car as it was wound.'}
        </p>
      ),
    changes: () =>
      tuning.pending.includes('changes') ? (
        awaited
      ) : (
        <WhatNext
          design={design}
          next={tuning.next}
          straight={tuning.straight}
          explain={explain}
          onTake={actions.applyChange}
          onFlicked={(care) => edit((car) => ({ ...car, care }))}
        />
      ),
    fit: () => <WhatItMeans tuning={tuning} nameOf={nameOf} explain={explain} onPut={() => actions.applyFit(tuning.values)} />,
    runs: () => <LikeRunGroups carId={carId} tuning={tuning} nameOf={nameOf} explain={explain} runs={runs} onLeaveOut={actions.leaveOut} />,
    compare: () => <Compare groups={tuning.groups} runs={runs} nameOf={nameOf} goal={goalOf(design.aim)} explain={explain} />,
    log: () => <TuningLog carId={carId} name={design.name} log={log} onUndo={actions.undo} />,
  };
  return (
    <Views label="What the runs tell" views={VIEWS}>
      {(view) => <div className={styles.view}>{parts[view]()}</div>}
    </Views>
  );
}
