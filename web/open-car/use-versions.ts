import { useCallback, useMemo } from 'react';
import { storedDesign, type CarDesign, type CarVersion } from '../../core/car/car-design.ts';
import { describeChanges } from '../../core/car/difference.ts';
import { closestVersion, versionOf } from '../../core/car/version-tree.ts';
import type { StoredVersion } from '../../core/schema/stored.ts';
import { problemLine } from '../app/api/problem.ts';
import { useListVersionsQuery, useRemoveVersionMutation, useSaveVersionMutation } from '../app/api/versions-api.ts';
import { useAppDispatch } from '../app/store.ts';
import { toasted } from '../app/toasts-slice.ts';
import { useUnits } from '../ui/use-units.ts';
import type { Edit } from './design-slice.ts';
import { newId } from '../app/new-id.ts';

const NONE: readonly StoredVersion[] = [];
type MadeBy = Pick<CarVersion, 'putRight' | 'bench' | 'asBuilt'> & { readonly parent?: string };

/** The saved versions of a car, and keeping and going back. */
export function useVersions(carId: string, design: CarDesign, edit: Edit) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const { data } = useListVersionsQuery(carId);
  const versions = data?.readable ?? NONE;
  const [save] = useSaveVersionMutation();
  const [removeFrom] = useRemoveVersionMutation();
  const current = useMemo(() => versionOf(versions, design) ?? null, [versions, design]);
  /** The version a design grew from, and what changed since. Asked for only when it is reported. */
  const grownFrom = useCallback(
    (grown: CarDesign = design) => {
      const closest = closestVersion(versions, grown)?.version ?? null;
      return { closest, change: closest ? describeChanges(closest.record.design, grown, units) : '' };
    },
    [versions, design, units],
  );

  /** Keeps the present design, or another that was found, as a version; with the fault that was put right on it, the measurement that it was made by, or what was measured of it when it was built, and the version it grew from where that is known. Its id; null where that went wrong. */
  const keep = async (name: string, note: string, saved: CarDesign = design, by: MadeBy = {}): Promise<string | null> => {
    const { closest, change } = by.parent ? { closest: null, change: describeChanges(design, saved, units) } : grownFrom(saved);
    const id = newId();
    const answer = await save({
      carId,
      id,
      baseVersion: 0,
      content: {
        format: 'nimble-axle/car-version',
        version: 1,
        name,
        note,
        keptAt: new Date().toISOString(),
        parent: closest?.id ?? null,
        change: change.slice(0, 2000),
        ...by,
        design: storedDesign(saved),
      },
    });
    dispatch(answer.error ? toasted(problemLine(answer.error), { tone: 'stop' }) : toasted(`Saved as “${name}”`));
    return answer.error ? null : id;
  };
  const goBack = async (name: string, earlier: CarDesign): Promise<void> => {
    // What is there now is stored first: going back loses nothing.
    if (!current && !(await keep(`before going back to ${name}`.slice(0, 80), ''))) return;
    edit(({ name: called, brief }) => {
      const { brief: _then, ...car } = earlier;
      return { ...car, name: called, ...(brief && { brief }) };
    });
    dispatch(toasted(`Restored “${name}”`));
  };
  const remove = async (id: string, name: string): Promise<void> => {
    const answer = await removeFrom({ carId, id });
    dispatch(
      answer.error
        ? toasted(problemLine(answer.error), { tone: 'stop' })
        : toasted(`Version “${name}” was removed`, { undoing: { kind: 'version', carId, id } }),
    );
  };
  return { versions, unreadable: data?.unreadable ?? [], current, grownFrom, keep, goBack, remove };
}
