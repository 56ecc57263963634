import Skeleton from '@mui/material/Skeleton';
import { Suspense, useDeferredValue, useEffect, useMemo } from 'react';
import { Link, useParams } from 'react-router';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { RunOfCar } from '../../../core/trials/compared-runs.ts';
import { explain } from '../../../core/trials/causes.ts';
import { nextByRuns } from '../../../core/trials/next-thing.ts';
import type { TuningStage } from '../../../core/trials/tuning.ts';
import { repairsIn, runPlan, tuningLog } from '../../../core/trials/tuning-log.ts';
import { NotFoundScreen } from '../../app/error-screen.tsx';
import { ReadFailure } from '../../app/read-failure.tsx';
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
import { explainTuning } from './explain-tuning.ts';
import { useTuneChecks } from './tune-checks.ts';
import styles from './tune.module.css';
import { useAim } from '../../open-car/use-aim.ts';
import { useTuning } from './use-tuning.ts';
import { CausePicture } from './cause-picture.tsx';
import { describeCauses, describeImplausible } from './describe-tuning.ts';
import { ExpectedAndFound } from './expected-and-found.tsx';
import { pinnedCauses } from './pinned-causes.ts';
import { Implausible } from './implausible.tsx';
import { NextCard } from './next-card.tsx';
import { ThenList } from './then-list.tsx';
import { TuneHead } from './tune-head.tsx';
import { StationHead } from '../../open-car/station-head.tsx';
import { useNameOfDesign } from './use-name-of-design.ts';
import { useTuneActions } from './use-tune-actions.ts';
import { TuneDetails } from './tune-details.tsx';
import { StationSkeleton } from '../../ui/station-skeleton.tsx';
import { StateNote } from '../../ui/state-note.tsx';

const RunsAndModelChart = lazyWithPreload(() => import('./runs-and-model-chart.tsx'));

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
  if (failure) return <ReadFailure title="The runs cannot be read" error={failure} />;
  if (!isShown || !design || !runs) return <StationSkeleton layout="car" label="Reading the runs" />;
  return <Tune key={carId} carId={carId} design={design} runs={runs} />;
}

/** What is still worked out, as it is told. */
const PENDING: Readonly<Record<TuningStage, string>> = { fit: 'the fit', causes: 'the causes', changes: 'what to change' };

interface TuneProps {
  readonly carId: string;
  readonly design: CarDesign;
  readonly runs: readonly RunOfCar[];
}

function Tune({ carId, design, runs }: TuneProps) {
  const units = useUnits();
  const edit = useEditCar();
  const carVersions = useVersions(carId, design, edit);
  const { versions } = carVersions;
  const putRight = useMemo(() => repairsIn(versions), [versions]);
  const { checks, given, toggle } = useTuneChecks(carId, design, putRight.length);
  const { aimed, field, isOfAll } = useAim(carId, design);
  const isFieldAwaited = isOfAll && !field;
  const { job, tuning } = useTuning(design, isFieldAwaited ? null : aimed, runs, putRight, given);
  const pending = tuning?.pending ?? [];
  const log = useMemo(() => tuningLog(versions, design, runs), [versions, design, runs]);
  const explanation = useMemo(() => (tuning?.causes ? explain(tuning.causes, { noted: tuning.noted, checks }) : null), [tuning, checks]);
  const next = useMemo(
    () => (tuning?.pending.length === 0 ? nextByRuns(tuning, explanation, { checks, plan: runPlan(log), motor: design.motor.kind }) : null),
    [tuning, explanation, checks, log, design.motor.kind],
  );
  const explainFigure = useMemo(() => (tuning ? explainTuning(tuning, units) : undefined), [tuning, units]);
  const nameOf = useNameOfDesign(runs, versions);
  const actions = useTuneActions({ carId, design, runs, versions: carVersions });
  const motor = design.motor.kind;
  const applied = next?.action?.kind === 'apply' ? next.action.change : null;
  const then = tuning?.next?.changes.filter((change) => change !== applied) ?? [];
  const pinned = useMemo(() => pinnedCauses(explanation?.causes ?? []), [explanation]);
  const far = tuning?.before ? describeImplausible(tuning.before) : '';
  return (
    <div className={plain.page}>
      <StationHead name={design.name} onward={{ to: `/cars/${carId}/track`, words: 'To the track' }} />
      <RunPlan carId={carId} design={design} action={<Link to={`/cars/${carId}/track`}>Make them on the track</Link>} />
      {runs.length === 0 ? (
        <StateNote kind="empty">
          No run yet. <Link to={`/cars/${carId}/track`}>Make three like runs on the track</Link>. They tell why it runs as it does, and what
          to change next.
        </StateNote>
      ) : (
        <>
          <JobBar job={job} label="Weighing the runs" />
          <TuneHead tuning={tuning} explain={explainFigure} />
          <div className={styles.top}>
            <div className={styles.todo}>
              {next ? (
                <NextCard
                  carId={carId}
                  design={design}
                  next={next}
                  onFound={toggle}
                  onRepaired={actions.markRepaired}
                  onApply={actions.applyChange}
                  onUndo={actions.undo}
                />
              ) : (
                <>
                  <Skeleton variant="rectangular" height={150} />
                  {(isFieldAwaited || job.progress !== null) && (
                    <p role="status" className={`${plain.text} ${plain.muted}`}>
                      Working out {isFieldAwaited && 'the other cars of the brief, '}
                      {pending.map((stage) => PENDING[stage]).join(', ')} …
                    </p>
                  )}
                </>
              )}
            </div>
            <div className={styles.picture}>
              {far && <Implausible before={tuning!.before!} words={far} explain={explainFigure!} />}
              {tuning && explanation && (
                <>
                  <p className={plain.strong} role="status">
                    {describeCauses(explanation, motor)}
                  </p>
                  <ExpectedAndFound groups={tuning.groups} nameOf={nameOf} pinned={pinned} motor={motor} />
                </>
              )}
              <CausePicture design={design} pinned={pinned} />
              <ThenList design={design} changes={then} onApply={actions.applyChange} />
            </div>
            <div className={styles.chart}>
              {tuning ? (
                <Suspense fallback={<div className={styles.awaited} />}>
                  <RunsAndModelChart tuning={tuning} name={design.name} nameOf={nameOf} />
                </Suspense>
              ) : (
                <Skeleton variant="rectangular" height={300} />
              )}
            </div>
          </div>
          {tuning && explainFigure && !pending.includes('fit') && (
            <TuneDetails
              carId={carId}
              tuning={tuning}
              explanation={explanation}
              design={design}
              runs={runs}
              log={log}
              checks={checks}
              given={given}
              nameOf={nameOf}
              explain={explainFigure}
              actions={actions}
              onFound={toggle}
            />
          )}
        </>
      )}
      <CarConflict />
      {!job.result && <NextStep carId={carId} design={design} />}
    </div>
  );
}
