/** Crews of a class, as its schema has it, and letters of a name. */
export const MOST_CREWS = 60;
const MOST_LETTERS = 80;

/** Names of crews from what was typed: one a line, or a number of crews. `namesIn('2') // { names: ['Crew 1', 'Crew 2'] }` */
export function namesIn(
  typed: string,
  present: readonly string[] = [],
): { readonly names: readonly string[] } | { readonly problem: string } {
  const lines = typed
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');
  const isCount = lines.length === 1 && /^\d{1,4}$/.test(lines[0]!);
  const count = isCount ? Number(lines[0]) : lines.length;
  if (count === 0) return { problem: 'Crews: type at least one name.' };
  if (count + present.length > MOST_CREWS)
    return { problem: `Crews: ${count} are too many. At most ${MOST_CREWS - present.length} can be added.` };
  const names = isCount ? Array.from({ length: count }, (_, i) => `Crew ${present.length + i + 1}`) : lines;
  const long = names.find((name) => name.length > MOST_LETTERS);
  if (long !== undefined) return { problem: `Crews: “${long.slice(0, 20)}…” is too long. Use at most ${MOST_LETTERS} letters.` };
  const known = new Set(present.map((name) => name.toLowerCase()));
  for (const name of names) {
    if (known.has(name.toLowerCase())) return { problem: `Crews: there are two called “${name}”. Give each its own name.` };
    known.add(name.toLowerCase());
  }
  return { names };
}
