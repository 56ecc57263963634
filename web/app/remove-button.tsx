import Button from '@mui/material/Button';
import { problemLine } from './api/problem.ts';
import { useAppDispatch } from './store.ts';
import { toasted, type Undoing } from './toasts-slice.ts';

interface RemoveButtonProps {
  readonly name: string;
  readonly undoing: Undoing;
  readonly remove: () => Promise<{ readonly error?: unknown }>;
}

/** Removes a thing of a list, and offers to bring it back. */
export function RemoveButton({ name, undoing, remove }: RemoveButtonProps) {
  const dispatch = useAppDispatch();
  const go = async (): Promise<void> => {
    const { error } = await remove();
    dispatch(error ? toasted(problemLine(error), { tone: 'stop' }) : toasted(`${name} was removed`, { undoing }));
  };
  return (
    <Button size="small" aria-label={`Remove ${name}`} onClick={() => void go()}>
      Remove
    </Button>
  );
}
