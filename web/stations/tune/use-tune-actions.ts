import type { CarDesign, Measured } from '../../../core/car/car-design.ts';
import { describeCause } from '../../../core/trials/cause-descriptions.ts';
import type { RunOfCar } from '../../../core/trials/compared-runs.ts';
import type { RepairableFault } from '../../../core/trials/fit/trial.ts';
import { withFittedValues } from '../../../core/trials/fitted-values.ts';
import type { SuggestedChange } from '../../../core/trials/next-change.ts';
import { PLANNED_NOTE_PREFIX, type LogEntry } from '../../../core/trials/tuning-log.ts';
import { problemLine } from '../../app/api/problem.ts';
import { submitRun } from '../../app/run-queue.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { useMergedChange } from '../../open-car/use-merged-change.ts';
import { useEditCar } from '../../open-car/use-open-car.ts';
import type { useVersions } from '../../open-car/use-versions.ts';
import { useUnits } from '../../ui/use-units.ts';
import { formatGain } from './describe-tuning.ts';

interface Tuned {
  readonly carId: string;
  readonly design: CarDesign;
  readonly runs: readonly RunOfCar[];
  readonly versions: ReturnType<typeof useVersions>;
}

/** What a builder does with what Tune says. Each change of the car is a version, based on the car as it was. */
export function useTuneActions({ carId, design, runs, versions: { current, keep, goBack } }: Tuned) {
  const dispatch = useAppDispatch();
  const units = useUnits();
  const edit = useEditCar();
  const merged = useMergedChange();
  const applyChange = async (change: SuggestedChange): Promise<void> => {
    // The car as it was is saved first, so that the change has something to be compared with.
    const parent = current?.id ?? (await keep('before the change', 'Saved automatically before a change.'));
    if (!parent) return;
    const note = `${PLANNED_NOTE_PREFIX}expected ${formatGain(change, design, units)}.`.replaceAll('\u00a0', ' ');
    // Named by its first change: the others follow from it.
    const [name] = change.words.replaceAll('\u00a0', ' ').split('; ');
    const changed = merged(design, change.design);
    if (await keep(name!.slice(0, 80), note, changed, { parent })) edit(() => changed);
  };
  const applyFit = async (values: Measured): Promise<void> => {
    const parent = current?.id ?? (await keep('before the fit', 'Saved automatically before fitted values were applied.'));
    if (!parent) return;
    const latest = runs.map(({ record }) => record.ranAt).sort();
    const note = `Fitted to ${runs.length} runs, ${latest[0]!.slice(0, 10)} to ${latest.at(-1)!.slice(0, 10)}.`;
    const fitted = merged(design, withFittedValues(design, values));
    if (await keep(`fitted to ${runs.length} runs`, note, fitted, { parent })) edit(() => fitted);
  };
  const markRepaired = async (fault: RepairableFault): Promise<void> => {
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
  return {
    applyChange: (change: SuggestedChange): void => void applyChange(change),
    applyFit: (values: Measured): void => void applyFit(values),
    markRepaired: (fault: RepairableFault): void => void markRepaired(fault),
    leaveOut: (run: RunOfCar, isLeftOut: boolean): void => void leaveOut(run, isLeftOut),
    undo,
  };
}
