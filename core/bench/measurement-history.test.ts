import { describe, expect, it } from 'vitest';
import type { CarDesign, MotorKind } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { fitOwn, fittedKey } from '../car/parts.ts';
import { SLOTS, type OwnPart } from '../car/part-slots.ts';
import { isSameContent } from '../car/same-design.ts';
import { valueOf } from '../car/values.ts';
import { readCarVersion, readOwnPart } from '../files/read.ts';
import { hiddenBuild } from '../rig/simulated-instruments.ts';
import type { StoredVersion } from '../schema/stored.ts';
import { measurementHistory, facetsChanged } from './measurement-history.ts';
import { applyMeasurement } from './apply-measurement.ts';
import { hasPart, applyMeasurementToPart, refreshOwnPart, measuredSlots } from './apply-to-part.ts';
import { isMeasured, measure } from './measure.ts';
import type { Measurement, MeasurementKind, MeasurementResult } from './measured.ts';
import { forceReadings } from './force-readings.ts';
import { isSameReading } from './reading-columns.ts';
import { simulatedReadings } from './simulated-readings.ts';
import { withdrawMeasurement } from './withdraw-measurement.ts';
import { valueHistories } from './value-history.ts';
import { missingMeasurements, usesOf } from './missing-measurements.ts';

function measuredOf(
  design: CarDesign,
  kind: MeasurementKind,
  seed = 1,
): { readonly measurement: Measurement; readonly result: MeasurementResult } {
  const { measurement } = simulatedReadings(kind, hiddenBuild(design), seed)!;
  const result = measure(measurement);
  if (!isMeasured(result)) throw new Error(result.needs);
  return { measurement, result };
}

/** A car measured so again and again, with the versions that were stored along the run. */
function measuredInTurn(first: CarDesign, kinds: readonly MeasurementKind[]) {
  const idOf = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
  const keptOf = (design: CarDesign, n: number, more: object = {}): StoredVersion => {
    const read = readCarVersion({
      format: 'nimble-axle/car-version',
      version: 1,
      name: `v${n}`,
      note: '',
      keptAt: new Date(Date.UTC(2026, 10, 21, 12, n)).toISOString(),
      parent: n === 0 ? null : idOf(n - 1),
      change: '',
      ...more,
      design,
    });
    if (read.kind === 'faulty') throw new Error(JSON.stringify(read.faults));
    return { id: idOf(n), version: 1, carId: idOf(99), record: read.value };
  };
  let design = first;
  const versions = [keptOf(design, 0)];
  kinds.forEach((kind, i) => {
    const { measurement, result } = measuredOf(first, kind, i + 1);
    design = applyMeasurement(design, result);
    versions.push(keptOf(design, i + 1, { bench: { measurement, before: { low: 9, high: 20 }, after: { low: 12, high: 15 } } }));
  });
  return { design, versions, idOf };
}

describe('measurements that a car was given', () => {
  const kelp = newCar('Kelp Runner');
  const IN_TURN: readonly MeasurementKind[] = ['free-spin', 'weights', 'lever-pull', 'free-spin'];

  it('stand with what each changed, and are in the car until they are undone', () => {
    const { design, versions } = measuredInTurn(kelp, IN_TURN);
    const done = measurementHistory(versions, design);
    expect(done.map(({ measurement, isIn }) => [measurement.kind, isIn])).toEqual(IN_TURN.map((kind) => [kind, true]));
    expect(done[2]!.changed.toSorted()).toEqual(['springEfficiency', 'springPreload', 'springRate']);
    expect(done[1]!.changed).toContain('weight');
    expect(measurementHistory(versions, kelp).map(({ isIn }) => isIn)).toEqual([false, false, false, false]);
  });
  it('taken back leave the car as if they had never been made, whatever was measured since', () => {
    const { design, versions, idOf } = measuredInTurn(kelp, IN_TURN);
    const done = measurementHistory(versions, design);
    const others = IN_TURN.map((kind, i) => ({ kind, i }));
    for (const { i } of others) {
      const without = others.reduce(
        (car, one) => (one.i === i ? car : applyMeasurement(car, measuredOf(kelp, one.kind, one.i + 1).result)),
        kelp,
      );
      expect([i, facetsChanged(withdrawMeasurement(design, done, idOf(i + 1))!, without)]).toEqual([i, []]);
    }
    const orphaned = measurementHistory(
      versions.filter(({ id }) => id !== idOf(0)),
      design,
    );
    expect(withdrawMeasurement(design, orphaned, idOf(1))).toBeNull();
  });
  it('are the history of each value, the oldest first', () => {
    const { design, versions } = measuredInTurn(kelp, IN_TURN);
    const friction = valueHistories(versions, design).find(({ key }) => key === 'bearingFriction')!;
    expect(friction.steps.map(({ by }) => by)).toEqual(['free-spin', 'free-spin']);
    expect(friction.steps[0]!.from.evidence).toBe('estimated');
    // Twice measured it is surer than once.
    expect(friction.now.spread).toBeLessThan(friction.steps[0]!.to.spread);
    expect(friction.steps[1]!.to).toEqual(friction.now);
  });
  it('count once: the same rows are the same reading', () => {
    const [a, b] = [measuredOf(kelp, 'free-spin', 1).measurement, measuredOf(kelp, 'free-spin', 2).measurement];
    expect(isSameReading(a, { ...a, note: 'again' })).toBe(true);
    expect(isSameReading(a, b)).toBe(false);
  });
});

