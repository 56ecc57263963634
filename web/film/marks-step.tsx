import TextField from '@mui/material/TextField';
import { formatIn, formatKnown, parseQuantity, unitOf } from '../../core/units/quantity.ts';
import { ChoiceSelect } from '../brief-fields/choice-select.tsx';
import plain from '../ui/plain.module.css';
import { QuantityField } from '../ui/quantity-field.tsx';
import { useDraft } from '../ui/use-draft.ts';
import { useUnits } from '../ui/use-units.ts';
import styles from './film.module.css';
import { TargetButtons } from './target-buttons.tsx';
import { describeMark, type FilmSetup, type MarkLayout } from './use-film-setup.ts';
import type { FilmWorkState, TargetId } from './use-film-work.ts';

const LAYOUTS: Readonly<Record<MarkLayout, string>> = {
  rectangle: 'corners of a rectangle',
  line: 'along the line of the run',
  free: 'anywhere',
};
/** Pixels from which a mark is pointed out, and times as far as the others are on average. */
const ODD = 3;
const MORE_THAN_OTHERS = 2;
/** m to which marks tell where the phone is. */
const ROUGHLY = 0.1;
/** Marks that are taken at most. */
const MOST = 20;

export interface MarksStepProps {
  readonly setup: FilmSetup;
  readonly change: (change: Partial<FilmSetup>) => void;
  readonly work: FilmWorkState;
  readonly active: TargetId | null;
  readonly setActive: (id: TargetId) => void;
}

/** Where the marks are on the floor and in the picture, and how well the two agree. */
export function MarksStep({ setup, change, work, active, setActive }: MarksStepProps) {
  const units = useUnits();
  const format = formatIn(units);
  const metres = (value: number): string => format(value, 'distance');
  const about = (value: number): string => `${formatKnown(value, ROUGHLY, 'distance', units)} ${unitOf('distance', units)}`;
  const { places, floor, isInLine, isCameraTold } = work;
  const residuals = floor?.residuals ?? [];
  const isChecked = places.length > (setup.layout === 'line' ? 3 : 4);
  const mean = residuals.reduce((sum, one) => sum + one, 0) / Math.max(residuals.length, 1);
  const odd = isChecked ? residuals.findIndex((one) => one > ODD && one > MORE_THAN_OTHERS * mean && one === Math.max(...residuals)) : -1;
  return (
    <section className={styles.step} aria-labelledby="film-marks">
      <h2 id="film-marks" className={plain.heading}>
        1. Marks
      </h2>
      <ChoiceSelect label="Marks on the floor" value={setup.layout} options={LAYOUTS} onChange={(layout) => change({ layout })} />
      {setup.layout === 'rectangle' && (
        <div className={styles.fields}>
          <QuantityField
            label="Along the run"
            quantity="distance"
            size="small"
            value={setup.length}
            onChange={(length) => change({ length })}
            check={(value) => (value >= 0.2 && value <= 50 ? null : 'Must be 0.2 to 50 m.')}
          />
          <QuantityField
            label="Across it"
            quantity="distance"
            size="small"
            value={setup.width}
            onChange={(width) => change({ width })}
            check={(value) => (value >= 0.1 && value <= 50 ? null : 'Must be 0.1 to 50 m.')}
          />
        </div>
      )}
      {setup.layout === 'line' && <PlacesField key="line" label={`Marks at, ${unitOf('distance', units)}`} {...{ setup, change }} />}
      {setup.layout === 'free' && (
        <PlacesField key="free" label={`Marks, ${unitOf('distance', units)}: along, left; …`} {...{ setup, change }} />
      )}
      <p className={plain.text}>Click each mark in the picture. Arrow keys move it by 1 pixel, with Shift by 0.1, with Ctrl by 10.</p>
      <TargetButtons
        targets={places.map((place, i) => [`mark ${i}`, `${i + 1}: ${describeMark(setup.layout, i, place, metres)}`])}
        {...{ work, active, setActive }}
      />
      {isInLine && (
        <p role="alert" className={`${plain.text} ${styles.problem}`}>
          ✕ Marks: they must not lie in one line. Set them again, or choose “along the line of the run”.
        </p>
      )}
      {odd >= 0 && (
        <p role="alert" className={`${plain.text} ${styles.problem}`}>
          Mark {odd + 1} is {residuals[odd]!.toFixed(1)} pixels from where the other marks put it. Check where it is set, and its place on
          the floor.
        </p>
      )}
      {floor?.camera && isCameraTold && (
        <p role="status" className={`${plain.caption} ${plain.muted}`}>
          From the marks: the phone is {about(Math.abs(floor.camera[1]))} beside the line and {about(floor.camera[2])} high.
          {isChecked ? ` Marks agree to ${Math.max(mean, 0.1).toFixed(1)} pixels.` : ' If that is wrong, check the marks.'}
        </p>
      )}
      {floor?.line && (
        <p role="status" className={`${plain.caption} ${plain.muted}`}>
          Marks agree to {Math.max(mean, 0.1).toFixed(1)} pixels. The dot must run along their line.
        </p>
      )}
      {floor && !floor.line && !isCameraTold && (
        <>
          <p className={plain.text}>The picture does not tell where the phone stood. Measure it from the first mark:</p>
          <div className={styles.fields}>
            {(['Along the run', 'Beside the line', 'Height of the lens'] as const).map((label, k) => (
              <QuantityField
                key={label}
                label={label}
                quantity="distance"
                size="small"
                value={setup.camera[k]!}
                onChange={(value) =>
                  change({ camera: setup.camera.map((one, i) => (i === k ? value : one)) as unknown as FilmSetup['camera'] })
                }
                check={(value) => (Math.abs(value) <= 100 && (k < 2 || value > 0) ? null : 'Must be up to 100 m.')}
              />
            ))}
          </div>
        </>
      )}
    </section>
  );
}

