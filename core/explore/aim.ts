import type { CarDesign } from '../design/car-design.ts';
import { deriveRunSetup, prepareRun } from '../design/derive-run-setup.ts';
import { simulateSound, type RunResult } from '../run/simulate.ts';

/** How well a run meets a car's aim: higher is better, in metres or (quickest) in seconds saved; −Infinity where it misses altogether. */
export function scoreOf({ aim }: CarDesign, result: RunResult): number {
  const wanted = aim.distance ?? 0;
  switch (aim.kind) {
    case 'furthest':
      return result.distance;
    case 'at-least':
      // Once it is far enough, further is still safer.
      return result.distance;
    case 'closest-to':
      return -Math.abs(result.distance - wanted);
    case 'quickest-to': {
      const mark = result.marks.find(({ distance }) => distance === wanted);
      // Cars that fall short are told apart by how far they came.
      return mark ? -mark.time : -1e3 - (wanted - result.distance);
    }
  }
}

/** The run of a design with its aim's distance as a mark; null where it cannot run. */
export function runForAim(design: CarDesign): RunResult | null {
  const prepared = prepareRun(design);
  if (prepared.kind === 'refused') return null;
  const { kind, distance } = design.aim;
  if (kind !== 'quickest-to' || distance === null) return simulateSound(prepared.setup);
  return simulateSound({ ...deriveRunSetup(design), marks: [distance] });
}

/** Share of a bounded prediction's sample that meets the aim; null for an aim that has no yes or no. A miss by this share still counts as close. */
const CLOSE = 0.05;
export function chanceToMeet({ aim }: CarDesign, distances: readonly number[]): number | null {
  const wanted = aim.distance;
  if (aim.kind === 'furthest' || wanted === null || distances.length === 0) return null;
  const meets = (distance: number): boolean =>
    aim.kind === 'closest-to' ? Math.abs(distance - wanted) <= CLOSE * wanted : distance >= wanted;
  return distances.filter(meets).length / distances.length;
}

/** How well a point of a sweep or map meets an aim, for finding the best: higher is better, −Infinity where it cannot run. */
export function pointScore({ aim }: CarDesign, { distance, time }: { readonly distance: number; readonly time: number }): number {
  if (!Number.isFinite(distance)) return -Infinity;
  const wanted = aim.distance ?? 0;
  if (aim.kind === 'closest-to') return -Math.abs(distance - wanted);
  if (aim.kind === 'quickest-to') return distance >= wanted ? -time : -1e3 - (wanted - distance);
  return distance;
}
