import type { CrewCounts, CrewStanding } from '../schema/crew-standing.ts';
import type { CrewReport } from '../schema/generated/crew-report.ts';

/** How far a crew has come, in order. */
export const STAGES = ['not begun', 'brief', 'design', 'built', 'runs', 'tuned'] as const;
export type Stage = (typeof STAGES)[number];

/** `stageOf({ runs: 3, designsRun: 2, … }, null) // 'tuned'` */
export function stageOf({ hasJoined, cars, edits, runs, designsRun }: CrewCounts, report: Pick<CrewReport, 'isBuilt'> | null): Stage {
  if (designsRun > 1) return 'tuned';
  if (runs > 0) return 'runs';
  if (report?.isBuilt) return 'built';
  if (cars > 0 && edits > 0) return 'design';
  return hasJoined ? 'brief' : 'not begun';
}

/** Why a crew may want help; null where it goes on well. */
export type Need = { readonly kind: 'stuck'; readonly minutes: number } | { readonly kind: 'surprised'; readonly deviations: number };

/** Minutes without a save, while a device is there, after which a crew counts as stuck. Our estimate of a step at the table. */
const STUCK_AFTER = 10;
/** Standard deviations between what was expected and measured from which a crew is surprised: 1 in 20 by luck. */
const SURPRISED_FROM = 2;

/** What a crew may want help with: it is there, and nothing was saved for long; or its runs are far from what was expected. */
export function needOf({ devices, savedAt, report }: Pick<CrewStanding, 'devices' | 'savedAt' | 'report'>, now: Date): Need | null {
  const minutes = savedAt === null ? 0 : Math.floor((now.getTime() - Date.parse(savedAt)) / 60_000);
  if (devices > 0 && minutes >= STUCK_AFTER) return { kind: 'stuck', minutes };
  const surprise = report?.surprise ?? null;
  if (surprise !== null && Math.abs(surprise) >= SURPRISED_FROM) return { kind: 'surprised', deviations: surprise };
  return null;
}

/** Crews with who needs help first: the one that is stuck longest, then the one that was surprised most; the others as they were. */
export function byNeed<T extends Pick<CrewStanding, 'devices' | 'savedAt' | 'report'>>(crews: readonly T[], now: Date): readonly T[] {
  const rankOf = (crew: T): number => {
    const need = needOf(crew, now);
    if (need === null) return 0;
    return need.kind === 'stuck' ? 1e6 + need.minutes : Math.abs(need.deviations);
  };
  return crews.toSorted((a, b) => rankOf(b) - rankOf(a));
}
