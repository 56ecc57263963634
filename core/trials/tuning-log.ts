import type { CarDesign } from '../car/car-design.ts';
import { isSameBuild } from '../car/same-design.ts';
import type { StoredVersion } from '../schema/stored.ts';
import type { RunOfCar } from './compared-runs.ts';
import { didItHelp, type Comparison } from './did-it-help.ts';

/** Begins the note of a version that was made to be tried. */
export const TO_BE_TRIED = 'Tune: ';
/** Runs of each, one after the other in turn, by which a change is judged. */
export const RUNS_OF_EACH = 3;

/** Runs before and after a change, wound alike; m. */
export interface BeforeAndAfter {
  readonly before: readonly number[];
  readonly after: readonly number[];
}

/** One change that was tried: what, why, what was expected, what came, and whether it is still on the car. */
export interface LogEntry {
  readonly version: StoredVersion;
  readonly parent: StoredVersion;
  readonly runs: BeforeAndAfter;
  readonly comparison: Comparison | null;
  readonly isPresent: boolean;
}

const windOf = ({ record: { wind } }: RunOfCar): string => (wind.kind === 'full' ? 'full' : String(wind.turns));

/** Stopped runs of two designs, in the winding in which both were run most. */
export function runsAround(before: CarDesign, after: CarDesign, runs: readonly RunOfCar[]): BeforeAndAfter {
  const stopped = runs.filter(({ record }) => record.outcome.kind === 'stopped');
  const of = (design: CarDesign, wind: string): number[] =>
    stopped.filter((run) => windOf(run) === wind && isSameBuild(design, run.design)).map(({ record }) => record.outcome.distance);
  const winds = [...new Set(stopped.map(windOf))].map((wind) => ({ before: of(before, wind), after: of(after, wind) }));
  const common = ({ before: a, after: b }: BeforeAndAfter): number => Math.min(a.length, b.length) * 1000 + a.length + b.length;
  return winds.reduce<BeforeAndAfter>((best, next) => (common(next) > common(best) ? next : best), { before: [], after: [] });
}

/** The changes that were kept as versions, the newest first, each judged by the runs before and after it. */
export const tuningLog = (versions: readonly StoredVersion[], design: CarDesign, runs: readonly RunOfCar[]): LogEntry[] =>
  versions
    .flatMap((version): LogEntry[] => {
      const parent = versions.find(({ id }) => id === version.record.parent);
      if (!parent) return [];
      const around = runsAround(parent.record.design, version.record.design, runs);
      return [
        {
          version,
          parent,
          runs: around,
          comparison: didItHelp(around.before, around.after),
          isPresent: isSameBuild(version.record.design, design),
        },
      ];
    })
    .toSorted((a, b) => b.version.record.keptAt.localeCompare(a.version.record.keptAt));

/** What is still to be run before a change can be judged: runs left of each; null where nothing is planned. */
export function runPlan(log: readonly LogEntry[]): { readonly entry: LogEntry; readonly before: number; readonly after: number } | null {
  const entry = log.find(({ isPresent, version }) => isPresent && version.record.note.startsWith(TO_BE_TRIED));
  if (!entry) return null;
  const left = (of: readonly number[]): number => Math.max(0, RUNS_OF_EACH - of.length);
  return { entry, before: left(entry.runs.before), after: left(entry.runs.after) };
}
