import Button from '@mui/material/Button';
import { useState } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { changeWords, differences } from '../../../core/car/difference.ts';
import { didItHelp, permutationP, superiority, welch } from '../../../core/trials/did-it-help.ts';
import type { Tuning } from '../../../core/trials/tuning.ts';
import type { LogEntry } from '../../../core/trials/tuning-log.ts';
import { ChoiceSelect } from '../../asked/choice-select.tsx';
import { download, downloadJson, fileName } from '../../ui/file-exchange.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { Wide } from '../../ui/wide.tsx';
import { WordTable } from '../../ui/word-table.tsx';
import styles from './tune.module.css';
import { percent, verdictWords, groupWords } from './tune-words.ts';

const day = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', year: 'numeric' });

/** Any two groups of runs: the difference with its interval, the verdict, and what was changed between them. */
export function Compare({ groups, nameOf }: Pick<Tuning, 'groups'> & { readonly nameOf: (design: CarDesign) => string }) {
  const units = useUnits();
  const [first, setFirst] = useState('0');
  const [second, setSecond] = useState(String(Math.min(1, groups.length - 1)));
  const [isOpen, setOpen] = useState(false);
  const options = Object.fromEntries(groups.map((group, i) => [String(i), `${i + 1}. ${groupWords(group, nameOf)}`]));
  const [a, b] = [groups[Number(first)], groups[Number(second)]];
  if (groups.length < 2 || !a || !b) return <p className={`${plain.caption} ${plain.muted}`}>Two groups of runs are needed to compare.</p>;
  const distances = (group: typeof a): number[] => group.distances.filter(({ isWall }) => !isWall).map(({ distance }) => distance);
  const [before, after] = [distances(a), distances(b)];
  const comparison = didItHelp(before, after);
  const changed = differences(a.design, b.design, units);
  const test = comparison && welch(before, after);
  const permuted = comparison && permutationP(before, after);
  return (
    <>
      <div className={styles.row}>
        <ChoiceSelect label="From" value={first} options={options} onChange={setFirst} />
        <ChoiceSelect label="To" value={second} options={options} onChange={setSecond} />
      </div>
      {comparison ? (
        <>
          <p className={plain.strong}>{verdictWords(comparison)}</p>
          <p className={plain.text}>
            {percent(Math.min(comparison.chance, 0.99))} that the second goes further.{' '}
            {changed.length > 0 ? `Changed: ${changeWords(a.design, b.design, units)}.` : 'The car is the same.'}
            {changed.length > 1 && ' More than one thing was changed: their shares cannot be told apart.'}
          </p>
          <Button size="small" onClick={() => setOpen(!isOpen)} aria-expanded={isOpen} sx={{ justifySelf: 'start' }}>
            {isOpen ? 'less' : 'the tests of the books'}
          </Button>
          {isOpen && test && (
            <p className={plain.text}>
              Welch: t = {test.t.toFixed(2)} with {test.freedom.toFixed(1)} degrees of freedom, p = {test.p.toFixed(3)}.
              {permuted !== null && ` Exact permutation: p = ${permuted.toFixed(3)}.`} A run of the second beats one of the first in{' '}
              {percent(superiority(before, after))} of pairs.
            </p>
          )}
        </>
      ) : (
        <p className={plain.text}>Two runs of each that stopped are needed.</p>
      )}
    </>
  );
}

interface LogProps {
  readonly name: string;
  readonly log: readonly LogEntry[];
  readonly onUndo: (entry: LogEntry) => void;
}

const decided = ({ isPresent, comparison }: LogEntry): string =>
  isPresent ? 'on the car' : comparison ? 'not on the car now' : 'not judged';

/** What was tried: the change, why and what was expected, what came, and whether it was kept. */
export function TuningLog({ name, log, onUndo }: LogProps) {
  if (log.length === 0)
    return (
      <p className={`${plain.caption} ${plain.muted}`}>Nothing was tried yet: a change that is taken, or kept as a version, stands here.</p>
    );
  const rows = log.map((entry) => ({
    date: entry.version.record.keptAt.slice(0, 10),
    version: entry.version.record.name,
    changed: entry.version.record.change,
    why: entry.version.record.note,
    before: entry.runs.before,
    after: entry.runs.after,
    came: entry.comparison ? verdictWords(entry.comparison) : `runs: ${entry.runs.before.length} before, ${entry.runs.after.length} after`,
    decided: decided(entry),
  }));
  const saveCsv = async (): Promise<void> => {
    const { default: Papa } = await import('papaparse');
    const told = rows.map(({ before, after, ...row }) => ({ ...row, 'before m': before.join(' '), 'after m': after.join(' ') }));
    download(`${fileName(name)}-tuning.csv`, Papa.unparse(told, { newline: '\r\n' }), 'text/csv');
  };
  const present = log.find(({ isPresent }) => isPresent);
  return (
    <>
      {present?.comparison && (
        <div className={styles.row}>
          <span className={plain.text}>
            “{present.version.record.name}”: {verdictWords(present.comparison)}
          </span>
          <Button size="small" variant="outlined" onClick={() => onUndo(present)}>
            Undo it: back to “{present.parent.record.name}”
          </Button>
        </div>
      )}
      <Wide label="Changes that were tried">
        <WordTable
          head={['tried', 'changed', 'why, and what was expected', 'what came', 'decided']}
          rows={log.map((entry, i) => [
            `${log.length - i}. ${entry.version.record.name}, ${day.format(new Date(entry.version.record.keptAt))}`,
            entry.version.record.change || '–',
            entry.version.record.note || '–',
            rows[i]!.came,
            decided(entry),
          ])}
        />
      </Wide>
      <div className={styles.row}>
        <Button size="small" onClick={() => void saveCsv()}>
          Save as CSV
        </Button>
        <Button size="small" onClick={() => downloadJson(`${fileName(name)}-tuning.json`, { car: name, tried: rows })}>
          Save as JSON
        </Button>
        <Button size="small" onClick={() => window.print()}>
          Print
        </Button>
      </div>
    </>
  );
}
