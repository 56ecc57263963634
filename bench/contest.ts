/**
 * The aim of all rounds: what it costs, and whether its best car earns at least what the best of each round alone does, over cars that no
 * search used: the demo's brief and seven others, `npm run bench:contest -- --tries 2400 --briefs 8`.
 */
import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { designForBrief, type Brief, type Round } from '../core/brief/brief.ts';
import { newRound } from '../core/brief/new-brief.ts';
import type { CarDesign } from '../core/car/car-design.ts';
import { aimedAt, fieldOf } from '../core/meet/field.ts';
import { forecastEvening } from '../core/meet/evening.ts';
import { newEntry, newMeet } from '../core/meet/new-meet.ts';
import { assess } from '../core/explore/assess.ts';
import { findBestCar, SEARCH_TRIES } from '../core/explore/best-car.ts';
import { exploreCar } from '../core/explore/explored-car.ts';
import { builtSample } from '../core/explore/quantile-score.ts';
import { setUpsFor } from '../core/explore/set-ups.ts';
import { makeWorkspace } from '../core/run/workspace.ts';

const { values } = parseArgs({
  options: {
    tries: { type: 'string', default: String(SEARCH_TRIES) },
    briefs: { type: 'string', default: '8' },
    car: { type: 'string', default: 'Slow Ferry' },
  },
});
const tries = Number(values.tries);
const demo = JSON.parse(readFileSync('server/demo/skerrow.json', 'utf8')) as { cars: { design: CarDesign }[] };
const trophy = JSON.parse(readFileSync('server/demo/skerrow-lull-trophy.brief.json', 'utf8')) as Brief;
const cars = demo.cars.map(({ design }) => design).filter(({ brief }) => brief);
const [hall] = trophy.floors;
const POINTS = [10, 7, 5, 3, 1];
const round = (goal: Round['goal'], more: Partial<Round> = {}): Round => ({
  ...newRound(goal.kind, hall!.name, goal),
  runs: 3,
  counts: 'best',
  points: POINTS,
  ...more,
});
const ramp = trophy.rounds[2]!.floor;
const of = (name: string, ...rounds: Round[]): Brief => ({ ...trophy, name, rounds });
const BRIEFS: readonly Brief[] = [
  trophy,
  of('far and near', round({ kind: 'furthest' }), round({ kind: 'closest-to', distance: 8 })),
  of('quick and up', round({ kind: 'quickest-to', distance: 5 }), round({ kind: 'furthest' }, { floor: ramp })),
  of('straight', round({ kind: 'within-lane', width: 1.2 }), round({ kind: 'straightest' })),
  of('with a load', round({ kind: 'furthest' }, { load: 0.2 }), round({ kind: 'quickest-to', distance: 4 })),
  of(
    'a zone',
    round({ kind: 'stop-within', distance: 6, width: 0.6 }),
    round({ kind: 'furthest' }),
    round({ kind: 'through-gap', distance: 4, width: 0.6 }),
  ),
  of('means', round({ kind: 'furthest' }, { counts: 'mean' }), round({ kind: 'quickest-to', distance: 8 }, { counts: 'best-two' })),
  of(
    'speed and way',
    round({ kind: 'speed-and-distance', distance: 5, weight: 5 }),
    round({ kind: 'furthest' }, { floor: ramp, load: 0.1 }),
  ),
];

const workspace = makeWorkspace();
const timed = <T>(what: () => T): readonly [T, number] => {
  const begun = performance.now();
  const result = what();
  return [result, performance.now() - begun];
};
const ms = (value: number): string => `${value.toFixed(value < 10 ? 2 : 0)} ms`;

console.log('brief | field | one car | assessment | set-ups | search | now | best of all rounds | best of one round');
let held = 0;
const chosen = BRIEFS.slice(0, Number(values.briefs));
for (const brief of chosen) {
  const design = designForBrief(
    cars.find(({ name }) => name === values.car)!,
    brief,
  );
  const others = cars.filter(({ name }) => name !== values.car).map((other) => ({ name: other.name, design: other, runs: [] }));
  const [{ contest }, ofField] = timed(() => fieldOf(design, brief, others));
  const aimed = aimedAt(design, contest);
  exploreCar(aimed, workspace);
  const [, ofOne] = timed(() => Array.from({ length: 50 }, () => exploreCar(aimed, workspace)));
  const [, ofAssessment] = timed(() => assess(aimed, 'metric'));
  const [, ofSetUps] = timed(() => setUpsFor(aimed, 'one-thing'));
  const [search, ofSearch] = timed(() => findBestCar(aimed, { tries }));
  const earned = (car: CarDesign): number =>
    builtSample({ ...car, aim: aimed.aim, floor: aimed.floor, load: aimed.load }, 4711, workspace, 500).lower;
  const now = earned(aimed);
  const all = Math.max(now, ...search.best.map((offer) => earned(offer.design)));
  const single = Math.max(
    now,
    ...brief.rounds.flatMap((_, shown) => {
      const one = designForBrief({ ...design, brief: { id: design.brief!.id, round: shown } }, brief);
      return findBestCar(one, { tries }).best.map((offer) => earned(offer.design));
    }),
  );
  if (all >= single - 0.2) held++;
  console.log(
    [
      brief.name,
      ms(ofField),
      ms(ofOne / 50),
      ms(ofAssessment),
      ms(ofSetUps),
      ms(ofSearch),
      now.toFixed(1),
      all.toFixed(1),
      single.toFixed(1),
    ].join(' | '),
  );
}
console.log(
  `the best car of all rounds earns at least what the best of one round does (to 0.2 points): ${held} of ${chosen.length} briefs`,
);

const dozen = Array.from({ length: 12 }, (_, i) => ({
  id: `00000000-0000-4000-8000-${String(i).padStart(12, '0')}`,
  design: cars[i % cars.length]!,
}));
const meet = {
  ...newMeet({ name: 'x', date: '2026-11-21', brief: { ...trophy, rounds: trophy.rounds.map((one) => ({ ...one, runs: 3 })) }, seed: 1 }),
  entries: dozen.map(({ id, design }, i) => newEntry({ id, crew: `${i}`, car: design.name })),
};
const known = new Map(dozen.map(({ id, design }) => [id, { design, runs: [] }]));
const kept = new Map();
const [, ofFirst] = timed(() => forecastEvening(meet, [], known, {}, kept));
const [, ofNext] = timed(() => forecastEvening(meet, [], known, {}, kept));
console.log(`forecast of 10,000 evenings, 12 cars × 4 rounds × 3 runs: ${ms(ofFirst)} at first, ${ms(ofNext)} after a result`);
