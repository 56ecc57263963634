import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import type { CarDesign, Wind } from '../../../core/car/car-design.ts';
import { gateRun, type GateRun } from '../../../core/rig/gate-run.ts';
import type { RigFault } from '../../../core/rig/simulated-rig.ts';
import type { Mendable } from '../../../core/trials/fit/trial.ts';
import { printQuantity } from '../../../core/units/quantity.ts';
import { ChoiceSelect } from '../../asked/choice-select.tsx';
import { Facts } from '../../ui/facts.tsx';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './track.module.css';
import { DeviceSource } from '../../devices/device-source.tsx';
import { useDevice, type Source } from '../../devices/use-device.ts';

/** What may be wrong with the hidden car. */
export const HIDDEN = {
  sound: 'nothing is wrong with it',
  rubs: 'it rubs',
  weak: 'its motor is weak',
  slippery: 'its tyres slip',
  both: 'it rubs, and its tyres slip',
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
  /** m: gate 0 is the line, gate n stands at the nth of these. */
  readonly gates: readonly number[];
  /** What was put right on the car: the hidden one is without it. */
  readonly putRight: readonly Mendable[];
  /** Runs that the car has made: the hidden one’s next is another. */
  readonly runs: number;
  readonly hidden: keyof typeof HIDDEN;
  readonly onHidden: (hidden: keyof typeof HIDDEN) => void;
  readonly onTaken: (run: GateRun) => void;
}

/** A run as gates and sensors tell it: splits, speeds, stop and wheelspin, written down with a press. */
export function DevicePanel({ design, wind, gates, putRight, runs, hidden, onHidden, onTaken }: DevicePanelProps) {
  const units = useUnits();
  const [source, setSource] = useState<Source>('simulated');
  const [run, setRun] = useState(1);
  const device = useDevice(source);
  const told = useMemo(
    () => gateRun(device.events, gates, Math.PI * design.driveWheels.diameter),
    [device.events, gates, design.driveWheels.diameter],
  );
  const metres = (value: number): string => printQuantity(value, 'distance', units);
  const seconds = (value: number): string => printQuantity(value, 'time', units);
  return (
    <div className={styles.panel}>
      {gates.length === 0 && (
        <p className={plain.text}>Say in the session where times are taken: these are the gates, the line is gate 0.</p>
      )}
      <DeviceSource
        source={source}
        onSource={setSource}
        device={device}
        remark={told && told.unplaced.length > 0 ? `; gate ${told.unplaced.join(', ')} has no place in the session` : ''}
        simulated={
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
              Let it run
            </Button>
          </>
        }
      />
      {told && (
        <>
          <Facts
            facts={[
              ...told.splits.map(({ at, time }) => [metres(at), seconds(time)] as const),
              ...told.speeds.map(
                ({ from, to, speed }) => [`from ${metres(from)} to ${metres(to)}`, printQuantity(speed, 'speed', units)] as const,
              ),
              ...(told.spunFor === null ? [] : [['wheelspin at the launch', told.spunFor > 0 ? metres(told.spunFor) : 'none'] as const]),
              ...(told.stopTime === null ? [] : [['stopped after', seconds(told.stopTime)] as const]),
              ...(told.stopDistance === null ? [] : [['stopped at, by its turns', metres(told.stopDistance)] as const]),
            ]}
          />
          <Button
            variant="contained"
            onClick={() => {
              onTaken(told);
              device.clear();
            }}
          >
            Write it down
          </Button>
        </>
      )}
    </div>
  );
}
