import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Skeleton from '@mui/material/Skeleton';
import Typography from '@mui/material/Typography';
import { Suspense, useCallback, useDeferredValue, useEffect, useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { goalOf } from '../../../core/brief/goal.ts';
import type { CarDesign, Measured } from '../../../core/car/car-design.ts';
import { describeFloor } from '../../../core/car/floors.ts';
import { isSameBuild, isSameContent } from '../../../core/car/same-design.ts';
import type { RunOfCar } from '../../../core/trials/compared-runs.ts';
import { describeCause } from '../../../core/trials/cause-descriptions.ts';
import { explain } from '../../../core/trials/causes.ts';
import type { RepairableFault } from '../../../core/trials/fit/trial.ts';
import { nextByRuns } from '../../../core/trials/next-thing.ts';
import { withFittedValues } from '../../../core/trials/fitted-values.ts';
import type { SuggestedChange } from '../../../core/trials/next-change.ts';
import { repairsIn, runPlan, PLANNED_NOTE_PREFIX, tuningLog, type LogEntry } from '../../../core/trials/tuning-log.ts';
import { formatIn } from '../../../core/units/quantity.ts';
import { problemLine } from '../../app/api.ts';
import { Message, NotFoundScreen } from '../../app/error-screen.tsx';
import { carVisited } from '../../app/preferences-slice.ts';
import { submitRun } from '../../app/run-queue.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import NextStep from '../../open-car/next-step.tsx';
import { CarConflict } from '../../open-car/car-conflict.tsx';
import { RunPlan } from '../../open-car/run-plan.tsx';
import { useMergedChange } from '../../open-car/use-merged-change.ts';
import { useEditCar, useOpenCar, useOpenDesign } from '../../open-car/use-open-car.ts';
import { useRunsOfCar } from '../../open-car/use-runs-of-car.ts';
import { useVersions } from '../../open-car/use-versions.ts';
import { lazyWithPreload } from '../../ui/lazy-with-preload.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { JobBar } from '../../workers/job-bar.tsx';
import { Compare } from './compare.tsx';
import { explainTuning } from './explain-tuning.ts';
import { useTuneChecks } from './tune-checks.ts';
import { TuningLog } from './tuning-log.tsx';
import { formatGain } from './describe-tuning.ts';
import styles from './tune.module.css';
import { useTuning } from './use-tuning.ts';
import { WhatItMeans } from './what-it-means.tsx';
import { WhatNext } from './what-next.tsx';
import { Why } from './why.tsx';
import { StationHead } from '../../open-car/station-head.tsx';

const WhatHappened = lazyWithPreload(() => import('./what-happened.tsx'));

/** Why a car ran as it did, and what to change next. */
export function TunePage() {
  const carId = useParams().carId!;
  const { missing, error } = useOpenCar(carId);
  const design = useOpenDesign(carId);
  const { runs, error: runsError } = useRunsOfCar(carId);
  const dispatch = useAppDispatch();
  const isShown = useDeferredValue(Boolean(design && runs), false);
  useEffect(() => {
    dispatch(carVisited(missing ? null : carId));
  }, [dispatch, carId, missing]);
  if (missing) return <NotFoundScreen />;
  const failure = error ?? runsError;
  if (failure)
    return (
      <Message
        title="The runs cannot be read"
        text={problemLine(failure)}
        action={<Button onClick={() => window.location.reload()}>Try again</Button>}
      />
    );
  if (!isShown || !design || !runs) return <Skeleton variant="rectangular" sx={{ m: 4, height: 480 }} aria-label="Reading the runs" />;
  return <Tune key={carId} carId={carId} design={design} runs={runs} />;
}

interface TuneProps {
  readonly carId: string;
  readonly design: CarDesign;
  readonly runs: readonly RunOfCar[];
}

const Part = ({ id, title, children }: { readonly id: string; readonly title: string; readonly children: React.ReactNode }) => (
  <section aria-labelledby={id} className={styles.column}>
    <Typography id={id} variant="h2">
      {title}
    </Typography>
    {children}
  </section>
);

function Tune({ carId, design, runs }: TuneProps) {
  const dispatch = useAppDispatch();
  const units = useUnits();
  const edit = useEditCar();
  const merged = useMergedChange();
  const { versions, current, keep, goBack } = useVersions(carId, design, edit);
  const putRight = useMemo(() => repairsIn(versions), [versions]);
  const { checks, given, toggle } = useTuneChecks(carId, design, putRight.length);
  const job = useTuning(design, runs, putRight, given);
  const tuning = job.result;
  const log = useMemo(() => tuningLog(versions, design, runs), [versions, design, runs]);
  const explanation = useMemo(() => (tuning?.causes ? explain(tuning.causes, { noted: tuning.noted, checks }) : null), [tuning, checks]);
  const next = useMemo(
    () => tuning && nextByRuns(tuning, explanation, { checks, plan: runPlan(log), motor: design.motor.kind }),
    [tuning, explanation, checks, log, design.motor.kind],
  );
  const explainFigure = useMemo(() => (tuning ? explainTuning(tuning, units) : undefined), [tuning, units]);
  // Where the car ran on several floors, each group says which.
  const isOnFloors = useMemo(() => runs.some(({ design: ran }) => !isSameContent(ran.floor, runs[0]!.design.floor)), [runs]);
  const nameOf = useCallback(
    (ran: CarDesign): string => {
      const versionName = versions.find(({ record }) => !record.putRight && isSameBuild(record.design, ran))?.record.name;
      return [versionName ? `“${versionName}”` : '', isOnFloors ? describeFloor(ran.floor, formatIn(units)) : '']
        .filter(Boolean)
        .join(' on ');
    },
    [versions, isOnFloors, units],
  );
  const take = async (change: SuggestedChange): Promise<void> => {
    // What it was is kept first, so that the change has something to be judged against.
    const parent = current?.id ?? (await keep('before the change', 'Saved automatically before a change.'));
    if (!parent) return;
    const note = `${PLANNED_NOTE_PREFIX}expected ${formatGain(change, design, units)}.`.replaceAll('\u00a0', ' ');
    // By its first change: the others follow from it.
    const [name] = change.words.replaceAll('\u00a0', ' ').split('; ');
    const changed = merged(design, change.design);
    if (await keep(name!.slice(0, 80), note, changed, { parent })) edit(() => changed);
  };
  const putFitted = async (values: Measured): Promise<void> => {
    const parent = current?.id ?? (await keep('before the fit', 'Saved automatically before fitted values were applied.'));
    if (!parent) return;
    const latest = runs.map(({ record }) => record.ranAt).sort();
    const note = `Fitted to ${runs.length} runs, ${latest[0]!.slice(0, 10)} to ${latest.at(-1)!.slice(0, 10)}.`;
    const fitted = merged(design, withFittedValues(design, values));
    if (await keep(`fitted to ${runs.length} runs`, note, fitted, { parent })) edit(() => fitted);
  };
  const markPutRight = async (fault: RepairableFault): Promise<void> => {
    const parent = current?.id ?? (await keep('before the repair', 'Saved automatically before a fault was repaired.'));
    if (!parent) return;
    const { name } = describeCause(fault, design.motor.kind);
    await keep(`repaired: ${name}`, `Tune: ${name} was confirmed at the table and repaired.`, design, { putRight: fault, parent });
  };
  const leaveOut = async ({ id, version, record, design: ran }: RunOfCar, isLeftOut: boolean): Promise<void> => {
    if (id === undefined || version === undefined) return;
    const { leftOut: _before, ...plainly } = record;
    const content = { ...plainly, design: ran, ...(isLeftOut && { leftOut: true as const }) };
    const outcome = await submitRun(dispatch, { id, carId, baseVersion: version, content });
    if (outcome.kind === 'refused') dispatch(toasted(problemLine(outcome.error), { tone: 'stop' }));
  };
  const undo = (entry: LogEntry): void => void goBack(entry.parent.record.name, entry.parent.record.design);
  return (
    <Box sx={{ maxWidth: 1180, p: { xs: 3, md: 6 } }}>
      <StationHead name={design.name} onward={{ to: `/cars/${carId}/track`, words: 'To the track' }} />
      <RunPlan carId={carId} design={design} action={<Link to={`/cars/${carId}/track`}>Make them on the track</Link>} />
      {runs.length === 0 ? (
        <Typography color="text.secondary">
          No run yet. <Link to={`/cars/${carId}/track`}>Make three like runs on the track</Link>. They tell why it runs as it does, and what
          to change next.
        </Typography>
      ) : (
        <>
          <JobBar job={job} label="Weighing the runs" />
          {next && (
            <p className={`${plain.strong} ${styles.next}`}>
              Next: {next.station === 'tune' ? next.words : <Link to={`/cars/${carId}/${next.station}`}>{next.words}</Link>}{' '}
              <span className={plain.muted}>({next.reason})</span>
            </p>
          )}
          {tuning && explainFigure && (
            <div className={styles.columns}>
              <Part id="happened" title="Runs and model">
                <Suspense fallback={<div className={styles.awaited} />}>
                  <WhatHappened
                    tuning={tuning}
                    name={design.name}
                    nameOf={nameOf}
                    explain={explainFigure}
                    runs={runs}
                    onLeaveOut={(run, isLeftOut) => void leaveOut(run, isLeftOut)}
                  />
                </Suspense>
              </Part>
              <Part id="means" title="Fit">
                <WhatItMeans tuning={tuning} nameOf={nameOf} explain={explainFigure} onPut={() => void putFitted(tuning.values)} />
              </Part>
              <Part id="why" title="Causes">
                {explanation ? (
                  <Why
                    motor={design.motor.kind}
                    before={tuning.before}
                    causes={explanation}
                    checks={checks}
                    given={given}
                    explain={explainFigure}
                    onFound={toggle}
                    onPutRight={(fault) => void markPutRight(fault)}
                  />
                ) : (
                  <p className={plain.text}>
                    {tuning.putRight.length > 0
                      ? 'The car was repaired and has not run since. The next runs show what that changed.'
                      : 'The model cannot run the car as it was wound.'}
                  </p>
                )}
              </Part>
              <Part id="next" title="Next change">
                <WhatNext
                  design={design}
                  next={tuning.next}
                  straight={tuning.straight}
                  explain={explainFigure}
                  onTake={(change) => void take(change)}
                  onFlicked={(care) => edit((car) => ({ ...car, care }))}
                />
              </Part>
              <Part id="compare" title="Compare">
                <Compare groups={tuning.groups} runs={runs} nameOf={nameOf} goal={goalOf(design.aim)} explain={explainFigure} />
              </Part>
              <Part id="log" title="Changes so far">
                <TuningLog name={design.name} log={log} onUndo={undo} />
              </Part>
            </div>
          )}
        </>
      )}
      <CarConflict />
      {!tuning && <NextStep carId={carId} design={design} />}
    </Box>
  );
}
