import Button from '@mui/material/Button';
import { useEffect, useMemo, useState } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { hasBands, isWoundByFeel } from '../../../core/car/motors/motors.ts';
import { fullTurns, prepareRun } from '../../../core/predict/derive-run-setup.ts';
import { windingLines } from '../../../core/rig/simulated-rig.ts';
import { turnsWound } from '../../../core/rig/turns-wound.ts';
import { safeTurns, windingState } from '../../../core/trials/winding-state.ts';
import { formatNumber, formatQuantity } from '../../../core/units/quantity.ts';
import { Facts } from '../../ui/facts.tsx';
import plain from '../../ui/plain.module.css';
import { useShortcut } from '../../ui/use-shortcut.ts';
import { useUnits } from '../../ui/use-units.ts';
import styles from './track.module.css';
import { Choice } from './choice.tsx';
import { DeviceSource } from '../../devices/device-source.tsx';
import { useDevice, type Source } from '../../devices/use-device.ts';
import { useTurnsForRoom } from './use-turns-for-room.ts';

interface WindPanelProps {
  readonly design: CarDesign;
  /** Turns counted so far: they outlast this stage. */
  readonly counted: number;
  readonly onCounted: (turns: number) => void;
  /** Takes the turns that were counted into the run that is written down. */
  readonly onWound: (turns: number | 'full') => void;
}

const HALF = 0.5;

/** Counts the turns of the drive axle as it is wound: what it pulls now, how many more are safe, and where to stop for the room. */
export function WindPanel(props: WindPanelProps) {
  const { design } = props;
  const isSound = useMemo(() => prepareRun(design).kind === 'ready', [design]);
  return isSound ? <Counter {...props} /> : <p className={plain.text}>✕ This car cannot run as it is designed. Fix it in Design first.</p>;
}

function Counter({ design, counted, onCounted, onWound }: WindPanelProps) {
  const units = useUnits();
  /** Turns that were there when a sensor began to count on; null while they are counted by hand. */
  const [before, setBefore] = useState<number | null>(null);
  const isFollowing = before !== null;
  const [source, setSource] = useState<Source>('simulated');
  const device = useDevice(isFollowing ? source : 'simulated');
  const turns = before === null ? counted : before + turnsWound(device.events);
  useEffect(() => {
    if (turns !== counted) onCounted(turns);
  }, [turns, counted, onCounted]);
  const [most, safe] = useMemo(() => [fullTurns(design), safeTurns(design)], [design]);
  const room = design.floor.roomLength;
  const forRoom = useTurnsForRoom(design);
  const wound = windingState(design, turns);
  const isOver = turns > safe + 1e-9;
  // A string ends there; bands take more turns than were planned.
  const isBeyondPlan = turns > most + HALF / 2;
  const isFull = hasBands(design.motor) ? Math.abs(turns - most) < HALF / 2 : turns >= most;
  const isEnough = forRoom !== null && !forRoom.isFull && turns >= forRoom.turns;
  const add = (by: number): void => (isFollowing ? undefined : onCounted(Math.max(0, counted + by)));
  useShortcut(
    ({ key }) => key === '+',
    () => add(1),
  );
  useShortcut(
    ({ key }) => key === '-',
    () => add(-HALF),
  );
  const count = (value: number): string => formatNumber(value, 'count', units);
  return (
    <div className={styles.panel}>
      <p className={`${styles.count} ${isOver ? styles.stop : ''}`} role="status">
        {turns}
        <span className={plain.text}>{turns === 1 ? ' turn' : ' turns'}</span>
      </p>
      {(isOver || isEnough) && (
        <p className={`${plain.strong} ${styles.stop}`} role="alert">
          {isOver ? '■ Stop: more is not safe for the band or the lever.' : '■ Stop here for this room.'}
        </p>
      )}
      {isBeyondPlan && !isOver && (
        <p className={plain.text} role="status">
          {`More than the ${isWoundByFeel(design) ? `about ${Math.round(most)}` : count(most)} turns of a full wind. The run is saved with the turns it had.`}
        </p>
      )}
      <dl className={styles.windFigures}>
        <div>
          <dt>pull at the tyre now</dt>
          <dd>{wound ? formatQuantity(wound.pull, 'force', units) : 'none'}</dd>
        </div>
        <div>
          <dt>turns to the safe limit</dt>
          <dd>{count(Math.max(0, Math.floor((safe - turns) / HALF) * HALF))}</dd>
        </div>
        {room !== null && (
          <div>
            <dt>stop for the wall at</dt>
            <dd>{forRoom === null ? '…' : forRoom.isFull ? 'full' : count(forRoom.turns)}</dd>
          </div>
        )}
      </dl>
      {!isFollowing && (
        <>
          <Button variant="contained" className={styles.tap} onClick={() => add(1)}>
            One turn
          </Button>
          <div className={styles.row}>
            <Button variant="outlined" onClick={() => add(HALF)}>
              + half
            </Button>
            <Button variant="outlined" disabled={turns === 0} onClick={() => add(-HALF)}>
              − half
            </Button>
            <Button variant="outlined" disabled={turns === 0} onClick={() => onCounted(0)}>
              From 0
            </Button>
          </div>
        </>
      )}
      <Choice
        label="Counting"
        value={isFollowing ? 'sensor' : 'hand'}
        options={{ hand: 'count by hand', sensor: 'follow a turn sensor' }}
        onChange={(who) => {
          device.clear();
          setBefore(who === 'sensor' ? counted : null);
        }}
      />
      {isFollowing && (
        <DeviceSource
          source={source}
          onSource={setSource}
          device={device}
          simulated={
            <Button variant="outlined" onClick={() => device.takeText(windingLines(Math.floor(Math.min(safe, most) / HALF) * HALF))}>
              Wind it
            </Button>
          }
        />
      )}
      <Facts
        facts={[
          ...(wound?.stretch ? [['stretch of the band', `${wound.stretch.toFixed(1)} × its length`] as const] : []),
          ['a full wind', `${isWoundByFeel(design) ? `about ${Math.round(most)}` : count(most)} turns`],
          ...(room === null
            ? []
            : [
                [
                  `stops before the wall (9 in 10)`,
                  forRoom === null ? '…' : forRoom.isFull ? 'fully wound too' : `up to ${count(forRoom.turns)} turns`,
                ] as const,
              ]),
        ]}
      />
      {forRoom && !forRoom.isFull && (
        <p className={`${plain.caption} ${plain.muted}`}>
          Fully wound, {Math.round(10 * forRoom.stopFully)} in 10 stop before the wall. A run that hits the wall still tells that the car
          goes at least that far. The fit never treats it as a stop.
        </p>
      )}
      <div className={styles.row}>
        <Button variant="outlined" disabled={turns === 0} onClick={() => onWound(isFull ? 'full' : turns)}>
          Use {turns} turns
        </Button>
        <Button variant="outlined" onClick={() => onWound('full')}>
          {isWoundByFeel(design) ? 'It is tight' : 'It is fully wound'}
        </Button>
      </div>
    </div>
  );
}
