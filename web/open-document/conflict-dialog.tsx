import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { problemLine } from '../app/api/problem.ts';
import { useAppDispatch, useAppSelector } from '../app/store.ts';
import { toasted } from '../app/toasts-slice.ts';
import { WordTable } from '../ui/word-table.tsx';
import { removeDraft } from './drafts.ts';
import type { DocumentKind } from './document-kind.ts';

interface ConflictProps<T> {
  readonly kind: DocumentKind<T>;
  /** What differs between the two, in words. */
  readonly rowsOf: (mine: T, other: T) => readonly (readonly [string, string, string])[];
  /** Keeps mine beside the other, under another name; that name, or what went wrong. */
  readonly saveBeside: (mine: T) => Promise<{ readonly name: string } | { readonly error: unknown }>;
}

/** Asked while a document was changed elsewhere: both versions stand here until one is chosen, or both are stored. */
export function ConflictDialog<T>({ kind, rowsOf, saveBeside: keepBeside }: ConflictProps<T>) {
  const dispatch = useAppDispatch();
  const document = useAppSelector(kind.openOf);
  if (!document?.other) return null;
  const { other, present, id } = document;
  const { opened, mineChosen } = kind.slice.actions;
  const takeOther = (): void => {
    removeDraft(id);
    dispatch(opened({ kept: other, draft: null }));
  };
  const saveBoth = async (): Promise<void> => {
    const isSaved = await keepBeside(present);
    if ('error' in isSaved) return void dispatch(toasted(problemLine(isSaved.error), { tone: 'stop' }));
    takeOther();
    dispatch(toasted(`Yours was saved as “${isSaved.name}”`));
  };
  return (
    <Dialog open aria-labelledby="conflict-title" maxWidth="sm">
      <DialogTitle id="conflict-title">This {kind.what} was changed elsewhere</DialogTitle>
      <DialogContent>
        <Typography sx={{ mb: 3 }}>
          Another tab or device changed the same values while you worked here. Both are safe. Which one should keep this name?
        </Typography>
        <WordTable head={['difference', 'yours, here', 'the other one']} rows={rowsOf(present, other.content)} />
      </DialogContent>
      <DialogActions sx={{ px: 6, pb: 5 }}>
        <Button onClick={takeOther}>Use the other one</Button>
        <Button onClick={() => dispatch(mineChosen())}>Use mine</Button>
        <Button variant="contained" onClick={() => void saveBoth()}>
          Keep both
        </Button>
      </DialogActions>
    </Dialog>
  );
}
