/** The tabs below the drawing of a car. */
export const TABS = [
  ['curve', 'Pull curve'],
  ['sweep', 'Sweep'],
  ['map', 'Map'],
  ['matters', 'What matters'],
  ['best', 'Best car'],
  ['winding', 'Winding'],
] as const;
export type TabKey = (typeof TABS)[number][0];
