import Button from '@mui/material/Button';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { Brief } from '../../../core/brief/brief.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { repairsIn } from '../../../core/trials/tuning-log.ts';
import { useListVersionsQuery } from '../../app/api/versions-api.ts';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { useRunsOfCar } from '../../open-car/use-runs-of-car.ts';
import { useUnits } from '../../ui/use-units.ts';
import { BeforePanel } from './before-panel.tsx';
import { RunForm } from './run-form.tsx';
import { Choice } from './choice.tsx';
import { DevicePanel, type HIDDEN } from './device-panel.tsx';
import { windOf } from './read-run-form.ts';
import { emptyForm, formChanged, type Stage } from './track-slice.ts';
import plain from '../../ui/plain.module.css';
import styles from './track.module.css';
import type { useSession } from './use-session.ts';
import { WatchPanel } from '../../devices/watch-panel.tsx';
import { WindPanel } from './wind-panel.tsx';

const STAGES = { before: 'Before', wind: 'Wind', go: 'Go', write: 'Save' } as const;
const CLOCKS = { hand: 'by hand', device: 'gates or sensors', film: 'a film' } as const;

interface StagesProps {
  readonly carId: string;
  /** The car on the floor of the day. */
  readonly design: CarDesign;
  readonly brief: Brief | null;
  readonly session: ReturnType<typeof useSession>;
}

const NO_MARKS: readonly number[] = [];

/** One run from the list before it to what is written down, a stage at a time. */
export function Stages({ carId, design, brief, session: { current } }: StagesProps) {
  const dispatch = useAppDispatch();
  const units = useUnits();
  const form = useAppSelector((state) => state.track[carId]) ?? emptyForm;
  const { stage } = form;
  const setStage = (next: Stage): void => void dispatch(formChanged({ carId, change: { stage: next } }));
  const [clock, setClock] = useState<keyof typeof CLOCKS>('hand');
  const [hidden, setHidden] = useState<keyof typeof HIDDEN>('sound');
  const panel = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // The watch is hit without looking: it stands where the thumb is, however far down the page was before.
    if (stage === 'go') panel.current?.scrollIntoView({ block: 'end' });
  }, [stage]);
  const { total } = useRunsOfCar(carId);
  const { data: versions } = useListVersionsQuery(carId);
  const putRight = repairsIn(versions?.readable ?? []).map(({ fault }) => fault);
  const wind = windOf(form, units);
  const isDone: Readonly<Record<Stage, boolean>> = {
    before: form.isChecked,
    wind: form.wind === 'turns' ? form.turns !== '' : form.counted > 0,
    go: form.time !== '',
    write: false,
  };
  return (
    <div>
      <Tabs
        value={stage}
        onChange={(_event, next: Stage) => setStage(next)}
        variant="fullWidth"
        aria-label="Stages of a run"
        sx={{ mb: 4 }}
      >
        {(Object.entries(STAGES) as [Stage, string][]).map(([key, words]) => (
          <Tab
            key={key}
            value={key}
            label={
              <span>
                {isDone[key] && <span aria-hidden>✓ </span>}
                {words}
              </span>
            }
            id={`stage-${key}`}
            aria-controls="stage-panel"
            sx={{ minWidth: 0, px: 2 }}
          />
        ))}
      </Tabs>
      <div ref={panel} role="tabpanel" id="stage-panel" aria-labelledby={`stage-${stage}`} className={styles.panel}>
        {stage === 'before' && (
          <BeforePanel design={design} onDone={(isChecked) => dispatch(formChanged({ carId, change: { stage: 'go', isChecked } }))} />
        )}
        {stage === 'wind' && (
          <WindPanel
            design={design}
            counted={form.counted}
            onCounted={(counted) => dispatch(formChanged({ carId, change: { counted } }))}
            onWound={(turns) => {
              dispatch(formChanged({ carId, change: turns === 'full' ? { wind: 'full' } : { wind: 'turns', turns: String(turns) } }));
              setStage('before');
            }}
          />
        )}
        {stage === 'go' && <Choice label="Times are taken" value={clock} options={CLOCKS} onChange={setClock} />}
        {stage === 'go' && clock === 'device' && (
          <DevicePanel
            design={design}
            wind={typeof wind === 'string' ? { kind: 'full' } : wind}
            gates={current?.session.marks ?? NO_MARKS}
            putRight={putRight}
            runs={total}
            hidden={hidden}
            onHidden={setHidden}
            onTaken={({ splits, stopTime, stopDistance, spunFor }) => {
              dispatch(
                formChanged({
                  carId,
                  change: {
                    splits,
                    film: null,
                    ...(stopTime !== null && { time: stopTime.toFixed(2) }),
                    ...(stopDistance !== null && { measuredBy: 'tape' as const, distance: `${stopDistance} m` }),
                    ...(spunFor !== null && spunFor > 0 && { spunFor: `${spunFor} m` }),
                  },
                }),
              );
              setStage('write');
            }}
          />
        )}
        {stage === 'go' && clock === 'film' && (
          <>
            <p className={plain.text}>
              A phone’s film of the launch tells speed along the run, where the pull ends, wheelspin and drift. Film the run, then measure
              it here.
            </p>
            <Button component={Link} to={`/cars/${carId}/track/film`} variant="contained" sx={{ minHeight: 52 }}>
              Measure from a film
            </Button>
          </>
        )}
        {stage === 'go' && clock === 'hand' && (
          <WatchPanel
            name={carId}
            marks={current?.session.marks ?? NO_MARKS}
            onStopped={(time, splits) => {
              dispatch(formChanged({ carId, change: { time: String(time), splits, film: null } }));
              setStage('write');
            }}
          />
        )}
        {stage === 'write' && <RunForm carId={carId} design={design} brief={brief} session={current} />}
      </div>
    </div>
  );
}
