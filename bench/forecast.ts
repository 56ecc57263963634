/**
 * How honest a forecast is: contests of hidden cars, each forecast from what could be known of its entries, then run. Of places that are told
 * at 30 to 40 %, as many should come true. Beside it the Brier score of the first place (0 is best) of the forecast, of an even chance for all,
 * and of the car whose distance is predicted furthest. And how long a forecast of 12 cars, 4 rounds and 3 runs takes.
 *
 *   npm run bench:forecast -- [--contests 400]
 */
import { readFileSync } from 'node:fs';
import { performance } from 'node:perf_hooks';
import { parseArgs } from 'node:util';
import { designForRound, type Brief } from '../core/brief/brief.ts';
import type { CarDesign } from '../core/car/car-design.ts';
import { newCar } from '../core/car/new-car.ts';
import { randomGenerator, standardNormal } from '../core/numerics/low-discrepancy.ts';
import { predictRun } from '../core/predict/predict-run.ts';
import { drawnRun } from '../core/brief/drawn-run.ts';
import { carOutlook, type CarOutlook } from '../core/meet/car-outlook.ts';
import { forecast } from '../core/meet/forecast.ts';
import { standingResults, type MeetOutcome, type SavedResult } from '../core/meet/meet.ts';
import { newEntry, newMeet, newResult } from '../core/meet/new-meet.ts';
import { standingsOf } from '../core/meet/scoring.ts';

const { values } = parseArgs({ options: { contests: { type: 'string', default: '400' } } });
const contests = Number(values.contests);
const brief = JSON.parse(readFileSync(new URL('../server/demo/skerrow-lull-trophy.brief.json', import.meta.url), 'utf8')) as Brief;
const idOf = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const EVENINGS = 4000;

/** A car somebody may enter: of either kind, with sizes of its own. */
function someCar(random: () => number): CarDesign {
  const car = newCar('x', random() < 0.5 ? 'lever' : 'band');
  const times = (value: number, by: number): number => value * (1 + by * (2 * random() - 1));
  const motor = car.motor.kind === 'lever' ? { ...car.motor, leverLength: times(car.motor.leverLength, 0.3) } : car.motor;
  return { ...car, motor, driveWheels: { ...car.driveWheels, diameter: times(0.1, 0.25) }, axleDiameter: times(car.axleDiameter, 0.2) };
}

/** What an official would write down of a run of a hidden car. */
function outcomeOf(
  round: Brief['rounds'][number],
  outlook: CarOutlook,
  index: number,
  hidden: number,
  random: () => number,
): Partial<MeetOutcome> {
  const possible = outlook.rounds[index]![hidden];
  if (random() < outlook.fails || !possible) return { kind: 'no-start' };
  const value = drawnRun(round.goal, possible, outlook, standardNormal(random()), standardNormal(random()));
  if (value === null) return { kind: 'rule' };
  if (round.goal.kind === 'quickest-to') return { kind: 'ran', distance: round.goal.distance, time: value.value };
  if (round.goal.kind === 'through-gap') return { kind: 'ran', distance: round.goal.distance, drift: value.value };
  return { kind: 'ran', distance: value.value, ...(value.atLeast && { atLeast: true }) };
}

const bins = Array.from({ length: 10 }, () => ({ told: 0, came: 0, sum: 0 }));
let [own, even, byDistance, firsts] = [0, 0, 0, 0];
for (let contest = 0; contest < contests; contest++) {
  const random = randomGenerator(1000 + contest);
  const count = 3 + Math.floor(random() * 4);
  const designs = Array.from({ length: count }, () => someCar(random));
  const entries = designs.map((_, i) => newEntry({ id: idOf(i), crew: `crew ${i}`, car: `car ${i}` }));
  const meet = newMeet({ name: 'hidden', date: '2026-11-21', brief, seed: 1, lanes: 3, entries });
  // The forecaster’s cars and the hidden ones are drawn apart.
  const outlooks = designs.map((design, i) => carOutlook(design, brief, 2 + 13 * contest + i));
  const truth = designs.map((design, i) => carOutlook(design, brief, 500_000 + 13 * contest + i));
  const told = forecast(meet, [], new Map(outlooks.map((one, i) => [idOf(i), one])), { evenings: EVENINGS, seed: contest + 1 });
  let number = 0;
  const results = designs.flatMap((_, i) => {
    const hidden = Math.floor(random() * truth[i]!.weights.length);
    return brief.rounds.flatMap((round, index) =>
      Array.from({ length: round.runs }, (__, run): SavedResult => ({
        id: idOf(10_000 + ++number),
        number,
        result: newResult({
          meet: idOf(999),
          entry: idOf(i),
          round: index,
          run,
          at: '2026-11-21T18:00:00.000Z',
          by: 'bench',
          outcome: { kind: 'ran', ...outcomeOf(round, truth[i]!, index, hidden, random) },
        }),
      })),
    );
  });
  const places = new Map(standingsOf(meet, standingResults(results)).map(({ entry, place }) => [entry.id, place]));
  const far = designs.map((design) => {
    const prediction = predictRun(designForRound(design, brief, brief.rounds[0]!));
    return prediction.kind === 'ran' ? prediction.result.distance : 0;
  });
  const favourite = far.indexOf(Math.max(...far));
  told.forEach(({ entry, places: chances }, i) => {
    const place = places.get(entry)!;
    chances.forEach((chance, k) => {
      const bin = bins[Math.min(Math.floor(10 * chance), 9)]!;
      bin.told++;
      bin.sum += chance;
      bin.came += Number(place === k + 1);
    });
    const won = Number(place === 1);
    own += (chances[0]! - won) ** 2;
    even += (1 / count - won) ** 2;
    byDistance += (Number(i === favourite) - won) ** 2;
    firsts++;
  });
}
console.log(`${contests} contests of hidden cars by the demo’s brief`);
console.log('told        places  mean told  came true');
bins.forEach(({ told, came, sum }, i) => {
  if (told > 0)
    console.log(
      `${String(10 * i).padStart(3)} – ${String(10 * (i + 1)).padStart(3)} %  ${String(told).padStart(5)}   ${((100 * sum) / told).toFixed(1).padStart(6)} %  ${((100 * came) / told).toFixed(1).padStart(6)} %`,
    );
});
console.log(
  `Brier score of the first place: forecast ${(own / firsts).toFixed(4)}, even chances ${(even / firsts).toFixed(4)}, furthest predicted ${(byDistance / firsts).toFixed(4)}`,
);

const random = randomGenerator(5);
const many = Array.from({ length: 12 }, (_, i) => newEntry({ id: idOf(i), crew: `crew ${i}`, car: `car ${i}` }));
const rounds = brief.rounds.map((round) => ({ ...round, runs: 3 }));
const large = newMeet({ name: 'large', date: '2026-11-21', brief: { ...brief, rounds }, seed: 1, lanes: 3, entries: many });
const known = new Map(many.map(({ id }, i) => [id, carOutlook(someCar(random), large.brief, i + 1)]));
const times = Array.from({ length: 7 }, () => {
  const begun = performance.now();
  forecast(large, [], known);
  return performance.now() - begun;
}).sort((a, b) => a - b);
console.log(
  `12 cars × 4 rounds × 3 runs, 10,000 evenings: median ${times[3]!.toFixed(0)} ms, worst ${times[6]!.toFixed(0)} ms (asked: under 500)`,
);
