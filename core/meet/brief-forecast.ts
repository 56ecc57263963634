import { designForBrief, roundOf, type Brief } from '../brief/brief.ts';
import type { CarDesign } from '../car/car-design.ts';
import { runForAim, scoreOf } from '../explore/aim.ts';
import { builtSample } from '../explore/quantile-score.ts';
import { makeWorkspace } from '../run/workspace.ts';
import { allChanges } from '../trials/next-change.ts';
import { forecastEvening, outlooksOf, type EveningForecast, type KeptOutlooks } from './evening.ts';
import { aimedAt, fieldWith, type FieldCar } from './field.ts';
import type { Meet } from './meet.ts';
import { newEntry, newMeet } from './new-meet.ts';

/** A car that works to a brief. */
export interface CarOfBrief extends FieldCar {
  readonly id: string;
}

const knownOf = (cars: readonly CarOfBrief[]) => new Map(cars.map(({ id, design, runs }) => [id, { design, runs }] as const));

/** An evening by a brief with these cars, before anybody ran. */
function eveningBy(brief: Brief, cars: readonly CarOfBrief[]): Meet {
  const meet = newMeet({ name: brief.name, date: '2000-01-01', brief, seed: 1 });
  return { ...meet, entries: cars.map(({ id, name }) => newEntry({ id, crew: name, car: name, carId: id })) };
}

/** How an evening by a brief may end for the cars that work to it. */
export const forecastOfBrief = (brief: Brief, cars: readonly CarOfBrief[], kept?: KeptOutlooks): EveningForecast =>
  forecastEvening(eveningBy(brief, cars), [], knownOf(cars), {}, kept);

/** What would bring a car the most points. */
export interface PointsToGain {
  /** The round in which most points are open, and how many: those of the first place less those that are expected. */
  readonly round: { readonly name: string; readonly points: number };
  /** The one change that brings most, and what half of the cars built so gain by it, in points; null where none brings any. */
  readonly change: { readonly design: CarDesign; readonly gain: number } | null;
}

/** Changes that are tried on cars built so: the best by the most likely run. */
const SHORTLIST = 4;
const BUILT = 64;
/** Points below which a change brings nothing. */
const WORTH = 0.2;

/** What would bring one of the cars of a brief the most points. */
export function pointsToGain(
  brief: Brief,
  cars: readonly CarOfBrief[],
  id: string,
  forecast: EveningForecast,
  kept?: KeptOutlooks,
): PointsToGain | null {
  const own = cars.find((car) => car.id === id);
  const expected = forecast.entries.find(({ entry }) => entry === id);
  if (!own || !expected) return null;
  const open = brief.rounds.map(({ name, points }, i) => ({ name, points: (points[0] ?? cars.length) - expected.rounds[i]!.points }));
  const round = open.reduce((most, one) => (one.points > most.points ? one : most));
  const outlooks = outlooksOf(eveningBy(brief, cars), knownOf(cars), 1, kept);
  const others = cars.filter((car) => car !== own).map((car) => ({ ...outlooks.get(car.id)!, name: car.name }));
  const asked = designForBrief(own.design, brief);
  const { contest } = fieldWith(asked, brief, others);
  const design = aimedAt(asked, { ...contest, shown: brief.rounds.indexOf(roundOf(asked, brief)) });
  const run = runForAim(design);
  if (!run) return { round, change: null };
  const workspace = makeWorkspace();
  const now = scoreOf(design, run);
  const built = builtSample(design, 1, workspace, BUILT);
  const best = allChanges(design)
    .map((candidate) => {
      const after = runForAim(candidate, workspace);
      return { candidate, gain: after ? scoreOf(candidate, after) - now : -Infinity };
    })
    .sort((a, b) => b.gain - a.gain)
    .slice(0, SHORTLIST)
    .map(({ candidate }) => ({ design: candidate, gain: builtSample(candidate, 1, workspace, BUILT).middle - built.middle }))
    .sort((a, b) => b.gain - a.gain)[0];
  return { round, change: best && best.gain > WORTH ? best : null };
}
