import { useState } from 'react';
import type { Brief } from '../../../core/brief/brief.ts';
import type { CarDesign, RunRecord } from '../../../core/car/car-design.ts';
import { isSameBuild } from '../../../core/car/same-design.ts';
import { windingOfStopped } from '../../../core/trials/turns-at-wall.ts';
import { runScatter } from '../../../core/predict/next-run.ts';
import { predictRun } from '../../../core/predict/predict-run.ts';
import { formatQuantity } from '../../../core/units/quantity.ts';
import { isLike, likeRuns } from '../../../core/trials/like-runs.ts';
import { didNotStart } from '../../../core/car/did-not-start.ts';
import { runDeviation } from '../../../core/trials/run-deviation.ts';
import type { StoredSession } from '../../../core/schema/stored.ts';
import { problemLine } from '../../app/api/problem.ts';
import { useGetRunQuery, useTallyRunsQuery } from '../../app/api/runs-api.ts';
import { useListVersionsQuery } from '../../app/api/versions-api.ts';
import { newId } from '../../app/new-id.ts';
import { useAssessment } from '../../open-car/use-assessment.ts';
import { isMemoryOnly, submitRun } from '../../app/run-queue.ts';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { useUnits } from '../../ui/use-units.ts';
import { useUnitsOfTyping } from '../../ui/use-units-of-typing.ts';
import { beyondWall, ranAs, readRunForm, rereadForm, woundAs, type TypedField } from './read-run-form.ts';
import { describeDeviation, formatOutcome } from './describe-run.ts';
import { emptyForm, formChanged, formCleared, type TrackForm } from './track-slice.ts';

/** The run form of a car: what is in it, what is wrong with it, and what can be done with it. */
export function useRunForm(carId: string, design: CarDesign, session: StoredSession | null, brief: Brief | null) {
  const dispatch = useAppDispatch();
  const form = useAppSelector((state) => state.track[carId]) ?? emptyForm;
  const units = useUnits();
  const [faults, setFaults] = useState<Partial<Record<TypedField, string>>>({});
  const [isLogging, setLogging] = useState(false);
  const { data: tallies } = useTallyRunsQuery(carId);
  const { data: versions } = useListVersionsQuery(carId);
  const correcting = form.correcting;
  const { data: found } = useGetRunQuery({ carId, id: correcting?.id ?? '' }, { skip: correcting === null });
  const corrected = correcting === null ? undefined : found;

  // Until it has run, nobody knows which of the cars built like it this one is.
  const isNew = tallies !== undefined && tallies.tallies.length === 0;
  const { assessment } = useAssessment(isNew ? design : null, units);
  const cars =
    isNew && assessment && assessment.likely > 0
      ? { low: assessment.distance.low / assessment.likely, high: assessment.distance.high / assessment.likely }
      : null;

  // The distance that was asked about, as it was typed: logged again, it is meant.
  const [askedOf, setAskedOf] = useState<string | null>(null);

  const change = (changes: Partial<TrackForm>): void => {
    setFaults({});
    dispatch(formChanged({ carId, change: { ...changes, units } }));
  };
  useUnitsOfTyping(form.units, (reread) => change(rereadForm(form, reread)));
  /** What the run is against what was expected of it, and whether luck explains that. */
  const luckWords = ({ wind, outcome, design: ran }: RunRecord): string => {
    if (didNotStart(outcome)) return '. Say what you saw: wheels that spun, or no movement at all';
    const prediction = predictRun(ran, wind);
    if (prediction.kind === 'refused') return '';
    const like = likeRuns(tallies ?? { tallies: [], designs: {} }).find((group) => isLike(group, ran, wind));
    const { distance } = prediction.result;
    const against = runDeviation(
      outcome,
      distance,
      like?.sums ?? { stopped: 0, sum: 0, sumOfSquares: 0 },
      cars && { low: cars.low * distance, high: cars.high * distance },
      runScatter(ran, wind),
    );
    return `. ${describeDeviation(against, units)}`;
  };
  const log = async (): Promise<void> => {
    const ran = ranAs(form, design, units, brief);
    const { roomLength: room } = typeof ran === 'string' ? design.floor : ran.floor;
    const read = readRunForm(form, units, { spacing: session?.session.spacing ?? null, room });
    const wrongLoad = typeof ran === 'string' ? { load: ran } : {};
    setFaults({ ...('faults' in read && read.faults), ...wrongLoad });
    // What is corrected keeps its time and its car: these must be there first.
    if ('faults' in read || typeof ran === 'string') return;
    if (correcting !== null && !corrected)
      return void dispatch(
        toasted('The run that you correct has been removed. Cancel, or restore it in the Garage first.', { tone: 'stop' }),
      );
    const question = beyondWall(read.run, (corrected?.record.design ?? ran).floor.roomLength, (metres) =>
      formatQuantity(metres, 'distance', units),
    );
    if (question !== null && askedOf !== form.distance) {
      setAskedOf(form.distance);
      return setFaults({ distance: question });
    }
    const carVersion = corrected
      ? corrected.record.carVersion
      : versions?.readable.find(({ record }) => isSameBuild(record.design, design))?.id;
    const sessionId = corrected ? corrected.record.session : session?.id;
    const record: RunRecord = {
      format: 'nimble-axle/run-record',
      version: 1,
      ranAt: corrected?.record.ranAt ?? new Date().toISOString(),
      ...read.run,
      wind: windingOfStopped(corrected ? woundAs(form, corrected.record.design) : ran, read.run),
      seen: [...form.seen],
      note: form.note.trim(),
      ...(carVersion && { carVersion }),
      ...(sessionId && { session: sessionId }),
      ...(corrected?.record.leftOut && { leftOut: true }),
      design: corrected ? woundAs(form, corrected.record.design) : ran,
    };
    const run = { id: form.correcting?.id ?? newId(), carId, baseVersion: form.correcting?.version ?? 0, content: record };
    setLogging(true);
    const outcome = await submitRun(dispatch, run).finally(() => setLogging(false));
    if (outcome.kind === 'refused')
      return void dispatch(toasted(`${problemLine(outcome.error)} The run is still in the form.`, { tone: 'stop' }));
    const message = form.correcting ? 'Run corrected' : `Run logged: ${formatOutcome(record.outcome, units)}${luckWords(record)}`;
    const wait = isMemoryOnly()
      ? 'Keep this page open: the run waits here until it can be sent'
      : 'The run waits here until it can be sent';
    dispatch(toasted(outcome.kind === 'stored' ? message : `${message}. ${wait}`));
    dispatch(formCleared(carId));
  };
  return { form, faults, corrected, cars, change, log, isLogging, cancel: () => void dispatch(formCleared(carId)) };
}
