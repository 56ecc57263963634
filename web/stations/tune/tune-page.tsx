import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Skeleton from '@mui/material/Skeleton';
import Typography from '@mui/material/Typography';
import { Suspense, useDeferredValue, useEffect, useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { goalOf } from '../../../core/brief/goal.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { RunOfCar } from '../../../core/trials/compared-runs.ts';
import { explain } from '../../../core/trials/causes.ts';
import { nextByRuns } from '../../../core/trials/next-thing.ts';
import { repairsIn, runPlan, tuningLog } from '../../../core/trials/tuning-log.ts';
import { problemLine } from '../../app/api/problem.ts';
import { Message, NotFoundScreen } from '../../app/error-screen.tsx';
import { carVisited } from '../../app/preferences-slice.ts';
import { useAppDispatch } from '../../app/store.ts';
import NextStep from '../../open-car/next-step.tsx';
import { CarConflict } from '../../open-car/car-conflict.tsx';
import { RunPlan } from '../../open-car/run-plan.tsx';
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
import styles from './tune.module.css';
import { useTuning } from './use-tuning.ts';
import { WhatItMeans } from './what-it-means.tsx';
import { WhatNext } from './what-next.tsx';
import { Why } from './why.tsx';
import { StationHead } from '../../open-car/station-head.tsx';
import { useNameOfDesign } from './use-name-of-design.ts';
import { useTuneActions } from './use-tune-actions.ts';

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
  const units = useUnits();
  const edit = useEditCar();
  const carVersions = useVersions(carId, design, edit);
  const { versions } = carVersions;
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
  const nameOf = useNameOfDesign(runs, versions);
  const actions = useTuneActions({ carId, design, runs, versions: carVersions });
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
                    onLeaveOut={actions.leaveOut}
                  />
                </Suspense>
              </Part>
              <Part id="means" title="Fit">
                <WhatItMeans tuning={tuning} nameOf={nameOf} explain={explainFigure} onPut={() => actions.applyFit(tuning.values)} />
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
                    onPutRight={actions.markRepaired}
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
                  onTake={actions.applyChange}
                  onFlicked={(care) => edit((car) => ({ ...car, care }))}
                />
              </Part>
              <Part id="compare" title="Compare">
                <Compare groups={tuning.groups} runs={runs} nameOf={nameOf} goal={goalOf(design.aim)} explain={explainFigure} />
              </Part>
              <Part id="log" title="Changes so far">
                <TuningLog name={design.name} log={log} onUndo={actions.undo} />
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
