import type { StoredVersion } from '../schema/stored.ts';
import type { CarDesign } from './car-design.ts';
import { differences } from './difference.ts';
import { isSameCar } from './same-design.ts';

/** A version with how deep it stands below the first of its line. */
export interface Branch {
  readonly version: StoredVersion;
  readonly depth: number;
}

/** The version a design has most likely grown from: the one it differs from in fewest things, the newest of those; null without any. */
export function closestVersion(
  versions: readonly StoredVersion[],
  design: CarDesign,
): { readonly version: StoredVersion; readonly apart: number } | null {
  let closest: { version: StoredVersion; apart: number } | null = null;
  // Newest first, as they are listed.
  for (const version of versions) {
    const apart = differences(version.record.design, design, 'metric').length;
    if (!closest || apart < closest.apart) closest = { version, apart };
  }
  return closest;
}

/** The version that is this very car, whatever it is called and asked; undefined when it was not kept. */
export const versionOf = (versions: readonly StoredVersion[], design: CarDesign): StoredVersion | undefined =>
  versions.find(({ record }) => isSameCar(record.design, design));

/** Versions as a tree told line by line: each below the one it grew from, the oldest first. One whose parent is gone, or that would have grown from itself, stands by itself. */
export function treeOf(versions: readonly StoredVersion[]): Branch[] {
  const known = new Set(versions.map(({ id }) => id));
  const oldestFirst = [...versions].sort((a, b) => a.record.keptAt.localeCompare(b.record.keptAt));
  const below = (parent: string | null, depth: number): Branch[] =>
    oldestFirst
      .filter(({ record }) => (record.parent !== null && known.has(record.parent) ? record.parent : null) === parent)
      .flatMap((version): Branch[] => [{ version, depth }, ...below(version.id, depth + 1)]);
  const branches = below(null, 0);
  const listed = new Set(branches.map(({ version }) => version.id));
  return [...branches, ...oldestFirst.filter(({ id }) => !listed.has(id)).map((version) => ({ version, depth: 0 }))];
}
