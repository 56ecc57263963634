import Button from '@mui/material/Button';
import { unguardCell } from '../../core/files/csv-guard.ts';
import type { OwnPart } from '../../core/car/part-slots.ts';
import { partTable, readPartLines } from '../../core/files/part-table.ts';
import type { StoredPart } from '../../core/schema/stored.ts';
import { useAppDispatch } from '../app/store.ts';
import { toasted } from '../app/toasts-slice.ts';
import { useSavePart } from '../open-car/use-own-parts.ts';
import { FileButton } from '../ui/file-button.tsx';
import { downloadCsv } from '../ui/file-exchange.ts';

/** Faulty lines told in one message. */
const TOLD = 3;

/** All parts as a table (CSV), out and in: a part of the same kind and name is changed, others are new. */
export function PartFiles({ parts }: { readonly parts: readonly StoredPart[] }) {
  const dispatch = useAppDispatch();
  const { keep } = useSavePart();
  const save = async (): Promise<void> => {
    await downloadCsv('my-parts.csv', partTable(parts.map(({ part }) => part)));
  };
  const open = async (file: File): Promise<void> => {
    const { default: Papa } = await import('papaparse');
    const { data } = Papa.parse<string[]>((await file.text()).replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy', transform: unguardCell });
    const lines = readPartLines(data);
    const sameAs = ({ kind, name }: OwnPart) => parts.find(({ part }) => part.kind === kind && part.name === name) ?? null;
    let taken = 0;
    for (const { part } of lines) if (part && (await keep(part, sameAs(part)))) taken++;
    const faulty = lines.filter(({ problem }) => problem !== null);
    const problems = faulty.slice(0, TOLD).map(({ line, problem }) => `line ${line}: ${problem}`);
    dispatch(
      toasted(
        [
          `${taken} of ${lines.length} parts of ${file.name} imported`,
          ...problems,
          ...(faulty.length > TOLD ? [`${faulty.length - TOLD} more`] : []),
        ].join('. '),
        faulty.length > 0 ? { tone: 'stop' } : {},
      ),
    );
  };
  return (
    <>
      <Button onClick={() => void save()} disabled={parts.length === 0}>
        Export CSV
      </Button>
      <FileButton label="Parts from a CSV file" accept=".csv,text/csv" onFile={(file) => void open(file)}>
        Import CSV
      </FileButton>
    </>
  );
}
