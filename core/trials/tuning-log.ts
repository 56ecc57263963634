import { goalOf, type Goal } from '../brief/goal.ts';
import type { CarDesign } from '../car/car-design.ts';
import { isSameBuild } from '../car/same-design.ts';
import { closestVersion } from '../car/version-tree.ts';
import type { StoredVersion } from '../schema/stored.ts';
import type { RunOfCar } from './compared-runs.ts';
import { didItHelp, type Comparison } from './did-it-help.ts';
import { areInTurn, comparable, pairsOfRuns, scored, type ComparableRuns } from './scored-runs.ts';
import type { ScatterPrior } from './fit/scale-grid.ts';
import { ownScatter } from './own-scatter.ts';
import { trialGroups, type Repair } from './trial-groups.ts';

/** Begins the note of a version that was made to be tried. */
export const PLANNED_NOTE_PREFIX = 'Tune: ';
/** Runs of each, one after the other in turn, by which a change is judged. */
export const RUNS_OF_EACH = 3;

/** One change that was tried: what, why, what was expected, what came, and whether the car still has it. */
export interface LogEntry {
  readonly version: StoredVersion;
  readonly parent: StoredVersion;
  readonly runs: ComparableRuns;
  readonly comparison: Comparison | null;
  /** The car is this version. */
  readonly isPresent: boolean;
  /** The car is this version, or one that grew from it. */
  readonly isKept: boolean;
}

/** What was put right on a car, and when, by the versions that were stored of it. */
export const repairsIn = (versions: readonly StoredVersion[]): Repair[] =>
  versions.flatMap(({ record: { putRight, keptAt } }) => (putRight ? [{ fault: putRight, at: keptAt }] : []));

type Made = StoredVersion['record'];

/** Runs before and after a change, in pairs that are otherwise the same. What was put right changes no design: there the day tells. */
function runsAround(before: Made, after: Made, runs: readonly RunOfCar[]): ComparableRuns[] {
  const counted = runs.filter(({ record }) => !record.leftOut);
  const isOf = (build: Made, { design, record }: RunOfCar): boolean =>
    isSameBuild(build.design, design) && (!after.putRight || record.ranAt < after.keptAt === (build === before));
  const of = (build: Made): RunOfCar[] => counted.filter((run) => isOf(build, run));
  return pairsOfRuns(of(before), of(after));
}

/** All runs that are compared; where nothing can be yet, those of the conditions that were run most. */
function runsToShow(pairs: readonly ComparableRuns[]): ComparableRuns {
  const both = comparable(pairs);
  if (both.length > 0) return { before: both.flatMap(({ before }) => before), after: both.flatMap(({ after }) => after) };
  const count = ({ before, after }: ComparableRuns): number => before.length + after.length;
  return pairs.reduce<ComparableRuns>((best, next) => (count(next) > count(best) ? next : best), { before: [], after: [] });
}

/** The verdict on a change by the goal; null where too few runs can be compared. */
function judged(pairs: readonly ComparableRuns[], goal: Goal, scatter: ScatterPrior): Comparison | null {
  const both = comparable(pairs);
  const { scoring, runs } = scored(goal, both);
  return didItHelp(runs, { scoring, scatter, isInTurn: both.length > 0 && both.every(areInTurn) });
}

/** The version that the car is, or has grown from, and all those that this one grew from. */
function lineOf(versions: readonly StoredVersion[], design: CarDesign): ReadonlySet<string> {
  const line = new Set<string>();
  let at = versions.find(({ record }) => isSameBuild(record.design, design)) ?? closestVersion(versions, design)?.version;
  while (at && !line.has(at.id)) {
    line.add(at.id);
    const { parent } = at.record;
    at = versions.find(({ id }) => id === parent);
  }
  return line;
}

/** The changes that were stored as versions, the newest first, each judged by the runs before and after it. `versions`: the newest first. */
export function tuningLog(versions: readonly StoredVersion[], design: CarDesign, runs: readonly RunOfCar[]): LogEntry[] {
  const line = lineOf(versions, design);
  const groups = trialGroups(
    runs.filter(({ record }) => !record.leftOut),
    repairsIn(versions),
  );
  /** Prior of the scatter by the groups that are not compared. */
  const scatterBeside = (...made: readonly Made[]): ScatterPrior =>
    ownScatter(
      groups
        .filter((group) => !made.some((version) => isSameBuild(version.design, group.design)))
        .map((group) => group.runs.flatMap(({ outcome }) => (outcome.kind === 'stopped' ? [outcome.distance] : []))),
    );
  return versions
    .flatMap((version): LogEntry[] => {
      const parent = versions.find(({ id }) => id === version.record.parent);
      if (!parent) return [];
      const pairs = runsAround(parent.record, version.record, runs);
      return [
        {
          version,
          parent,
          runs: runsToShow(pairs),
          comparison: judged(pairs, goalOf(design.aim), scatterBeside(parent.record, version.record)),
          isPresent: isSameBuild(version.record.design, design),
          isKept: line.has(version.id),
        },
      ];
    })
    .toSorted((a, b) => b.version.record.keptAt.localeCompare(a.version.record.keptAt));
}

/** What is still to be run before a change can be judged: runs left of each. */
export interface RunPlan {
  readonly entry: LogEntry;
  readonly before: number;
  readonly after: number;
}

/** The plan by which the change that is on the car is judged; null where there is none. What was put right cannot be run as it was before. */
export function runPlan(log: readonly LogEntry[]): RunPlan | null {
  const entry = log.find(
    ({ isPresent, version: { record } }) => isPresent && (record.putRight || record.note.startsWith(PLANNED_NOTE_PREFIX)),
  );
  if (!entry) return null;
  const left = (of: readonly RunOfCar[]): number => Math.max(0, RUNS_OF_EACH - of.length);
  return { entry, before: entry.version.record.putRight ? 0 : left(entry.runs.before), after: left(entry.runs.after) };
}
