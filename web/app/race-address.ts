/** What races, as it stands in an address: a car as it is, a version of it, a run of it as it was timed or as the model has it, a result of a meet. */
export type RaceSource =
  | { readonly kind: 'car'; readonly carId: string }
  | { readonly kind: 'version' | 'run' | 'model'; readonly carId: string; readonly id: string }
  | { readonly kind: 'result'; readonly meetId: string; readonly id: string };

/** Each is the first letter of its kind. */
const LETTERS = { v: 'version', r: 'run', m: 'model' } as const;
const BETWEEN = '~';

/** One source as it is written: `carOf ~ v ~ idOfVersion`. */
export function writeSource(source: RaceSource): string {
  if (source.kind === 'car') return source.carId;
  if (source.kind === 'result') return [source.meetId, 't', source.id].join(BETWEEN);
  return [source.carId, source.kind[0], source.id].join(BETWEEN);
}

/** What is written in an address; null for what is none. */
export function readSource(written: string): RaceSource | null {
  const [owner, letter, id] = written.split(BETWEEN);
  if (!owner) return null;
  if (letter === undefined) return { kind: 'car', carId: owner };
  if (!id) return null;
  if (letter === 't') return { kind: 'result', meetId: owner, id };
  return letter in LETTERS ? { kind: LETTERS[letter as keyof typeof LETTERS], carId: owner, id } : null;
}

/** The address of a race. */
export const raceAddress = (sources: readonly RaceSource[]): string => `/race?cars=${sources.map(writeSource).join(',')}`;
