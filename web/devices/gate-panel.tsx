import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { gateRun, type GateRun } from '../../core/rig/gate-run.ts';
import { formatQuantity } from '../../core/units/quantity.ts';
import { Facts } from '../ui/facts.tsx';
import { useUnits } from '../ui/use-units.ts';
import { DeviceSource } from './device-source.tsx';
import styles from './devices.module.css';
import { useDevice, type Source } from './use-device.ts';

interface GatePanelProps {
  /** m: gate 0 is the line, gate n is at the nth of these. */
  readonly gates: readonly number[];
  /** m, of the drive wheels; 0 where it is not known, and turns tell no way. */
  readonly circumference: number;
  /** What the simulated rig can be told to do. */
  readonly simulated: (device: ReturnType<typeof useDevice>) => React.ReactNode;
  /** What the press that takes it is called. */
  readonly taking?: string;
  readonly onTaken: (run: GateRun) => void;
}

/** A run as gates and sensors tell it: splits, speeds, stop and wheelspin, taken with a press. */
export function GatePanel({ gates, circumference, simulated, taking = 'Use these times', onTaken }: GatePanelProps) {
  const units = useUnits();
  const [source, setSource] = useState<Source>('simulated');
  const device = useDevice(source);
  const gateRunResult = useMemo(() => gateRun(device.events, gates, circumference), [device.events, gates, circumference]);
  const metres = (value: number): string => formatQuantity(value, 'distance', units);
  const seconds = (value: number): string => formatQuantity(value, 'time', units);
  return (
    <div className={styles.panel}>
      <DeviceSource
        source={source}
        onSource={setSource}
        device={device}
        remark={
          gateRunResult && gateRunResult.unplaced.length > 0 ? `; the position of gate ${gateRunResult.unplaced.join(', ')} is not set` : ''
        }
        simulated={simulated(device)}
      />
      {gateRunResult && (
        <>
          <Facts
            facts={[
              ...gateRunResult.splits.map(({ at, time }) => [metres(at), seconds(time)] as const),
              ...gateRunResult.speeds.map(
                ({ from, to, speed }) => [`from ${metres(from)} to ${metres(to)}`, formatQuantity(speed, 'speed', units)] as const,
              ),
              ...(gateRunResult.spunFor === null
                ? []
                : [['wheelspin at the launch', gateRunResult.spunFor > 0 ? metres(gateRunResult.spunFor) : 'none'] as const]),
              ...(gateRunResult.stopTime === null ? [] : [['stopped after', seconds(gateRunResult.stopTime)] as const]),
              ...(gateRunResult.stopDistance === null ? [] : [['stopped at, by its turns', metres(gateRunResult.stopDistance)] as const]),
            ]}
          />
          <Button
            variant="contained"
            onClick={() => {
              onTaken(gateRunResult);
              device.clear();
            }}
          >
            {taking}
          </Button>
        </>
      )}
    </div>
  );
}
