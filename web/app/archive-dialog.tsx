import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import { formatFault } from '../../core/fault-words.ts';
import type { ArchiveCount, ArchiveFinding, ArchiveReport } from '../../core/schema/stored.ts';
import { type ArchiveOpening, useOpenArchiveMutation } from './api/archive-api.ts';
import { problemLine } from './api/problem.ts';
import { useAppDispatch } from './store.ts';
import { toasted } from './toasts-slice.ts';
import { removedName } from './removed-name.ts';
import { WordTable } from '../ui/word-table.tsx';

const KINDS: readonly (readonly [keyof ArchiveCount, string])[] = [
  ['car', 'cars'],
  ['version', 'versions'],
  ['run', 'runs'],
  ['part', 'parts'],
  ['brief', 'briefs'],
  ['session', 'sessions'],
  ['photo', 'photos'],
  ['meet', 'meets'],
  ['result', 'results'],
  ['class', 'classes'],
];
const sumOf = (count: ArchiveCount): number => KINDS.reduce((sum, [kind]) => sum + count[kind], 0);
/** Things told one by one, at most: more are decided about together. */
const LISTED = 12;
const savedAt = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' });

/** What an archive holds beside what is here, before anything is stored; then what is new is taken, and what is ticked. */
export default function ArchiveDialog({ file, onClose }: { readonly file: File; readonly onClose: () => void }) {
  const dispatch = useAppDispatch();
  const [open] = useOpenArchiveMutation();
  const [report, setReport] = useState<ArchiveReport | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [isWorking, setWorking] = useState(true);
  const [replace, setReplace] = useState<ReadonlySet<string>>(new Set());
  const [restore, setRestore] = useState<ReadonlySet<string>>(new Set());
  const asked = useRef<{ abort: () => void } | null>(null);

  const ask = async (take: ArchiveOpening['take']): Promise<ArchiveReport | null> => {
    setWorking(true);
    setProblem(null);
    const asking = open({ file, take });
    asked.current = asking;
    const answer = await asking;
    if (asked.current !== asking) return null;
    setWorking(false);
    if (answer.error) setProblem(problemLine(answer.error));
    return answer.data ?? null;
  };
  const look = useRef(ask);
  useEffect(() => {
    void look.current(null).then(setReport);
    return () => {
      asked.current?.abort();
      asked.current = null;
    };
  }, []);

  const take = async (): Promise<void> => {
    const taken = await ask({ replace: chosen(replace), restore: chosen(restore) });
    if (!taken) return;
    dispatch(toasted(`Imported from the archive: ${wordsOf(taken)}`));
    onClose();
  };
  const nothing = report !== null && sumOf(report.fresh) + report.ofCrews.fresh + replace.size + restore.size === 0;
  return (
    <Dialog open onClose={onClose} aria-labelledby="archive-title" maxWidth="sm" fullWidth>
      <DialogTitle id="archive-title">What is in {file.name}</DialogTitle>
      <DialogContent>
        {isWorking && (
          <>
            <Typography role="status">{report ? 'Importing …' : 'Checking the archive …'}</Typography>
            <LinearProgress aria-label="Reading the archive" sx={{ my: 3 }} />
          </>
        )}
        {problem && (
          <Typography role="alert" sx={{ color: 'error.main' }}>
            ✕ {problem}
          </Typography>
        )}
        {report && !isWorking && (
          <Contents report={report} replace={replace} onReplace={setReplace} restore={restore} onRestore={setRestore} />
        )}
      </DialogContent>
      <DialogActions sx={{ px: 6, pb: 5 }}>
        <Button onClick={onClose}>{isWorking ? 'Stop' : 'Close'}</Button>
        {report && (
          <Button variant="contained" disabled={isWorking || nothing} onClick={() => void take()}>
            {nothing ? 'Nothing to import' : 'Import what is new and ticked'}
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}

const ALL = 'all';
const chosen = (ids: ReadonlySet<string>): readonly string[] | 'all' => (ids.has(ALL) ? 'all' : [...ids]);
const wordsOf = ({ taken, ofCrews }: ArchiveReport): string =>
  [
    ...KINDS.filter(([kind]) => taken[kind] > 0).map(([kind, plural]) => `${taken[kind]} ${taken[kind] === 1 ? kind : plural}`),
    ...(ofCrews.taken > 0 ? [`${ofCrews.taken} things of crews`] : []),
  ].join(', ') || 'nothing';

interface ContentsProps {
  readonly report: ArchiveReport;
  readonly replace: ReadonlySet<string>;
  readonly onReplace: (ids: ReadonlySet<string>) => void;
  readonly restore: ReadonlySet<string>;
  readonly onRestore: (ids: ReadonlySet<string>) => void;
}

function Contents({ report, replace, onReplace, restore, onRestore }: ContentsProps) {
  const { manifest, fresh, same, ofCrews, differing, different, gone, removed, faulty, faults } = report;
  return (
    <>
      <Typography color="text.secondary">Saved {savedAt.format(new Date(manifest.savedAt))}. Nothing has been saved yet.</Typography>
      <WordTable
        head={['what', 'new here', 'the same']}
        rows={[
          ...KINDS.map(([kind, plural]) => [plural, fresh[kind], same[kind]] as const),
          ...(ofCrews.fresh + ofCrews.same > 0 ? ([['things of crews', ofCrews.fresh, ofCrews.same]] as const) : []),
        ]}
        areFigures
      />
      <Choice
        title={differing === 1 ? '1 differs from what is here' : `${differing} differ from what is here`}
        text="If ticked, the archive’s version replaces yours. A car’s replaced design stays in its history."
        all="Take all of them from the archive"
        findings={different}
        count={differing}
        chosen={replace}
        onChoose={onReplace}
      />
      <Choice
        title={gone === 1 ? '1 was removed here' : `${gone} were removed here`}
        text="If ticked, they are brought back as they were when they were removed."
        all="Bring all of them back"
        findings={removed}
        count={gone}
        chosen={restore}
        onChoose={onRestore}
      />
      {faulty > 0 && (
        <section aria-label="What cannot be read">
          <Typography variant="h3">
            ✕ {faulty} cannot be read and {faulty === 1 ? 'is' : 'are'} left out
          </Typography>
          {faults.slice(0, LISTED).map((fault) => (
            <Typography key={formatFault(fault)} variant="body2" sx={{ overflowWrap: 'anywhere' }}>
              {formatFault(fault)}
            </Typography>
          ))}
        </section>
      )}
    </>
  );
}

interface ChoiceProps {
  readonly title: string;
  readonly text: string;
  readonly all: string;
  readonly findings: readonly ArchiveFinding[];
  readonly count: number;
  readonly chosen: ReadonlySet<string>;
  readonly onChoose: (ids: ReadonlySet<string>) => void;
}

/** Things to be ticked one by one, or where there are many, all at once. */
function Choice({ title, text, all, findings, count, chosen: ticked, onChoose }: ChoiceProps) {
  if (count === 0) return null;
  const toggle = (id: string): void => {
    const next = new Set(ticked);
    if (!next.delete(id)) next.add(id);
    onChoose(next);
  };
  const box = (id: string, label: string, isDisabled = false) => (
    <FormControlLabel
      key={id}
      sx={{ display: 'flex' }}
      control={<Checkbox size="small" checked={ticked.has(id) || isDisabled} disabled={isDisabled} onChange={() => toggle(id)} />}
      label={label}
    />
  );
  return (
    <section aria-label={title}>
      <Typography variant="h3">{title}</Typography>
      <Typography variant="body2" color="text.secondary">
        {text}
      </Typography>
      {count > 1 && box(ALL, all)}
      {findings.slice(0, LISTED).map(({ what, id, name }) => box(id, removedName(what, name), ticked.has(ALL)))}
      {count > LISTED && (
        <Typography variant="body2" color="text.secondary">
          and {count - LISTED} more
        </Typography>
      )}
    </section>
  );
}
