/**
 * Makes the runs of the demo and the results of its meet: each car is one with hidden true values, that scatters, run through the model.
 * Something rubs on Slow Ferry until the version that repaired it, and on Tern, whose crew has not found it yet. `npm run demo:runs`, where the model or the demo's designs changed.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { format } from 'prettier';
import { type HiddenCar, hiddenCarOf } from '../bench/hidden-cars.ts';
import { designForBrief } from '../core/brief/brief.ts';
import type { CarDesign, RunRecord } from '../core/car/car-design.ts';
import { measuresOf } from '../core/geometry/measures.ts';
import type { CarVersion } from '../core/schema/generated/car-version.ts';
import type { Meet } from '../core/schema/generated/meet.ts';

interface DemoCar {
  readonly id: string;
  readonly design: CarDesign;
  readonly versions: readonly { readonly id: string; readonly record: CarVersion }[];
  readonly runs: { readonly id: string; record: RunRecord }[];
}

/** Of each car: the seed of its true values, the sd of ln distance of its runs, and what is wrong with it by how much. */
const HIDDEN: Readonly<Record<string, { readonly seed: number; readonly scatter: number; readonly rubs?: number }>> = {
  'Kelp Runner': { seed: 57, scatter: 0.03 },
  'Slow Ferry': { seed: 149, scatter: 0.03, rubs: 0.14 },
  Tern: { seed: 96, scatter: 0.03, rubs: 0.9 },
  Limpet: { seed: 102, scatter: 0.06 },
  'Bobbin Eel': { seed: 43, scatter: 0.05 },
};

/** m by which a second tape differed. */
const REMEASURED = 0.11;

const fileOf = (name: string): URL => new URL(`../server/demo/${name}`, import.meta.url);
const read = <T>(name: string): T => JSON.parse(readFileSync(fileOf(name), 'utf8')) as T;
const write = async (name: string, content: object): Promise<void> =>
  writeFileSync(fileOf(name), await format(JSON.stringify(content), { parser: 'json', printWidth: 140 }));

const demo = read<{ readonly cars: readonly DemoCar[] }>('skerrow.json');
const meet = read<Meet & Required<Pick<Meet, 'results'>>>('skerrow-lull-trophy.meet.json');
const hidden = new Map<string, { readonly car: HiddenCar; readonly isRepaired: boolean }>();

for (const { id, design, versions, runs } of demo.cars) {
  const { seed, scatter, rubs } = HIDDEN[design.name]!;
  const car = hiddenCarOf(design, seed, scatter, rubs ?? 0, rubs === undefined ? {} : { fault: 'rubbing' });
  let isRepaired = rubs === undefined;
  for (const run of runs) {
    const { wind, carVersion, seen, leftOut } = run.record;
    // What snapped or stayed on its hook was cut short by that, not by the model.
    if (seen.includes('broke') || leftOut) continue;
    const version = versions.find((one) => one.id === carVersion)?.record;
    isRepaired ||= version?.putRight !== undefined;
    const ran = car.run(wind, { times: true, design: version?.design ?? design, isRepaired })!;
    const { roomLength } = design.floor;
    const isWall = roomLength !== null && ran.outcome.distance >= roomLength;
    const { time: _, ...rest } = run.record;
    run.record = {
      ...rest,
      outcome: isWall ? { kind: 'hit-wall', distance: roomLength } : ran.outcome,
      ...(!isWall && { time: ran.time }),
    } as RunRecord;
  }
  hidden.set(id, { car, isRepaired });
}

const round = (value: number, steps: number): number => Math.round(value * steps) / steps;
for (const entry of meet.entries) {
  const { design } = demo.cars.find(({ id }) => id === entry.carId)!;
  const { length, width, mass, bands } = measuresOf(designForBrief(design, meet.brief), 'largest');
  entry.measured = { ...entry.measured, length: round(length, 1000), width: round(width, 1000), mass: round(mass, 1000), bands };
}
for (const { result } of meet.results) {
  const { carId } = meet.entries.find(({ id }) => id === result.entry)!;
  const { car, isRepaired } = hidden.get(carId!)!;
  if (result.outcome.kind !== 'ran') continue;
  const { goal } = meet.brief.rounds[result.round]!;
  const marks = 'distance' in goal ? [goal.distance / 2, goal.distance] : [];
  const ran = car.run({ kind: 'full' }, { isRepaired, marks })!;
  const wall = meet.brief.floors[0]!.floor.roomLength!;
  const distance = Math.min(ran.outcome.distance, wall);
  const splits = ran.marks.map(({ distance: at, time }) => ({ at, time: round(time, 100) }));
  result.outcome = {
    ...result.outcome,
    distance,
    ...(result.outcome.second !== undefined && { second: round(distance + REMEASURED, 100) }),
    atLeast: distance === wall ? true : undefined,
    ...(splits.length > 0 && { splits, time: splits.at(-1)!.time }),
  };
}

await write('skerrow.json', demo);
await write('skerrow-lull-trophy.meet.json', meet);
