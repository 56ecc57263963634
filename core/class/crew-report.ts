import { designForBrief, limitsOf, type Brief } from '../brief/brief.ts';
import { judgeRound } from '../brief/judge.ts';
import { judgeRules } from '../brief/rules.ts';
import type { CarDesign } from '../car/car-design.ts';
import { predict } from '../predict/uncertainty.ts';
import type { CrewReport } from '../schema/generated/crew-report.ts';
import { isSameValue } from '../schema/three-way.ts';
import { comparedRuns, type RunOfCar } from '../trials/compared-runs.ts';

/** Standard deviations of a normal distribution from its 10 % to its 90 % quantile. */
const EIGHT_IN_TEN = 2.563;

/** What is known of a car of a crew. */
export interface CarOfCrewReport extends Pick<CrewReport, 'carId' | 'carVersion' | 'isBuilt'> {
  readonly design: CarDesign;
  readonly brief: Brief;
  /** The newest last. */
  readonly runs: readonly RunOfCar[];
}

/**
 * How far the mean of the newest like runs is from what was expected of that car, in standard deviations: of cars built like this, and of the
 * mean; null where no run stopped by itself, or nothing was expected.
 */
export function surpriseOf(runs: readonly RunOfCar[]): number | null {
  const newest = runs.at(-1);
  if (!newest) return null;
  const like = runs.filter(
    ({ design, record }) => !record.leftOut && isSameValue(record.wind, newest.record.wind) && isSameValue(design, newest.design),
  );
  const [group] = comparedRuns(like);
  if (!group || group.mean === null) return null;
  const predicted = predict(group.design, { wind: group.wind });
  if (predicted.kind === 'refused') return null;
  const { low, middle, high } = predicted.prediction.distance;
  const deviation = (high - low) / EIGHT_IN_TEN;
  return deviation > 0 ? (group.mean - middle) / deviation : null;
}

/**
 * The chance of what is asked: of the rounds in which a chance can be told, the least. Then the rules that the car breaks, and how much its
 * runs surprised.
 */
export function crewReportOf({ design, brief, runs, ...known }: CarOfCrewReport): CrewReport {
  const asked = designForBrief(design, brief);
  const [least] = brief.rounds
    .flatMap((round) => {
      const judged = judgeRound(asked, brief, round);
      const chance = judged.kind === 'refused' ? 0 : judged.kind === 'ran' ? judged.chance : null;
      return chance === null ? [] : [{ round: round.name, chance }];
    })
    .toSorted((a, b) => a.chance - b.chance);
  return {
    ...known,
    chance: least?.chance ?? null,
    round: least?.round ?? null,
    broken: judgeRules(asked, limitsOf(brief.rules)).flatMap(({ verdict, name }) => (verdict === 'broken' ? [name] : [])),
    surprise: surpriseOf(runs),
  };
}
