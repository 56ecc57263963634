import type { WheelContact } from './forces.ts';
import type { Run } from './motion.ts';
import { whereItSlips, whereItStops, whereStringGoesSlack, whereWheelsMove } from './solve-panel.ts';

/** What ends a panel before the motor's segment does, and where on it (s in [−1, 1]). */
export interface PanelEnding {
  readonly kind: 'goal' | 'stop' | 'slip' | 'contact' | 'slack';
  readonly s: number;
}

const AT_GOAL: PanelEnding = { kind: 'goal', s: 1 };

/** The earlier of two; `s` is NaN where the other does not come. */
const earlier = (present: PanelEnding, kind: PanelEnding['kind'], s: number): PanelEnding => (s < present.s ? { kind, s } : present);

function withContact(run: Run, present: PanelEnding, contact: WheelContact): PanelEnding {
  const { weight, loadPerAcceleration } = run.car;
  if (loadPerAcceleration === 0) return present;
  switch (contact) {
    case 'all':
      return earlier(earlier(present, 'contact', whereWheelsMove(run, -1, weight)), 'contact', whereWheelsMove(run, 1, 0));
    case 'drive':
      return earlier(present, 'contact', whereWheelsMove(run, 1, -weight));
    case 'other':
      return earlier(present, 'contact', whereWheelsMove(run, -1, 0));
  }
}

/** The first thing that ends the solved panel. `keepsContact`: its load stands on the very limit, and no other contact is looked for. */
export function endingOf(run: Run, ignoreGrip: boolean, keepsContact: boolean): PanelEnding {
  let first = earlier(AT_GOAL, 'stop', whereItStops(run));
  if (!ignoreGrip) {
    first = earlier(first, 'slip', whereItSlips(run, 1));
    first = earlier(first, 'slip', whereItSlips(run, -1));
  }
  if (!keepsContact) first = withContact(run, first, run.panel.contact);
  return run.motor.canGoSlack && run.motion.phase === 'unwinding' ? earlier(first, 'slack', whereStringGoesSlack(run)) : first;
}
