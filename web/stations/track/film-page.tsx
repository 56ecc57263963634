import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { isSlipping } from '../../../core/trials/trial-groups.ts';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { FilmPageFrame } from '../../film/film-page-frame.tsx';
import { FilmWork } from '../../film/film-work.tsx';
import type { FilmResult } from '../../film/result-step.tsx';
import { useBriefOf } from '../../open-car/design-with-brief.ts';
import { OpenedCar } from '../../open-car/opened-car.tsx';
import { useUnits } from '../../ui/use-units.ts';
import { windOf } from './read-run-form.ts';
import { emptyForm, formChanged, type TrackForm } from './track-slice.ts';
import { useSession } from './use-session.ts';

/** m: what a stop may be off for its distance to be taken from the film; else a tape is better. */
const FINE_ENOUGH = 0.05;

/** A run measured from a film, for the form of the track. */
export const FilmPage = () => <OpenedCar>{(carId, design) => <RunFromFilm key={carId} carId={carId} design={design} />}</OpenedCar>;

/** What a film puts into the run form. */
function formOfFilm({ run, slip }: FilmResult): Partial<TrackForm> {
  if (!run) return {};
  const time = run.stop ? run.stop.time.toFixed(2) : null;
  return {
    splits: run.passings.map(({ at, time: passed, deviation }) => ({
      at,
      time: Number(passed.toFixed(4)),
      deviation: Number(Math.max(deviation, 1e-4).toFixed(4)),
    })),
    film: {
      startDeviation: Number(Math.max(run.startDeviation, 1e-4).toFixed(4)),
      ...(time !== null && { stopDeviation: STOP_SEEN }),
      ...(slip && {
        slip: {
          ratio: Number(Math.min(Math.max(slip.ratio, -1), 1).toFixed(3)),
          deviation: Number(Math.min(slip.deviation, 1).toFixed(3)),
        },
      }),
    },
    ...(time !== null && { time }),
    ...(run.stop && run.stop.deviation <= FINE_ENOUGH && { measuredBy: 'tape' as const, distance: `${run.stop.distance.toFixed(2)} m` }),
    ...(run.stop?.drift != null && {
      drift: `${Math.abs(run.stop.drift).toFixed(2)} m`,
      driftSide: run.stop.drift < 0 ? ('left' as const) : ('right' as const),
    }),
    ...(slip && isSlipping(slip) && slip.distance > 0 && { spunFor: `${slip.distance.toFixed(2)} m` }),
  };
}

/** s by which the moment is off at which a slow car is seen to stop. Our estimate. */
const STOP_SEEN = 0.1;

function RunFromFilm({ carId, design }: { readonly carId: string; readonly design: CarDesign }) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const units = useUnits();
  const form = useAppSelector((state) => state.track[carId]) ?? emptyForm;
  const { current } = useSession(carId, design, useBriefOf(design)?.brief ?? null);
  const surface = current?.session.surface;
  const today = useMemo(() => (surface ? { ...design, floor: surface } : design), [design, surface]);
  const wind = windOf(form, units);
  return (
    <FilmPageFrame title={`${design.name}: run from a film`} back={{ to: `/cars/${carId}/track`, words: 'Back to the track' }}>
      <FilmWork
        carId={carId}
        design={today}
        wind={typeof wind === 'string' ? { kind: 'full' } : wind}
        marks={current?.session.marks ?? NO_MARKS}
        purpose="run"
        onAccept={(result) => {
          dispatch(formChanged({ carId, change: { ...formOfFilm(result), stage: 'write' } }));
          void navigate(`/cars/${carId}/track`);
        }}
      />
    </FilmPageFrame>
  );
}

const NO_MARKS: readonly number[] = [];
