/** What can hurt at the bench, and how to keep clear of it. */
export const TRAP_CAUTION =
  'A snap trap breaks skin. Tie the arm before you hold the bar. Stand behind it and to one side, and keep fingers out of its path.';
export const BAND_CAUTION = 'A stretched band whips. Wear glasses, keep it away from faces, and never stretch it until it breaks.';