interface PlacesFieldProps extends Pick<MarksStepProps, 'setup' | 'change'> {
  readonly label: string;
}

/** Places of marks as they are typed: `0, 1, 2` along the line, `0, 0; 4, 0; 4, 1` anywhere. */
function PlacesField({ label, setup, change }: PlacesFieldProps) {
  const units = useUnits();
  const isLine = setup.layout === 'line';
  const [typed, setTyped] = useDraft(`film-marks-${setup.layout}`);
  const number = (value: number): string => formatIn(units)(value, 'distance').replace(/[^\d.−-]+$/u, '');
  const shown = isLine ? setup.line.map(number).join('; ') : setup.free.map((place) => place.map(number).join(', ')).join('; ');
  const read = (text: string): FilmSetup['line'] | FilmSetup['free'] | string => {
    const value = (part: string): number => {
      const parsed = parseQuantity(part.trim(), 'distance', units);
      return parsed.kind === 'value' ? parsed.value : NaN;
    };
    const parts = text.split(';').filter((part) => part.trim() !== '');
    if (parts.length < (isLine ? 3 : 4) || parts.length > MOST)
      return `Marks: type ${isLine ? 3 : 4} to ${MOST} of them, with “;” between them.`;
    const places = parts.map((part) => (isLine ? [value(part)] : part.split(',').map(value)));
    if (places.some((place) => place.length !== (isLine ? 1 : 2) || place.some((one) => !Number.isFinite(one))))
      return isLine ? 'Marks: type distances along the run, as 0; 1; 2.' : 'Marks: type along and left of each, as 0, 0; 4, 0; 4, 1; 0, 1.';
    return isLine ? places.map(([x]) => x!) : (places as unknown as FilmSetup['free']);
  };
  const told = typed === null ? null : read(typed);
  return (
    <TextField
      size="small"
      label={label}
      value={typed ?? shown}
      error={typeof told === 'string'}
      helperText={typeof told === 'string' ? told : undefined}
      onChange={({ target }) => setTyped(target.value)}
      onBlur={() => {
        if (told === null || typeof told === 'string') return;
        change(isLine ? { line: told as FilmSetup['line'] } : { free: told as FilmSetup['free'] });
        setTyped(null);
      }}
      slotProps={{ htmlInput: { 'aria-label': label, spellCheck: false }, input: { sx: { typography: 'figures' } } }}
    />
  );
}
