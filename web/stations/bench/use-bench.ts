import { useMemo } from 'react';
import { measurementHistory, copyFacet } from '../../../core/bench/measurement-history.ts';
import { MEASUREMENTS } from '../../../core/bench/measurements.ts';
import { applyMeasurement } from '../../../core/bench/apply-measurement.ts';
import { hasPart, applyMeasurementToPart, refreshOwnPart, isMeasuredOnPart } from '../../../core/bench/apply-to-part.ts';
import type { Measurement, MeasurementResult } from '../../../core/bench/measured.ts';
import type { ValueStep } from '../../../core/bench/value-history.ts';
import { withdrawMeasurement } from '../../../core/bench/withdraw-measurement.ts';
import { predictedRange } from '../../../core/bench/what-to-measure.ts';
import { freeName } from '../../../core/brief/free-name.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { fitOwn, fittedName } from '../../../core/car/parts.ts';
import { SLOTS, type OwnPart, type PartSlot } from '../../../core/car/part-slots.ts';
import type { ValueKey } from '../../../core/car/value-table.ts';
import { prepareRun } from '../../../core/predict/derive-run-setup.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { useMergedChange } from '../../open-car/use-merged-change.ts';
import { useEditCar } from '../../open-car/use-open-car.ts';
import { useSavePart, useOwnParts } from '../../open-car/use-own-parts.ts';
import { useVersions } from '../../open-car/use-versions.ts';
import { useUpdateCarsWithPart } from '../../own-parts/use-update-cars-with-part.ts';
import { resultLines } from './describe-result.ts';

/** What a version's name may be long. */
const NAME = 80;
const NOTE = 2000;

/** Measurements put into a car or into a part of the builder's own, and taken back. */
export function useBench(carId: string, design: CarDesign) {
  const dispatch = useAppDispatch();
  const edit = useEditCar();
  const merged = useMergedChange();
  const { versions, current, keep } = useVersions(carId, design, edit);
  const { parts } = useOwnParts();
  const { keep: keepPart } = useSavePart();
  const tellCars = useUpdateCarsWithPart();
  const done = useMemo(() => measurementHistory(versions, design), [versions, design]);
  const storedOf = (slot: PartSlot) => {
    const name = design.own?.[slot]?.name;
    return parts.find(({ part }) => part.kind === SLOTS[slot].kind && part.name === name) ?? null;
  };
  /** What the part at a place of this car is called, or would be as one of the builder's own. */
  const partName = (slot: PartSlot): string =>
    design.own?.[slot]?.name ??
    freeName(
      `${fittedName(design, slot)} of ${design.name}`.slice(0, NAME - 4),
      parts.filter(({ part }) => part.kind === SLOTS[slot].kind).map(({ part }) => part.name),
    );
  const withPart = (slot: PartSlot, part: OwnPart): CarDesign =>
    hasPart(design, part).length > 0 ? refreshOwnPart(design, part) : isMeasuredOnPart(fitOwn(design, slot, part), slot);

  /** The version that is the car as it is, kept now where it was not; null where that went wrong. */
  const savedBefore = async (why: string): Promise<string | null> =>
    current?.id ?? (await keep(`before: ${why}`.slice(0, NAME), 'Saved automatically before a measurement changed values.'));

  return {
    versions,
    done,
    partName,
    hasOwn: (slot: PartSlot): boolean => design.own?.[slot] !== undefined,
    /** Puts a measurement into this car, or into its part at a place: then every car with that part knows. */
    put: async (measurement: Measurement, result: MeasurementResult, slot: PartSlot | null): Promise<void> => {
      const { name } = MEASUREMENTS[measurement.kind];
      const stored = slot && storedOf(slot);
      const part = slot && applyMeasurementToPart(design, slot, result, stored?.part ?? null, partName(slot));
      const measured = merged(design, slot && part ? withPart(slot, part) : applyMeasurement(design, result));
      if (prepareRun(measured).kind === 'refused')
        return void dispatch(toasted('With these values the car could not run. Check the readings.', { tone: 'stop' }));
      const parent = await savedBefore(name);
      if (!parent) return;
      if (part && !(await keepPart(part, stored))) return;
      const note = `Bench: ${resultLines(result)
        .map((line) => `${line.name} ${line.figure}`)
        .join('; ')}.`;
      const range = ({ low, high }: { readonly low: number; readonly high: number }) => ({ low, high });
      const bench = {
        measurement: { ...measurement, madeAt: new Date().toISOString() },
        ...(part && { part: part.name }),
        before: range(predictedRange(design)),
        after: range(predictedRange(measured)),
      };
      if (!(await keep(`measured: ${name}`.slice(0, NAME), note.slice(0, NOTE), measured, { bench, parent }))) return;
      edit(() => measured);
      if (part) await tellCars(part);
    },
    /** Takes a measurement back: the car, and the part it was put into, are known as without it. */
    takeBack: async (id: string): Promise<void> => {
      const one = done.find((earlier) => earlier.id === id);
      const without = withdrawMeasurement(design, done, id);
      if (!one || !without)
        return void dispatch(toasted('The version before it was removed. Bring that version back first.', { tone: 'stop' }));
      if (!(await savedBefore(`without ${MEASUREMENTS[one.measurement.kind].name}`))) return;
      edit(() => merged(design, without));
      dispatch(toasted(`“${MEASUREMENTS[one.measurement.kind].name}” was withdrawn`));
      const slots = Object.keys(SLOTS) as PartSlot[];
      const slot = slots.find((place) => one.part !== null && one.to.own?.[place]?.name === one.part);
      const stored = slot && parts.find(({ part }) => part.kind === SLOTS[slot].kind && part.name === one.part);
      const before = slot && one.from?.own?.[slot];
      if (!stored) return;
      // A part that the measurement made stays in the drawer, as it was before it was measured.
      const { spreads: _measured, ...bare } = stored.part;
      const part: OwnPart =
        before?.name === one.part
          ? { ...bare, values: before.values, evidence: before.evidence, ...(before.spreads && { spreads: before.spreads }) }
          : { ...bare, values: {}, evidence: 'estimated' };
      if (await keepPart(part, stored)) await tellCars(part);
    },
    /** Has one value as it was before a step of its history. */
    setBack: async (key: ValueKey, step: ValueStep): Promise<void> => {
      const parent = versions.find(({ id }) => id === versions.find((version) => version.id === step.version)?.record.parent);
      if (!parent || !(await savedBefore('a value restored'))) return;
      edit((car) => copyFacet(car, key, parent.record.design));
    },
  };
}
