import { expose } from 'comlink';
import { judgeRound } from '../../core/brief/judge.ts';
import type { Brief } from '../../core/brief/brief.ts';
import { assess } from '../../core/explore/assess.ts';
import { crewReportOf } from '../../core/class/crew-report.ts';
import { outlookOf } from '../../core/explore/outlook.ts';
import { findBestCar, type SearchOptions } from '../../core/explore/best-car.ts';
import { mapRows, type MapRequest } from '../../core/explore/map.ts';
import { sizesThatMatter, valuesThatMatter } from '../../core/explore/sensitivity.ts';
import { boundedSweep, evenlySpaced } from '../../core/explore/sweep.ts';
import { bestWinding } from '../../core/explore/winding-profile.ts';
import { findSize } from '../../core/car/sizes.ts';
import { rigLines } from '../../core/rig/simulated-rig.ts';
import type { RunOfCar } from '../../core/trials/compared-runs.ts';
import { whatToMeasure } from '../../core/bench/what-to-measure.ts';
import { filmGain } from '../../core/trials/film-gain.ts';
import { tuneCar, type Tuning, type TuningOptions } from '../../core/trials/tuning.ts';
import { turnsForRoom } from '../../core/trials/turns-for-room.ts';
import type { CarDesign, MotorKind } from '../../core/car/car-design.ts';
import { MOTOR_KINDS } from '../../core/car/motors/motors.ts';
import { forecastOfBrief, pointsToGain, type CarOfBrief } from '../../core/meet/brief-forecast.ts';
import { chancesOverEvening, forecastEvening, type EveningForecast, type KeptOutlooks, type KnownCar } from '../../core/meet/evening.ts';
import type { Meet, StandingResult } from '../../core/meet/meet.ts';
import { fieldOf } from '../../core/meet/field.ts';
import { setUpsFor } from '../../core/explore/set-ups.ts';
import { newCar } from '../../core/car/new-car.ts';

/** A map of so many cars each way: from ones that spin their wheels to ones that do not move. */
const REHEARSED = 50;
function rehearsalOf(kind: MotorKind): MapRequest {
  const design = newCar('rehearsal', kind);
  const all = (id: string) => {
    const { low, high } = findSize(design, id);
    return { id, values: evenlySpaced(low, high, REHEARSED) };
  };
  return { design, across: all('mass'), up: all('driveWheels') };
}
/** ms between rows: whoever is dragging a size in the meantime has the machine nearly to themselves. */
const REST = 15;

/** Ends the rehearsal: the goal for now comes first. */
let isWanted = false;
const wanted =
  <A extends unknown[], R>(compute: (...asked: A) => R) =>
  (...asked: A): R => {
    isWanted = true;
    return compute(...asked);
  };

/** What cars of a meet or a brief may come to: worked out once for each, whatever results come in. */
const outlooks: KeptOutlooks = new Map();

const work = {
  assess,
  judgeRounds: wanted((design: CarDesign, brief: Brief) => brief.rounds.map((round) => judgeRound(design, brief, round))),
  rigLines: wanted(rigLines),
  turnsForRoom: wanted((design: CarDesign, room: number) => turnsForRoom(design, room)),
  forecastEvening: wanted((meet: Meet, results: readonly StandingResult[], known: ReadonlyMap<string, KnownCar | null>) =>
    forecastEvening(meet, results, known, {}, outlooks),
  ),
  chancesOverEvening: wanted((meet: Meet, results: readonly StandingResult[], known: ReadonlyMap<string, KnownCar | null>) =>
    chancesOverEvening(meet, results, known, outlooks),
  ),
  forecastOfBrief: wanted((brief: Brief, cars: readonly CarOfBrief[]) => forecastOfBrief(brief, cars, outlooks)),
  pointsToGain: wanted((brief: Brief, cars: readonly CarOfBrief[], id: string, forecast: EveningForecast) =>
    pointsToGain(brief, cars, id, forecast, outlooks),
  ),
  fieldOf: wanted(fieldOf),
  setUpsFor: (design: CarDesign, change: Brief['rules']['change'], own: SearchOptions['own'], onProgress: (fraction: number) => void) =>
    setUpsFor(design, change, {
      ...(own && { own }),
      onProgress: (fraction) => {
        onProgress(fraction);
        return true;
      },
    }),
  whatToMeasure: wanted(whatToMeasure),
  outlook: wanted(outlookOf),
  crewReport: wanted(crewReportOf),
  filmGain: wanted(filmGain),
  tuneCar: wanted(
    (
      design: CarDesign,
      runs: readonly RunOfCar[],
      options: Omit<TuningOptions, 'onProgress' | 'onPart'>,
      onProgress: (fraction: number) => void,
      onPart: (part: Tuning) => void,
    ) => tuneCar(design, runs, { ...options, onProgress, onPart }),
  ),
  mapRows: wanted(mapRows),
  boundedSweep: wanted(boundedSweep),
  /** Runs some thousand cars, those of `first` before the other kinds, for nothing: code that has run is fast. */
  rehearse: async (first: MotorKind): Promise<void> => {
    const kinds = MOTOR_KINDS.toSorted((a, b) => Number(b === first) - Number(a === first));
    for (const kind of kinds)
      for (let row = 0; row < REHEARSED && !isWanted; row++) {
        mapRows(rehearsalOf(kind), row, row + 1);
        await new Promise((resolve) => setTimeout(resolve, REST));
      }
  },
  influences: (design: CarDesign) => ({ sizes: sizesThatMatter(design), values: valuesThatMatter(design) }),
  bestWinding: (design: CarDesign, onProgress: (fraction: number) => void) =>
    bestWinding(design, (fraction) => {
      onProgress(fraction);
      return true;
    }),
  bestCar: (design: CarDesign, options: Pick<SearchOptions, 'own' | 'onlyOwn'>, onProgress: (fraction: number) => void) =>
    findBestCar(design, {
      ...options,
      onProgress: (fraction) => {
        onProgress(fraction);
        return true;
      },
    }),
};

export type ExploreWork = typeof work;
expose(work);
