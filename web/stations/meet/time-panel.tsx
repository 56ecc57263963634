import Button from '@mui/material/Button';
import { useState } from 'react';
import type { Round } from '../../../core/brief/brief.ts';
import { goalRecord } from '../../../core/brief/goals.ts';
import { readPoints } from '../../../core/brief/parse-lines.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { MeetOutcome } from '../../../core/meet/meet.ts';
import { unitOf, unitValue } from '../../../core/units/quantity.ts';
import { ChoiceSelect } from '../../brief-fields/choice-select.tsx';
import { GatePanel } from '../../devices/gate-panel.tsx';
import { WatchPanel, type Split } from '../../devices/watch-panel.tsx';
import { useUnits } from '../../ui/use-units.ts';
import plain from '../../ui/plain.module.css';
import { TextEntry } from '../../ui/text-entry.tsx';
import { useLocalStorage } from '../../ui/use-local-storage.ts';
import styles from './meet.module.css';

/** What a watch or gates told of a run. */
export type Timed = Pick<MeetOutcome, 'time' | 'distance' | 'timedBy' | 'splits'>;

interface TimePanelProps {
  /** The heat that is timed. */
  readonly name: string;
  readonly round: Round;
  /** Cars of the heat; the design of one that is in the Garage. */
  readonly cars: readonly { readonly entry: string; readonly car: string; readonly design: CarDesign | null }[];
  readonly onTimed: (entry: string, timed: Timed) => void;
}

const WAYS = { hand: 'by hand, with a stopwatch', gates: 'by gates' } as const;

/** Times of a run by a watch or by gates, put into the result of the car that is chosen. */
export function TimePanel({ name, round, cars, onTimed }: TimePanelProps) {
  const [method, setWay] = useState<keyof typeof WAYS>('hand');
  const [chosen, setChosen] = useState('');
  const [further, setFurther] = useLocalStorage('meet-gates', '');
  const units = useUnits();
  const [runs, setRuns] = useState(0);
  const ofRound = goalRecord(round.goal).marks?.(round.goal) ?? [];
  const read = readPoints(further);
  const marks = [...new Set([...ofRound, ...(read.kind === 'read' ? read.value.map((at) => at * unitValue('distance', units)) : [])])].sort(
    (a, b) => a - b,
  );
  const of = cars.find(({ entry }) => entry === chosen) ?? cars[0];
  if (!of) return null;
  const [mark] = ofRound;
  const take = (timedBy: 'hand' | 'gates', splits: readonly Split[], distance: number | null): void => {
    const time = splits.find(({ at }) => at === mark)?.time;
    onTimed(of.entry, { timedBy, splits: [...splits], ...(time !== undefined && { time }), ...(distance !== null && { distance }) });
  };
  const { design } = of;
  return (
    <details className={styles.part}>
      <summary className={plain.text}>Time it here: by hand or by gates</summary>
      <div className={styles.part} style={{ maxWidth: 420, paddingTop: 10 }}>
        {cars.length > 1 && (
          <ChoiceSelect
            label="Whose run"
            value={of.entry}
            options={Object.fromEntries(cars.map(({ entry, car }) => [entry, car]))}
            onChange={setChosen}
          />
        )}
        <ChoiceSelect label="Timed" value={method} options={WAYS} onChange={setWay} />
        <TextEntry
          label={`Times are taken at, ${unitOf('distance', units)} (6, 12)`}
          value={further}
          check={(text) => {
            const points = readPoints(text);
            return text === '' || (points.kind === 'read' && points.value.length <= 19 && points.value.every((at) => at > 0))
              ? null
              : `Write distances in ${unitOf('distance', units)}, as 6, 12: at most 19.`;
          }}
          onChange={setFurther}
        />
        <p className={`${plain.caption} ${plain.muted}`}>
          {marks.length === 0
            ? 'Without a timing point the watch takes the whole time, and gates tell nothing.'
            : `${method === 'gates' ? 'Gate 0 is the line; gates stand at' : 'Press at'} ${marks.join(', ')} m${mark === undefined ? '' : `; the time at ${mark} m counts`}.`}
        </p>
        {method === 'hand' ? (
          <WatchPanel name={name} marks={marks} taking="Into the result" onStopped={(_time, splits) => take('hand', splits, null)} />
        ) : (
          <GatePanel
            gates={marks}
            circumference={design ? Math.PI * design.driveWheels.diameter : 0}
            taking="Into the result"
            onTaken={({ splits, stopDistance }) => take('gates', splits, design ? stopDistance : null)}
            simulated={(device) =>
              design ? (
                <Button
                  variant="contained"
                  onClick={() => {
                    void device.runRig({ design, wind: { kind: 'full' }, gates: marks, seed: 7, run: runs, faults: [] });
                    setRuns(runs + 1);
                  }}
                >
                  Run it
                </Button>
              ) : (
                <p className={plain.text}>The simulated rig runs cars of the Garage: {of.car} is not one.</p>
              )
            }
          />
        )}
      </div>
    </details>
  );
}
