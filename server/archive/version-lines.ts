/** A version as far as its line goes: what it grew from. */
interface Grown {
  readonly id: string;
  readonly carId: string;
  readonly content: { readonly parent: string | null };
}

/**
 * The ids of versions that have a place: each grew from none, from one that is stored (`lineOf` tells its line, itself first; none where it is
 * not stored), or from another of the list that has a place; none from itself, however far back. Takes time in proportion to their number.
 */
export function versionsThatFit(versions: readonly Grown[], lineOf: (id: string, carId: string) => readonly string[]): ReadonlySet<string> {
  const byId = new Map(versions.map((version) => [`${version.carId} ${version.id}`, version]));
  const fits = new Map<Grown, boolean>();
  for (const version of versions) {
    const path: Grown[] = [];
    const onPath = new Set<Grown>();
    let verdict = fits.get(version);
    for (let at: Grown = version; verdict === undefined;) {
      path.push(at);
      onPath.add(at);
      const { parent } = at.content;
      if (parent === null) verdict = true;
      else {
        const next: Grown | undefined = byId.get(`${at.carId} ${parent}`);
        if (!next) {
          const line = lineOf(parent, at.carId);
          verdict = line.length > 0 && !path.some(({ id }) => line.includes(id));
        } else if (onPath.has(next)) verdict = false;
        else {
          verdict = fits.get(next);
          at = next;
        }
      }
    }
    for (const one of path) fits.set(one, verdict);
  }
  return new Set([...fits].filter(([, isFitting]) => isFitting).map(([{ id }]) => id));
}
