import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useState } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { beforeRun } from '../../../core/trials/before-run.ts';
import { listSwitched } from '../../app/preferences-slice.ts';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import plain from '../../ui/plain.module.css';
import styles from './track.module.css';

interface BeforePanelProps {
  readonly design: CarDesign;
  /** `isChecked`: whether all of it was ticked. */
  readonly onDone: (isChecked: boolean) => void;
}

/** What to look at before a run of this car, ticked off; it can be turned off. */
export function BeforePanel({ design, onDone }: BeforePanelProps) {
  const dispatch = useAppDispatch();
  const isOn = useAppSelector((state) => state.preferences.asksBefore);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const items = beforeRun(design);
  if (!isOn)
    return (
      <div className={styles.panel}>
        <p className={plain.text}>The checklist before a run is turned off. Keep fingers, faces and pets clear all the same.</p>
        <Button variant="outlined" onClick={() => dispatch(listSwitched(true))}>
          Show before each run
        </Button>
      </div>
    );
  const isDone = items.every(({ id }) => ticked.has(id));
  return (
    <div className={styles.panel}>
      <ul className={styles.list}>
        {items.map(({ id, words, isCaution }) => (
          <li key={id} className={isCaution ? styles.caution : undefined}>
            <FormControlLabel
              control={
                <Checkbox
                  checked={ticked.has(id)}
                  onChange={(_event, is) => setTicked(new Set(is ? [...ticked, id] : [...ticked].filter((other) => other !== id)))}
                />
              }
              label={isCaution ? `Safety: ${words}` : words}
            />
          </li>
        ))}
      </ul>
      <Button
        variant={isDone ? 'contained' : 'outlined'}
        onClick={() => {
          setTicked(new Set());
          onDone(isDone);
        }}
        sx={{ minHeight: 52 }}
      >
        {isDone ? 'All done: to the stopwatch' : 'To the stopwatch'}
      </Button>
      <Button size="small" onClick={() => dispatch(listSwitched(false))}>
        Do not show again
      </Button>
      <p className={`${plain.caption} ${plain.muted}`}>School, club and local safety rules come first.</p>
    </div>
  );
}
