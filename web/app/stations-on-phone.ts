/** Stations that stand along the bottom of a phone; the others are behind “More”. */
const SHOWN = 5;
/** Those of a car that are wanted standing up, the most wanted first. */
const WANTED = ['Garage', 'Start', 'Track', 'Tune', 'Design', 'Meet', 'Brief', 'Learn', 'Build', 'Bench'];

interface StationToShow {
  readonly to: string;
  readonly label: string;
  readonly waiting?: string | undefined;
}

/** Five stations at most, in their order: the one that is open, those where something waits, and those that are wanted standing up. */
export function stationsOnPhone<S extends StationToShow>(stations: readonly S[], open: string): readonly S[] {
  const rankOf = ({ to, label, waiting }: S): number =>
    to === open ? -2 : label === 'Garage' || label === 'Start' ? -3 : waiting ? -1 : WANTED.indexOf(label);
  const chosen = new Set(stations.toSorted((a, b) => rankOf(a) - rankOf(b)).slice(0, SHOWN));
  return stations.filter((station) => chosen.has(station));
}
