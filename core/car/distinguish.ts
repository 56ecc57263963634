import type { UnitSystem } from '../units/quantity.ts';
import type { CarDesign } from './car-design.ts';
import { differences } from './difference.ts';

/** What follows from other changes: named only where nothing else differs. */
const FOLLOWING: ReadonlySet<string> = new Set(['ready-to-run weight', 'on the drive wheels']);

/**
 * What tells each of several designs from the others, in as few words as do; the same for designs that do not differ, empty for one alone.
 * `distinguish([bare, taped], 'metric') // ['tape none', 'tape ⌀ 11 mm under the last turn']`
 */
export function distinguish(designs: readonly CarDesign[], units: UnitSystem): string[] {
  const [first] = designs;
  if (!first) return [];
  const found = designs.map((design) => new Map(differences(first, design, units).map(({ label, from, to }) => [label, { from, to }])));
  const all = [...new Set(found.flatMap((ofDesign) => [...ofDesign.keys()]))];
  const own = all.filter((label) => !FOLLOWING.has(label));
  const labels = own.length > 0 ? own : all;
  const firstHas = (label: string): string => found.flatMap((ofDesign) => ofDesign.get(label) ?? [])[0]!.from;
  const namesBy = (named: readonly string[]): string[] =>
    found.map((ofDesign) => named.map((label) => `${label} ${ofDesign.get(label)?.to ?? firstHas(label)}`).join(', '));
  const told = (named: readonly string[]): number => new Set(namesBy(named)).size;
  // One after the other, those that tell more of them apart.
  const named = labels.reduce<readonly string[]>(
    (chosen, label) => (told([...chosen, label]) > told(chosen) ? [...chosen, label] : chosen),
    [],
  );
  const more = labels.length > named.length ? ` and ${labels.length - named.length} more` : '';
  return namesBy(named).map((words) => (words === '' ? '' : `${words}${more}`));
}
