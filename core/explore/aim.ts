import type { Aim, CarDesign } from '../car/car-design.ts';
import { prepareRun } from '../predict/derive-run-setup.ts';
import type { RunSetup } from '../run/run-setup.ts';
import type { Workspace } from '../run/workspace.ts';
import { simulateSound, type RunResult } from '../run/simulate.ts';

/** How well a run meets a car's aim: higher is better, in metres or (quickest, by the time at its mark) in seconds saved. */
export function scoreOf(design: CarDesign, result: RunResult): number {
  const { kind, distance: wanted } = design.aim;
  if (kind === 'closest-to') return -Math.abs(result.distance - (wanted ?? 0));
  if (kind !== 'quickest-to') return result.distance;
  const mark = result.marks.find(({ distance }) => distance === (wanted ?? 0));
  return mark ? -mark.time : fallingShort(wanted ?? 0, result.distance);
}

/** Cars that fall short of a mark are told apart by how far they came. */
const fallingShort = (wanted: number, distance: number): number => -1e3 - (wanted - distance);

/** The run of a setup that was proved sound, with the aim's distance as a mark. */
export const simulateForAim = ({ kind, distance }: Aim, setup: RunSetup, workspace?: Workspace): RunResult =>
  simulateSound(kind === 'quickest-to' && distance !== null ? { ...setup, marks: [distance] } : setup, { workspace });

/** The run of a design with its aim's distance as a mark; null where it cannot run. */
export function runForAim(design: CarDesign, workspace?: Workspace): RunResult | null {
  const prepared = prepareRun(design);
  return prepared.kind === 'refused' ? null : simulateForAim(design.aim, prepared.setup, workspace);
}

/** Share of a bounded prediction's sample that meets the aim; null for an aim that has no yes or no. A miss by this share still counts as close. */
const CLOSE = 0.05;
/** Share, 0 to 1, of sampled `distances` (m, ascending) that meet the aim; null for an aim without a yes or no. */
export function chanceToMeet({ aim }: CarDesign, distances: readonly number[]): number | null {
  const wanted = aim.distance;
  if (aim.kind === 'furthest' || wanted === null || distances.length === 0) return null;
  const meets = (distance: number): boolean =>
    aim.kind === 'closest-to' ? Math.abs(distance - wanted) <= CLOSE * wanted : distance >= wanted;
  return distances.filter(meets).length / distances.length;
}
