import Button from '@mui/material/Button';
import { Link } from 'react-router';
import { raceAddress } from '../../app/race-address.ts';
import type { RunOfCar } from '../../../core/trials/compared-runs.ts';
import { didNotStart } from '../../../core/car/did-not-start.ts';
import type { LogEntry } from '../../../core/trials/tuning-log.ts';
import { downloadCsv, downloadJson, fileName } from '../../ui/file-exchange.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { Wide } from '../../ui/wide.tsx';
import { WordTable } from '../../ui/word-table.tsx';
import styles from './tune.module.css';
import { describeDecision, describeVerdict } from './describe-tuning.ts';

/** What a run came to, m, as a table of figures tells it. */
const outcomeOf = ({ record: { outcome } }: RunOfCar): string =>
  didNotStart(outcome) ? 'did not start' : `${outcome.kind === 'hit-wall' ? 'at least ' : ''}${outcome.distance}`;

const day = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', year: 'numeric' });

interface LogProps {
  readonly carId: string;
  readonly name: string;
  readonly log: readonly LogEntry[];
  readonly onUndo: (entry: LogEntry) => void;
}

/** What was tried: the change, why and what was expected, what came, and whether it was stored. */
export function TuningLog({ carId, name, log, onUndo }: LogProps) {
  const units = useUnits();
  if (log.length === 0)
    return (
      <p className={`${plain.caption} ${plain.muted}`}>No change yet. Each change that you apply or save as a version appears here.</p>
    );
  const rows = log.map((entry) => ({
    date: entry.version.record.keptAt.slice(0, 10),
    version: entry.version.record.name,
    changed: entry.version.record.change,
    why: entry.version.record.note,
    before: entry.runs.before.map(outcomeOf),
    after: entry.runs.after.map(outcomeOf),
    came: entry.comparison
      ? describeVerdict(entry.comparison, units)
      : `runs: ${entry.runs.before.length} before, ${entry.runs.after.length} after`,
    decided: describeDecision(entry),
  }));
  const saveCsv = async (): Promise<void> => {
    const csvRows = rows.map(({ before, after, ...row }) => ({ ...row, 'before m': before.join('; '), 'after m': after.join('; ') }));
    await downloadCsv(`${fileName(name)}-tuning.csv`, [Object.keys(csvRows[0] ?? {}), ...csvRows.map((row) => Object.values(row))]);
  };
  const present = log.find(({ isPresent, version }) => isPresent && !version.record.putRight);
  return (
    <>
      {present?.comparison && (
        <div className={styles.row}>
          <span className={plain.text}>
            “{present.version.record.name}”: {describeVerdict(present.comparison, units)}
          </span>
          <Button size="small" variant="outlined" onClick={() => onUndo(present)}>
            Undo it: restore “{present.parent.record.name}”
          </Button>
        </div>
      )}
      <Wide label="Changes">
        <WordTable
          head={['tried', 'changed', 'reason and expectation', 'result', 'decided', 'race']}
          rows={log.map((entry, i) => [
            `${log.length - i}. ${entry.version.record.name}, ${day.format(new Date(entry.version.record.keptAt))}`,
            entry.version.record.change || '–',
            entry.version.record.note || '–',
            rows[i]!.came,
            describeDecision(entry),
            <Link
              key="race"
              to={raceAddress([entry.parent, entry.version].map(({ id }) => ({ kind: 'version', carId, id })))}
              aria-label={`Race before and after “${entry.version.record.name}”`}
            >
              before and after
            </Link>,
          ])}
        />
      </Wide>
      <div className={styles.row}>
        <Button size="small" onClick={() => void saveCsv()}>
          Export CSV
        </Button>
        <Button size="small" onClick={() => downloadJson(`${fileName(name)}-tuning.json`, { car: name, tried: rows })}>
          Export JSON
        </Button>
        <Button size="small" onClick={() => window.print()}>
          Print
        </Button>
      </div>
    </>
  );
}
