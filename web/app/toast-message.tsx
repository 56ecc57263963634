import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import { problemLine } from './api/problem.ts';
import { bringBack } from './restore.ts';
import { useAppDispatch } from './store.ts';
import { toastClosed, toasted, type Toast, type Undoing } from './toasts-slice.ts';

/** A message that comes and goes; what removes something can be undone from it. */
export default function ToastMessage({ toast }: { readonly toast: Toast }) {
  const dispatch = useAppDispatch();
  const close = (): void => void dispatch(toastClosed(toast.id));
  const undo = async (undoing: Undoing): Promise<void> => {
    close();
    const restored = await bringBack(dispatch, { what: undoing.kind, id: undoing.id, carId: 'carId' in undoing ? undoing.carId : null });
    if (restored.error) dispatch(toasted(problemLine(restored.error), { tone: 'stop', undoing }));
  };
  return (
    <Snackbar
      open
      autoHideDuration={toast.undoing ? 12000 : 6000}
      onClose={(_event, reason) => reason !== 'clickaway' && close()}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
      // Clear of what opens on the right, and on a phone of what is typed and pressed below; what it covers can still be pressed.
      sx={{
        top: { xs: 8, md: 'auto' },
        bottom: { xs: 'auto', md: 24 },
        left: { md: 104 },
        pointerEvents: 'none',
        '& button': { pointerEvents: 'auto' },
      }}
    >
      <Alert
        severity={toast.tone === 'stop' ? 'error' : 'success'}
        variant="filled"
        onClose={close}
        action={
          toast.undoing && (
            <Button color="inherit" size="small" onClick={() => void undo(toast.undoing!)}>
              Undo
            </Button>
          )
        }
      >
        {toast.message}
      </Alert>
    </Snackbar>
  );
}
