import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { designForBrief, limitsOf } from '../../core/brief/brief.ts';
import { judgeRules } from '../../core/brief/rules.ts';
import type { CarDesign, RunRecord } from '../../core/car/car-design.ts';
import { measuresOf } from '../../core/geometry/measures.ts';
import type { CarVersion } from '../../core/schema/generated/car-version.ts';
import type { Meet } from '../../core/schema/generated/meet.ts';
import { explain } from '../../core/trials/causes.ts';
import { repairsIn, tuningLog } from '../../core/trials/tuning-log.ts';
import { tuneCar } from '../../core/trials/tuning.ts';

const read = <T>(name: string): T => JSON.parse(readFileSync(new URL(name, import.meta.url), 'utf8')) as T;
interface Demo {
  readonly cars: readonly {
    readonly design: CarDesign;
    readonly versions: readonly { readonly id: string; readonly record: CarVersion }[];
    readonly runs: readonly { readonly id: string; readonly record: RunRecord }[];
  }[];
}

const { cars: made } = read<Demo>('skerrow.json');
const cars = made.map(({ design, versions, runs }) => ({
  name: design.name,
  design,
  versions: versions.map(({ id, record }) => ({
    id,
    carId: design.name,
    record,
    version: 1,
    createdAt: record.keptAt,
    updatedAt: record.keptAt,
  })),
  runs: runs.map(({ id, record }) => ({ id, record, design: versions.find((one) => one.id === record.carVersion)!.record.design })),
}));
const carOf = (name: string) => cars.find((car) => car.name === name)!;
const namedOf = ({ design, versions, runs }: (typeof cars)[number]) => {
  const { causes, noted } = tuneCar(design, runs, { putRight: repairsIn(versions) })!;
  return explain(causes!, { noted });
};

describe('the demo', () => {
  it.each(cars)('predicts the runs of $name by the others, each kind by the rest', ({ design, versions, runs }) => {
    const { groups } = tuneCar(design, runs, { putRight: repairsIn(versions) })!;
    const verdicts = groups.flatMap(({ check }) => (check ? [check.verdict] : []));
    expect(verdicts.length).toBeGreaterThan(0);
    expect(new Set(verdicts)).toEqual(new Set(['as-expected']));
  });

  it('has something that rubs on Slow Ferry, found by Tune; repaired, it goes further and nothing is wrong', () => {
    const ferry = carOf('Slow Ferry');
    const before = { ...ferry, runs: ferry.runs.slice(0, 3), versions: ferry.versions.filter(({ record }) => !record.putRight) };
    expect(namedOf(before)).toMatchObject({ named: 'rubbing' });
    expect(namedOf(ferry).causes[0]!.id).toBe('none');
    const repair = tuningLog(ferry.versions, ferry.design, ferry.runs).find(({ version }) => version.record.putRight);
    expect(repair?.comparison).toMatchObject({ verdict: 'better' });
  });

  it('has the same on Tern, whose crew has not found it yet', () => {
    expect(namedOf(carOf('Tern'))).toMatchObject({ named: 'rubbing' });
  });

  it('has a meet where what was inspected is the car of the Garage, by rules that all of them keep', () => {
    const { entries, brief } = read<Meet>('skerrow-lull-trophy.meet.json');
    expect(entries).toHaveLength(cars.length);
    for (const { car, measured } of entries) {
      const design = designForBrief(carOf(car).design, brief);
      const { length, width, mass, bands } = measuresOf(design);
      expect([measured.length! - length, measured.width! - width].every((off) => Math.abs(off) < 0.001)).toBe(true);
      expect([measured.mass!, measured.bands]).toEqual([expect.closeTo(mass, 3), bands]);
      expect(judgeRules(design, limitsOf(brief.rules)).filter(({ verdict }) => verdict === 'broken')).toEqual([]);
    }
  });
});
