import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import { FLOORS } from '../../../core/car/catalogue.ts';
import type { FloorChoice } from '../../../core/brief/floor-choices.ts';
import { readWayTable } from '../../../core/files/way-table.ts';
import { newId } from '../../app/new-id.ts';
import { discardQueuedPhoto, submitPhoto } from '../../app/run-queue.ts';
import { ChoiceSelect } from '../../brief-fields/choice-select.tsx';
import { FileButton } from '../../ui/file-button.tsx';
import plain from '../../ui/plain.module.css';
import { scaledPicture } from '../../ui/scaled-picture.ts';
import { RunPhoto } from './run-photo.tsx';
import type { TypedField } from './read-run-form.ts';
import { unitOf } from '../../../core/units/quantity.ts';
import { useUnits } from '../../ui/use-units.ts';
import { Choice } from './choice.tsx';
import type { TrackForm } from './track-slice.ts';
import styles from './track.module.css';
import { labelsOf } from '../../ui/labels-of.ts';

/** What the field of the distance is called, as it is measured. */
export const distanceLabel = (measuredBy: TrackForm['measuredBy'], unit: string): string =>
  ({
    tape: `Distance, ${unit} (or 35 ft, 12 m 40 cm)`,
    marks: `Beyond the last mark, ${unit}`,
    'from-wall': `Left to the wall, ${unit}`,
  })[measuredBy];

interface MoreOfRunProps {
  readonly form: TrackForm;
  readonly text: (field: TypedField, label: string) => React.ReactNode;
  readonly change: (change: Partial<TrackForm>) => void;
  readonly hasBands: boolean;
  /** Other floors that it may have run on; none where it is corrected: a run keeps its car. */
  readonly floors: readonly FloorChoice[];
}

/** A picture of the run, and times along its run from a file. */
function FromFiles({ form, change }: Pick<MoreOfRunProps, 'form' | 'change'>) {
  const [problem, setProblem] = useState('');
  /** The picture that was chosen last: a slow one before it does not take its place. */
  const latest = useRef(0);
  const take = async (read: () => Promise<void>): Promise<void> => {
    setProblem('');
    await read().catch((reason: unknown) => setProblem(reason instanceof Error ? reason.message : String(reason)));
  };
  const takePhoto = (file: File) =>
    take(async () => {
      const mine = ++latest.current;
      const jpeg = await scaledPicture(file).catch(() => {
        throw new Error('Photo: this file is not a picture that can be shown. Choose a JPEG or PNG.');
      });
      if (mine !== latest.current) return;
      const id = newId();
      const replaced = form.photo;
      await submitPhoto({
        id,
        content: { format: 'nimble-axle/photo', version: 1, name: file.name.slice(0, 200) || 'photo', jpeg },
      });
      change({ photo: id });
      if (replaced !== null) await discardQueuedPhoto(replaced);
    });
  const takeWay = (file: File) =>
    take(async () => {
      const { default: Papa } = await import('papaparse');
      const { data } = Papa.parse<string[]>(await file.text(), { skipEmptyLines: 'greedy' });
      const { points, faults } = readWayTable(data);
      if (faults.length > 0) throw new Error(`Positions and times: ${faults.join(' · ')}`);
      if (points.length < 2)
        throw new Error(
          'Positions and times: the file needs at least two positions beyond the line, with a column of positions and a column of times.',
        );
      change({ splits: points, film: null });
    });
  return (
    <div className={styles.row}>
      <FileButton label="Photo of the run" accept="image/*" onFile={(file) => void takePhoto(file)}>
        {form.photo === null ? 'Photo' : 'Another photo'}
      </FileButton>
      <FileButton label="Positions and times of the run" accept=".csv,.txt,text/csv" onFile={(file) => void takeWay(file)}>
        Positions and times (CSV)
      </FileButton>
      {form.photo !== null && (
        <>
          <RunPhoto id={form.photo} of="this run" />
          <Button
            onClick={() => {
              void discardQueuedPhoto(form.photo!);
              change({ photo: null });
            }}
          >
            Remove photo
          </Button>
        </>
      )}
      {form.splits.length > 0 && (
        <>
          <span className={plain.text}>
            {form.splits.length} times along the run{form.film && ', from a film'}
          </span>
          <Button onClick={() => change({ splits: [], film: null })}>Remove them</Button>
        </>
      )}
      {problem && (
        <p role="alert" className={plain.text}>
          ✕ {problem}
        </p>
      )}
    </div>
  );
}

const FLOOR_NAMES = labelsOf(FLOORS);

/** What may be told of a run besides how far it came: none of it is needed. */
export function MoreOfRun({ form, text, change, hasBands, floors }: MoreOfRunProps) {
  const units = useUnits();
  const metres = unitOf('distance', units);
  return (
    <details className={styles.more}>
      <summary>More about this run: drift, direction, photo, times along the run</summary>
      <div className={styles.moreFields}>
        <Choice
          label="Distance measured"
          value={form.measuredBy}
          options={{ tape: 'by tape', marks: 'by marks', 'from-wall': 'from the wall' }}
          onChange={(measuredBy) => change({ measuredBy })}
        />
        {text('drift', `Drift off the line, ${metres}`)}
        <Choice
          label="Drifted to"
          value={form.driftSide}
          options={{ left: 'left', right: 'right' }}
          onChange={(driftSide) => change({ driftSide })}
        />
        <Choice
          label="Direction"
          value={form.direction === '' ? 'untold' : form.direction}
          options={{ untold: 'not given', out: 'out', back: 'back' }}
          onChange={(direction) => change({ direction: direction === 'untold' ? '' : direction })}
        />
        {hasBands && (
          <Choice
            label="Stretched by hand while winding"
            value={form.stretched ? 'yes' : 'no'}
            options={{ no: 'not stretched', yes: 'stretched by hand' }}
            onChange={(stretched) => change({ stretched: stretched === 'yes' })}
          />
        )}
        {text('spunFor', `Wheels spun for about, ${metres}`)}
        {floors.length > 0 && (
          <ChoiceSelect
            label="Floor of this run"
            value={floors.some(({ key }) => key === form.floor) ? form.floor : 'of-day'}
            options={{ 'of-day': 'the floor of the day', ...Object.fromEntries(floors.map(({ key, label }) => [key, label])) }}
            onChange={(floor) => change({ floor: floor === 'of-day' ? '' : floor })}
          />
        )}
        <ChoiceSelect
          label="Compared with another floor"
          value={form.elsewhere === '' ? 'untold' : form.elsewhere}
          options={{ untold: 'not given', ...FLOOR_NAMES }}
          onChange={(floor) => change({ elsewhere: floor === 'untold' ? '' : floor })}
        />
        {form.elsewhere !== '' && (
          <Choice
            label="Distance there"
            value={form.goes}
            options={{ further: 'further there', 'less-far': 'less far there' }}
            onChange={(goes) => change({ goes })}
          />
        )}
        {text('load', `Load carried, ${unitOf('weight', units)} (if another than the car’s own)`)}
        <Choice
          label="In one piece"
          value={form.inOnePiece === '' ? 'untold' : form.inOnePiece}
          options={{ untold: 'not given', yes: 'in one piece', no: 'came apart' }}
          onChange={(inOnePiece) => change({ inOnePiece: inOnePiece === 'untold' ? '' : inOnePiece })}
        />
        <FromFiles form={form} change={change} />
      </div>
    </details>
  );
}
