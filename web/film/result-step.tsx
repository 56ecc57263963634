import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { filmedCoasting, type FilmedCoasting, type FilmedRun } from '../../core/film/filmed-run.ts';
import type { MeasuredFilm } from '../../core/film/measured-film.ts';
import type { Slip } from '../../core/film/slip.ts';
import { formatIn } from '../../core/units/quantity.ts';
import { Facts } from '../ui/facts.tsx';
import { downloadJson } from '../ui/file-exchange.ts';
import plain from '../ui/plain.module.css';
import { useUnits } from '../ui/use-units.ts';
import styles from './film.module.css';
import { filmFacts, RUN_REFUSALS } from './film-words.ts';
import type { FilmPurpose, FilmWorkState } from './use-film-work.ts';

/** What a film came to, as it is put to use. */
export interface FilmResult {
  readonly run: FilmedRun | null;
  readonly slip: Slip | null;
  readonly coasting: FilmedCoasting | null;
}

interface ResultStepProps {
  readonly work: FilmWorkState;
  readonly measured: MeasuredFilm;
  readonly purpose: FilmPurpose;
  readonly onAccept: (result: FilmResult) => void;
}

/** What a film tells of a run, or of how the car coasts, and putting it to use. */
export function ResultStep({ work, measured, purpose, onAccept }: ResultStepProps) {
  const units = useUnits();
  const format = formatIn(units);
  const { run, slip } = work;
  const isRun = run !== null && typeof run !== 'string';
  const coasting = useMemo(() => (purpose === 'coast' ? filmedCoasting(measured) : null), [measured, purpose]);
  return (
    <section className={styles.step} aria-labelledby="film-result">
      <h2 id="film-result" className={plain.heading}>
        4. Result
      </h2>
      {purpose === 'run' && typeof run === 'string' && (
        <p role="alert" className={`${plain.text} ${styles.problem}`}>
          ✕ {RUN_REFUSALS[run]}
        </p>
      )}
      {isRun && purpose === 'run' && (
        <div className={styles.facts}>
          <Facts facts={filmFacts(run, slip, units, format)} />
        </div>
      )}
      {purpose === 'coast' &&
        (coasting ? (
          <p className={plain.text}>
            {coasting.marks.length} times over {format(coasting.marks.at(-1)!, 'distance')} of coasting.
          </p>
        ) : (
          <p role="alert" className={`${plain.text} ${styles.problem}`}>
            ✕ The car does not slow down in this film. Film more of its coasting.
          </p>
        ))}
      <div className={styles.row}>
        {((purpose === 'run' && isRun) || coasting) && (
          <Button
            variant="contained"
            onClick={() => onAccept({ run: isRun ? run : null, slip: slip && typeof slip !== 'string' ? slip : null, coasting })}
          >
            Use these times
          </Button>
        )}
        <Button variant="outlined" onClick={() => downloadJson('film.json', work.film)}>
          Save as JSON
        </Button>
      </div>
    </section>
  );
}
