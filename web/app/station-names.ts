/** What the stations of a car are called, by their place in the address. */
export const STATION_NAMES = {
  brief: 'Brief',
  bench: 'Bench',
  design: 'Design',
  build: 'Build',
  track: 'Track',
  tune: 'Tune',
  learn: 'Learn',
} as const;