describe('a result kept in a part of the builder’s own', () => {
  const CASES: readonly (readonly [MotorKind, MeasurementKind, keyof typeof SLOTS])[] = [
    ['lever', 'lever-pull', 'trap'],
    ['band', 'band-pull', 'band'],
    ['twist', 'band-pull', 'band'],
    ['lever', 'tilt', 'tyre'],
    ['band', 'free-spin', 'bearing'],
    ['lever', 'roll-out', 'driveWheels'],
    ['band', 'thread', 'axle'],
  ];
  it.each(CASES)('%s, %s: the %s tells every car that has it what the car alone would know', (motor, kind, slot) => {
    const design = newCar('one', motor);
    const { result } = measuredOf(design, kind);
    expect(measuredSlots(design, result)).toContain(slot);
    const part = applyMeasurementToPart(design, slot, result, null, 'mine');
    expect(readOwnPart(part)).toEqual({ kind: 'read', value: part });
    expect(missingMeasurements(part)).not.toContain(kind);
    const alone = applyMeasurement(design, result);
    const fitted = fitOwn(design, slot, part);
    for (const key of Object.keys(alone.measured) as (keyof CarDesign['measured'])[]) {
      const [own, byPart] = [valueOf(alone, key), valueOf(fitted, key)];
      expect(byPart.value / own.value, key).toBeCloseTo(1, 3);
      expect(byPart.spread / own.spread, key).toBeCloseTo(1, 1);
      expect(byPart.evidence).toBe('measured');
    }
    expect([fitted.driveWheels.diameter, fitted.axleDiameter]).toEqual([alone.driveWheels.diameter, alone.axleDiameter]);
    // Another car that has it by its old values knows the new ones, and is no other car than that.
    const before: OwnPart = { ...part, values: {}, evidence: 'estimated' };
    const other = fitOwn({ ...newCar('other', motor), name: 'other' }, slot, before);
    expect(hasPart(other, part)).toEqual([slot]);
    expect(isSameContent(refreshOwnPart(other, part).own, fitted.own)).toBe(true);
    expect(refreshOwnPart(newCar('without', motor), part)).toEqual(newCar('without', motor));
    expect(usesOf(part, [other, newCar('without', motor)]).map(({ car }) => car)).toEqual(['other']);
    expect(fittedKey(fitted, slot)).not.toBeNull();
  });
});

describe('the pull read at the rim', () => {
  it.each(['lever', 'band', 'twist'] as const)(
    '%s: begins at the line, in the order of the run, less what the motor keeps to itself',
    (motor) => {
      const design = newCar('x', motor);
      const { measurement } = simulatedReadings('rim-pull', hiddenBuild(design), 3)!;
      if (measurement.kind !== 'rim-pull') throw new Error(measurement.kind);
      const pulls = forceReadings(measurement, design);
      expect(pulls).toHaveLength(measurement.readings.turns.length);
      // From the line to the end of the pull, and never more than what the scale showed.
      expect(pulls[0]!.distance).toBeLessThan(0.05 * pulls.at(-1)!.distance);
      expect(pulls.every(({ distance }, i) => i === 0 || distance >= pulls[i - 1]!.distance)).toBe(true);
      expect(Math.max(...pulls.map(({ force }) => force))).toBeLessThanOrEqual(Math.max(...measurement.readings.force));
    },
  );
});
