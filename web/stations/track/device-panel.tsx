import Button from '@mui/material/Button';
import { useState } from 'react';
import type { CarDesign, Wind } from '../../../core/car/car-design.ts';
import type { GateRun } from '../../../core/rig/gate-run.ts';
import type { RigFault } from '../../../core/rig/simulated-rig.ts';
import type { RepairableFault } from '../../../core/trials/fit/trial.ts';
import { ChoiceSelect } from '../../brief-fields/choice-select.tsx';
import { GatePanel } from '../../devices/gate-panel.tsx';
import plain from '../../ui/plain.module.css';

/** What may be wrong with the hidden car. */
export const HIDDEN = {
  sound: 'nothing is wrong with it',
  rubs: 'it has too much friction',
  weak: 'its motor is weak',
  slippery: 'its tyres slip',
  both: 'it has too much friction, and its tyres slip',
} as const;
const FAULTS: Readonly<Record<keyof typeof HIDDEN, readonly RigFault[]>> = {
  sound: [],
  rubs: ['rubs'],
  weak: ['weak-motor'],
  slippery: ['slippery'],
  both: ['rubs', 'slippery'],
};

interface DevicePanelProps {
  readonly design: CarDesign;
  readonly wind: Wind;
  /** m: gate 0 is the line, gate n is at the nth of these. */
  readonly gates: readonly number[];
  /** What was put right on the car: the hidden one is without it. */
  readonly putRight: readonly RepairableFault[];
  /** Runs that the car has made: the hidden one’s next is another. */
  readonly runs: number;
  readonly hidden: keyof typeof HIDDEN;
  readonly onHidden: (hidden: keyof typeof HIDDEN) => void;
  readonly onTaken: (run: GateRun) => void;
}

/** The gates of a session, and a hidden car that can be let run through them. */
export function DevicePanel({ design, wind, gates, putRight, runs, hidden, onHidden, onTaken }: DevicePanelProps) {
  const [run, setRun] = useState(1);
  return (
    <>
      {gates.length === 0 && (
        <p className={plain.text}>Set in the session where times are taken. Those are the gates; the line is gate 0.</p>
      )}
      <GatePanel
        gates={gates}
        circumference={Math.PI * design.driveWheels.diameter}
        onTaken={onTaken}
        simulated={(device) => (
          <>
            <ChoiceSelect label="Hidden car" value={hidden} options={HIDDEN} onChange={onHidden} />
            <Button
              variant="contained"
              sx={{ minHeight: 52 }}
              onClick={() => {
                const faults = FAULTS[hidden].filter((fault) => fault !== 'rubs' || !putRight.includes('rubbing'));
                void device.runRig({ design, wind, gates, seed: 7, run: runs + run, faults });
                setRun(run + 1);
              }}
            >
              Run it
            </Button>
          </>
        )}
      />
    </>
  );
}
