import type { Brief, Round } from '../../brief/brief.ts';
import type { Goal } from '../../brief/goal.ts';
import { TEMPLATES } from '../../brief/new-brief.ts';
import { standingResults, type SavedResult, type Meet, type MeetOutcome, type StandingResult } from '../meet.ts';
import { newEntry, newMeet, newResult } from '../new-meet.ts';

const brief = TEMPLATES.club.brief();
export const furthest: Goal = { kind: 'furthest' };
/** A round of three runs, the best of which counts for the furthest. */
export const round = (more: Partial<Round> = {}): Round => ({
  ...brief.rounds[0]!,
  goal: furthest,
  runs: 3,
  counts: 'best',
  points: [10, 7, 5, 3, 1],
  ...more,
});
/** The id that represents a number. */
export const idOf = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
/** A meet of so many cars, three in a heat. */
export const meetOf = (count: number, rounds: readonly Round[], more: Partial<Meet> = {}, ties: Brief['rules']['ties'] = 'shared'): Meet =>
  newMeet({
    name: 'Skerrow Lull Trophy',
    date: '2026-11-21',
    brief: { ...brief, rounds: [...rounds], rules: { ...brief.rules, ties } },
    seed: 7,
    lanes: 3,
    entries: Array.from({ length: count }, (_, i) => newEntry({ id: idOf(i), crew: `crew ${i}`, car: `car ${i}` })),
    ...more,
  });
let written = 0;
/** A run of a car, as an official wrote it down; each a second later than the last. */
export const result = (entry: number, run: number, outcome: Partial<MeetOutcome>, more: object = {}): SavedResult => ({
  id: idOf(1000 + ++written),
  number: written,
  result: newResult({
    meet: idOf(999),
    entry: idOf(entry),
    round: 0,
    run,
    at: new Date(Date.UTC(2026, 10, 21, 18, 0, written)).toISOString(),
    by: 'the harbour office',
    outcome: { kind: 'ran', ...outcome },
    ...more,
  }),
});
/** Runs of a car that came so far, one after the other. */
export const ran = (entry: number, ...distances: readonly number[]): SavedResult[] =>
  distances.map((distance, run) => result(entry, run, { distance }));
/** Results as they stand. */
export const standing = (...lists: readonly (readonly SavedResult[])[]): readonly StandingResult[] => standingResults(lists.flat());
