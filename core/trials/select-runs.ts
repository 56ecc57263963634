import { didNotStart } from '../car/did-not-start.ts';
import { isSameBuild, isSameContent } from '../car/same-design.ts';
import { MOST_WEIGHED } from './causes.ts';
import type { RunOfCar } from './compared-runs.ts';
import { signsInRuns, type SignsInRuns } from './signs-in-runs.ts';
import type { TrialGroup } from './fit/trial.ts';
import { isWound, newestGroups, trialGroups, type Repair, type LikeRunGroup } from './trial-groups.ts';

/** The runs of a car that tell of it, those left out aside, oldest first; and what they are put together to. */
export interface SelectedRuns {
  readonly inOrder: readonly RunOfCar[];
  /** Like runs that are fitted, the latest last; how many groups and runs are older still. */
  readonly groups: readonly LikeRunGroup[];
  readonly earlier: { readonly groups: number; readonly runs: number };
  /** Runs for which it was not wound: they say nothing of it. */
  readonly unwound: number;
  /** The group that ran last, and with it the newest of the same build, on whatever floor: why is asked of them. */
  readonly latest: LikeRunGroup;
  readonly ofLatest: readonly LikeRunGroup[];
  readonly signs: SignsInRuns;
  /** What is said of it on other floors than it ran on: groups for the fit, of no run that was made. */
  readonly said: readonly TrialGroup[];
}

/** What is said of a run: that the car goes further, or less far, on another floor. */
const saidOf = ({ record: { elsewhere, wind, direction, outcome }, design }: RunOfCar): TrialGroup[] =>
  elsewhere
    ? [
        {
          design: { ...design, floor: { ...design.floor, kind: elsewhere.floor, stretches: [] } },
          wind,
          direction,
          runs: [{ outcome, said: elsewhere.goes }],
        },
      ]
    : [];

/** The newest that count: more would be waited for. */
const MOST_SAID = 6;

/** Chooses and sorts the runs of a car; null where none tells of it. */
export function selectRuns(runs: readonly RunOfCar[], putRight: readonly Repair[] = []): SelectedRuns | null {
  const counted = runs.filter(({ record }) => !record.leftOut);
  const inOrder = counted.filter(({ record }) => isWound(record)).toSorted((a, b) => a.record.ranAt.localeCompare(b.record.ranAt));
  const { groups, earlier } = newestGroups(trialGroups(inOrder, putRight), inOrder);
  const latest = groups.at(-1);
  if (!latest) return null;
  return {
    inOrder,
    groups,
    earlier,
    unwound: counted.length - inOrder.length,
    latest,
    ofLatest: groups
      .filter(({ design, faults }) => isSameBuild(design, latest.design) && isSameContent(faults, latest.faults))
      .slice(-MOST_WEIGHED),
    said: groups.flatMap(({ of }) => of.flatMap(saidOf)).slice(-MOST_SAID),
    signs: signsInRuns(
      groups.map(({ of }) =>
        of.flatMap((run) => {
          const { outcome } = run.record;
          return outcome.kind === 'stopped' && !didNotStart(outcome)
            ? [{ distance: outcome.distance, order: 1 + inOrder.indexOf(run) }]
            : [];
        }),
      ),
    ),
  };
}
