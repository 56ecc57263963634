import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useDeferredValue, useEffect, useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { useTallyRunsQuery } from '../../app/api/runs-api.ts';
import { NotFoundScreen } from '../../app/error-screen.tsx';
import { ReadFailure } from '../../app/read-failure.tsx';
import { carVisited } from '../../app/preferences-slice.ts';
import { useAppDispatch } from '../../app/store.ts';
import { useIsOwner } from '../../app/use-role.ts';
import { UnitSwitch } from '../../app/unit-switch.tsx';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { useBriefOf } from '../../open-car/design-with-brief.ts';
import NextStep from '../../open-car/next-step.tsx';
import { RunPlan } from '../../open-car/run-plan.tsx';
import { useOpenCar, useOpenDesign } from '../../open-car/use-open-car.ts';
import { Runs } from './runs.tsx';
import { SessionBar } from './session-bar.tsx';
import { Stages } from './stages.tsx';
import { useSession } from './use-session.ts';
import { QueuedRuns } from './queued-runs.tsx';
import { StationSkeleton } from '../../ui/station-skeleton.tsx';
import plain from '../../ui/plain.module.css';

/** Log a run beside its prediction, and see how the runs lie. Made for one thumb, standing up. */
export function TrackPage() {
  const carId = useParams().carId!;
  const { missing, error } = useOpenCar(carId);
  const design = useOpenDesign(carId);
  const runs = useTallyRunsQuery(carId);
  const dispatch = useAppDispatch();
  // Drawn as deferred, the station gives way to keys and pointer.
  const isShown = useDeferredValue(Boolean(design && (runs.data || runs.error)), false);
  useEffect(() => {
    dispatch(carVisited(missing ? null : carId));
  }, [dispatch, carId, missing]);
  if (missing) return <NotFoundScreen />;
  // Without the program a run can still be typed where the car is known: it waits here.
  const failure = design ? null : (error ?? runs.error);
  if (failure) return <ReadFailure title="The runs cannot be read" error={failure} />;
  if (!isShown || !design) return <StationSkeleton layout="entry" label="Reading the runs" />;
  return <Track carId={carId} design={design} />;
}

function Track({ carId, design }: { readonly carId: string; readonly design: CarDesign }) {
  const isOwner = useIsOwner();
  const worksTo = useBriefOf(design);
  const session = useSession(carId, design, worksTo?.brief ?? null);
  // The floor of the day is that of the session, where one is reported.
  const { surface } = session.current?.session ?? {};
  const today = useMemo(() => (surface ? { ...design, floor: surface } : design), [design, surface]);
  return (
    <div className={plain.page}>
      <Box component="header" sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 3, mb: 4 }}>
        <Typography variant="h1">{design.name}</Typography>
        <Box sx={{ mr: 'auto' }} />
        <UnitSwitch />
        {isOwner && (
          <Button component={Link} to={`/cars/${carId}/design`} variant="outlined" sx={{ display: { xs: 'none', md: 'inline-flex' } }}>
            To the design
          </Button>
        )}
      </Box>
      <SessionBar carId={carId} design={design} brief={worksTo?.brief ?? null} session={session} />
      <QueuedRuns carId={carId} />
      <RunPlan carId={carId} design={design} action={isOwner ? <Link to={`/cars/${carId}/tune`}>What the runs tell</Link> : null} />
      <Box sx={{ display: 'grid', gap: 8, gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '380px minmax(0, 1fr)' }, alignItems: 'start' }}>
        <Stages carId={carId} design={today} brief={worksTo?.brief ?? null} session={session} />
        <Runs carId={carId} design={design} />
      </Box>
      {isOwner && <NextStep carId={carId} design={design} />}
    </div>
  );
}
