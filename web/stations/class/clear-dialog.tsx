import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useNavigate } from 'react-router';
import type { StoredClass } from '../../../core/schema/stored.ts';
import { useClearClassMutation } from '../../app/api/classes-api.ts';
import { problemLine } from '../../app/api/problem.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';

/** Asks before a class is archived and cleared. */
export function ClearDialog({ stored, onClose }: { readonly stored: StoredClass; readonly onClose: () => void }) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [clear, { isLoading }] = useClearClassMutation();
  const { name, crews } = stored.class;
  const go = async (): Promise<void> => {
    const { data, error } = await clear(stored.id);
    if (!data) return void dispatch(toasted(problemLine(error), { tone: 'stop' }));
    dispatch(toasted(`${name} is archived as ${data.file}`));
    await navigate('/classes');
  };
  return (
    <Dialog open onClose={onClose} aria-labelledby="clear-title" maxWidth="sm">
      <DialogTitle id="clear-title">Archive and clear {name}?</DialogTitle>
      <DialogContent>
        <Typography>
          The work of {crews.length === 1 ? 'its crew' : `its ${crews.length} crews`} is saved in an archive, and then removed from this
          program. All devices have to join again if you bring the class back. Its meet, and the cars copied for that, stay.
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" color="error" disabled={isLoading} onClick={() => void go()}>
          Archive and clear
        </Button>
      </DialogActions>
    </Dialog>
  );
}
