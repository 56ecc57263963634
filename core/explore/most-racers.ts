/** Cars in a race. A file of its own: pages that only lead to a race need nothing of how one is run. */
export const MOST_RACERS = 6;
